/**
 * Order of two texts by their characters' numbers, for `sort`: moments as ISO 8601 has them stand in the order of
 * time, ids in one that is the same on every machine. The order of a language costs many times as much, and the first
 * question for it builds tables.
 * @returns below 0, 0 or above 0
 * @example
 * ['2026-03-02', '2026-03-01'].sort(byText) // ['2026-03-01', '2026-03-02']
 */
export const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)
