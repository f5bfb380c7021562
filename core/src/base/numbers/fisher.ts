import jStat from 'jstat'

const logChoose = (n: number, k: number): number =>
  jStat.gammaln(n + 1) - jStat.gammaln(k + 1) - jStat.gammaln(n - k + 1)

/**
 * Fisher's exact test, one-sided: the chance of so few or fewer failures after, when a change did nothing and the same
 * number of failures fell on the trials by luck. Takes time with the failures afterwards.
 * @example fisherFewer(4, 4, 0, 4) // 1/70
 */
export function fisherFewer(
  failsBefore: number,
  trialsBefore: number,
  failsAfter: number,
  trialsAfter: number,
): number {
  const fails = failsBefore + failsAfter
  const all = trialsBefore + trialsAfter
  let p = 0
  for (let k = Math.max(0, fails - trialsBefore); k <= failsAfter; k++)
    p += Math.exp(logChoose(trialsAfter, k) + logChoose(trialsBefore, fails - k) - logChoose(all, fails))
  return Math.min(1, p)
}
