/** The time now as a part of a file's name: no colons, which some systems refuse. */
export const fileTime = (): string => new Date().toISOString().slice(0, 19).replace(/[:T]/g, '')
