import jStat from 'jstat'

/**
 * Half-width of a two-sided 95 % interval in standard errors (Student's t).
 * @param degrees degrees of freedom, at least 1
 */
export function t95(degrees: number): number {
  return jStat.studentt.inv(0.975, Math.max(1, degrees))
}
