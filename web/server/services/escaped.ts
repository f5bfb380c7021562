/** What anybody may have typed, as nothing but text of a page or of a quoted attribute. */
export const escaped = (typed: string): string => typed.replace(/[&<>"'`]/g, c => `&#${c.charCodeAt(0)};`)
