/** Numbers at random, evenly from -0.5 to 0.5 (Park and Miller 1988). */
export function noise(seed: number): () => number {
  let state = seed
  return () => (state = (state * 16807) % 2147483647) / 2147483647 - 0.5
}
