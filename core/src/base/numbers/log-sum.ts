/** Logarithm of the sum of exponentials of the first n, without overflow. */
export function logSum(logs: ArrayLike<number>, n = logs.length): number {
  let top = -Infinity
  for (let i = 0; i < n; i++) if (logs[i]! > top) top = logs[i]!
  let sum = 0
  for (let i = 0; i < n; i++) sum += Math.exp(logs[i]! - top)
  return top + Math.log(sum)
}
