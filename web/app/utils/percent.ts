/** A probability as people read it: never 0 or 100, which nothing is. @example percent(0.421) // '42 %' */
export const percent = (p: number): string => (p > 0.995 ? '> 99 %' : p < 0.005 ? '< 1 %' : `${Math.round(100 * p)} %`)
