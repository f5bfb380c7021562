/**
 * How much of a scarce thing is taken when: steps in time, from each of which on so many are in use. Neighbours differ:
 * a time in which all is taken is one step, however many tasks take it.
 */
export class Profile {
  private times: number[] = [0]
  private used: number[] = [0]

  constructor(private readonly count: number) {}

  /** The earliest time, not before one, at which one more is free for so long. */
  earliest(from: number, length: number): number {
    const { times, used, count } = this
    let k = this.at(from)
    let start = from
    for (;;) {
      if (used[k]! >= count) {
        start = times[++k]!
        continue
      }
      // Free from here on: for long enough?
      let end = k + 1
      while (end < times.length && used[end]! < count && times[end]! < start + length) end++
      if (end >= times.length || times[end]! >= start + length) return start
      k = end
    }
  }

  take(start: number, length: number): void {
    const first = this.cut(start)
    const last = this.cut(start + length)
    for (let k = first; k < last; k++) this.used[k]!++
    this.join(last)
    this.join(first)
  }

  clear(): void {
    this.times = [0]
    this.used = [0]
  }

  /** The last step that begins no later than a time. */
  private at(time: number): number {
    const { times } = this
    let [low, high] = [0, times.length - 1]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (times[middle]! <= time) low = middle
      else high = middle - 1
    }
    return low
  }

  /** Makes one of a step and the one before it, where as many are in use in both. */
  private join(k: number): void {
    if (k === 0 || this.used[k - 1] !== this.used[k]) return
    this.times.splice(k, 1)
    this.used.splice(k, 1)
  }

  /** A step that begins exactly at a time. */
  private cut(time: number): number {
    const k = this.at(time)
    if (this.times[k] === time) return k
    this.times.splice(k + 1, 0, time)
    this.used.splice(k + 1, 0, this.used[k]!)
    return k + 1
  }
}

/**
 * The earliest time, not before another one, at which all of several things are free for so long. A time that suits one
 * thing may not suit another: round until it suits all.
 */
export function earliestForAll(
  profiles: readonly Profile[],
  needs: readonly number[],
  from: number,
  length: number,
): number {
  for (;;) {
    let at = from
    for (const r of needs) at = profiles[r]!.earliest(at, length)
    if (at === from) return at
    from = at
  }
}
