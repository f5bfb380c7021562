import type { EdgeList } from '../../signals/captures'

/** Length of a pulse that is made up, s: shorter than any step is long. */
const PULSE_S = 2e-6

/** A line that is idle high, with a short low pulse at each time. */
export const pulsesAt = (times: readonly number[]): EdgeList => ({
  initial: 1,
  times: Float64Array.from(times.flatMap(t => [t, t + PULSE_S])),
  gaps: [],
})

/** A line from the states that it was seen in, in order of time; high before the first. */
export function levelsFrom(states: readonly { readonly at: number; readonly low: boolean }[]): EdgeList {
  const times: number[] = []
  let low = false
  for (const s of states) {
    if (s.low === low) continue
    low = s.low
    times.push(s.at)
  }
  return { initial: 1, times: Float64Array.from(times), gaps: [] }
}
