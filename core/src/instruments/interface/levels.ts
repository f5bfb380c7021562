import type { EdgeList } from '../../signals/captures'
import { fluxFromEdges } from '../../signals/separator'

/** Number of changes at or before a time. */
export function changesUpTo(e: EdgeList, t: number): number {
  let [low, high] = [0, e.times.length]
  while (low < high) {
    const mid = (low + high) >> 1
    if (e.times[mid]! <= t) low = mid + 1
    else high = mid
  }
  return low
}

/** Whether a line is low, that is true, at a time. */
export const isLow = (e: EdgeList, t: number): boolean => ((e.initial + changesUpTo(e, t)) & 1) === 0

/** Times at which a line goes low. */
export const fallsOf = (e: EdgeList): Float64Array => fluxFromEdges(e)

/** Share of a stretch in which a line is low. */
export function lowShare(e: EdgeList, fromS: number, toS: number): number {
  let low = 0
  let at = fromS
  for (let i = changesUpTo(e, fromS); i <= e.times.length && at < toS; i++) {
    const next = Math.min(toS, e.times[i] ?? toS)
    if (((e.initial + i) & 1) === 0) low += next - at
    at = next
  }
  return toS > fromS ? low / (toS - fromS) : 0
}

/** Times at which a line goes high. */
export const risesOf = (e: EdgeList): Float64Array => fluxFromEdges(e, false)

/** The line with its levels the other way round. */
export const turnedOver = (e: EdgeList): EdgeList => ({ ...e, initial: e.initial === 1 ? 0 : 1 })
