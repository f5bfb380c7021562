/**
 * Where the top of a line in a power spectrum lies between bins: a parabola through the logarithms of three.
 * @param k the bin that holds most, with a neighbour on either side
 */
export function topOfLine(power: Float64Array, k: number): number {
  const level = (at: number) => Math.log(Math.max(power[at]!, 1e-300))
  const [a, b, c] = [level(k - 1), level(k), level(k + 1)]
  const curve = a - 2 * b + c
  return curve < 0 ? k + Math.max(-0.5, Math.min(0.5, (0.5 * (a - c)) / curve)) : k
}
