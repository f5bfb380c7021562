import type { EdgeList, Gap } from '../../signals/captures'

/** Pulses as the times at which they begin, in seconds, strictly increasing. */
export interface PulseTrain {
  readonly starts: Float64Array
  /** Stretches in which pulses may have gone unrecorded. */
  readonly gaps: readonly Gap[]
}

/**
 * Pulses of a channel. The pulse is the level that lasts for the smaller share of the time, whichever way the
 * line is wired; its leading edge counts.
 */
export function pulsesFromEdges(edges: EdgeList): PulseTrain {
  const { times, initial } = edges
  let high = 0
  for (let i = 1; i < times.length; i++) {
    // After an odd number of changes the level is the opposite of the initial one.
    const level = (initial + i) % 2
    if (level === 1) high += times[i]! - times[i - 1]!
  }
  const total = times.length > 1 ? times[times.length - 1]! - times[0]! : 0
  const pulseLevel = high * 2 <= total ? 1 : 0
  const first = initial === pulseLevel ? 1 : 0
  const starts = new Float64Array(Math.max(0, Math.ceil((times.length - first) / 2)))
  for (let i = 0; i < starts.length; i++) starts[i] = times[first + 2 * i]!
  return { starts, gaps: edges.gaps }
}
