/** Preferred numbers, one decade (IEC 60063). */
export const E6 = [1, 1.5, 2.2, 3.3, 4.7, 6.8] as const
export const E12 = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2] as const

/** The preferred value that is nearest by ratio. @example nearest(E6, 25) // 22 */
export function nearest(series: readonly number[], value: number): number {
  const decade = 10 ** Math.floor(Math.log10(value))
  return [...series.map(e => e * decade), 10 * decade].reduce((best, x) =>
    Math.abs(Math.log(x / value)) < Math.abs(Math.log(best / value)) ? x : best,
  )
}
