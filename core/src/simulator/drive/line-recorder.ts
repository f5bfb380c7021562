import type { EdgeList } from '../../signals/captures'

/** A line as it changes, idle high. */
export class LineRecorder {
  private times: number[] = []
  private initial: 0 | 1 = 1
  low = false

  set(t: number, low: boolean): void {
    if (low === this.low) return
    this.low = low
    const last = this.times.at(-1)
    // Two changes at one instant are none.
    if (last !== undefined && t <= last) this.times.pop()
    else this.times.push(t)
  }

  pulse(t: number, seconds: number): void {
    this.set(t, true)
    this.set(t + seconds, false)
  }

  /** What was recorded since a time, counted from it. */
  edges(sinceS = 0): EdgeList {
    let first = 0
    while (first < this.times.length && this.times[first]! < sinceS) first++
    return {
      initial: ((this.initial + first) & 1) as 0 | 1,
      times: Float64Array.from(this.times.slice(first), t => t - sinceS),
      gaps: [],
    }
  }

  /** Forgets all before a time. */
  forget(beforeS: number): void {
    let first = 0
    while (first < this.times.length && this.times[first]! < beforeS) first++
    this.initial = ((this.initial + first) & 1) as 0 | 1
    this.times = this.times.slice(first)
  }
}
