import type { LogEntry } from '../../log'
import type { CautionId } from './cautions'

/** A sitting ends once nothing was said to the log for so long. */
export const SITTING_MS = 3 * 3_600_000

/**
 * Whether a caution was acknowledged in this sitting: after it no pause in the log, up to now, is three hours long.
 * @param standing entries that still hold, oldest first @param nowMs milliseconds since 1970, UTC
 */
export function isAcknowledged(standing: readonly LogEntry[], caution: CautionId, nowMs: number): boolean {
  let last = nowMs
  for (const entry of [...standing].reverse()) {
    const at = Date.parse(entry.at)
    if (last - at > SITTING_MS) return false
    if (entry.data?.type === 'acknowledged' && entry.data.caution === caution) return true
    last = Math.min(last, at)
  }
  return false
}
