/** Chance that a normal deviate is above x (Abramowitz and Stegun 26.2.17, |error| < 7.5e-8). */
export function above(x: number): number {
  if (x < 0) return 1 - above(-x)
  if (x > 8) return 0
  const t = 1 / (1 + 0.2316419 * x)
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * poly
}
