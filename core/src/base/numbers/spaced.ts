/** A large count with its thousands apart: 98 212. */
export const spaced = (n: number): string => n.toLocaleString('en').replaceAll(',', ' ')
