import jStat from 'jstat'

/**
 * Chance of at least `k` successes in `n` trials of chance `p`: the regularised incomplete beta I_p(k, n − k + 1), so
 * that small tails keep their figures.
 * @example upperTail(3, 3, 0.5) // 0.125
 */
export function upperTail(k: number, n: number, p: number): number {
  if (k <= 0) return 1
  if (k > n) return 0
  return jStat.ibeta(p, k, n - k + 1)
}
