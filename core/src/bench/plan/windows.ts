import { Moved, OneAtATime } from './one-at-a-time'
import { mirrored, tailsOf, type Problem } from './problem'

/** When each task may begin where nothing may end after a time, and which must come before which. */
export interface Windows {
  /** Earliest start. */
  readonly head: Int32Array
  /** Time from the start to the end of the plan at least. */
  readonly tail: Int32Array
  /** Pairs that were put in order, as first × count + second. */
  readonly arcs: number[]
}

/** What follows from the order of the tasks alone. */
export const openWindows = (p: Problem): Windows => ({
  head: tailsOf(mirrored(p)).map((t, i) => t - p.length[i]!),
  tail: tailsOf(p),
  arcs: [],
})

/** Narrows windows until nothing more follows: along the order of tasks, and by sets of which one must come last. */
export class Narrowing {
  private readonly single: readonly OneAtATime[]

  constructor(private readonly p: Problem) {
    this.single = p.scarce.filter(s => s.count === 1).map(s => new OneAtATime(s.tasks, p.length))
  }

  /** @param end no plan may end later @returns false where there is no such plan */
  fits(w: Windows, end: number): boolean {
    const { head, tail } = w
    for (let moved = true; moved;) {
      moved = this.alongTheOrder(w)
      for (let i = 0; i < head.length; i++) if (head[i]! + tail[i]! > end) return false
      for (const s of this.single) {
        const later = s.later(head, tail, end)
        if (later === Moved.CannotFit) return false
        const earlier = s.earlier(head, tail, end)
        if (earlier === Moved.CannotFit) return false
        if (later === Moved.Yes || earlier === Moved.Yes) moved = true
      }
    }
    return true
  }

  /** True where a pair that was put in order moved something, which others may follow. */
  private alongTheOrder({ head, tail, arcs }: Windows): boolean {
    const { order, behind, length, count } = this.p
    let moved = false
    for (const i of order) {
      const end = head[i]! + length[i]!
      for (const next of behind[i]!) if (end > head[next]!) head[next] = end
    }
    for (let k = count - 1; k >= 0; k--) {
      const i = order[k]!
      for (const next of behind[i]!) if (tail[next]! + length[i]! > tail[i]!) tail[i] = tail[next]! + length[i]!
    }
    for (let k = 0; k < arcs.length; k++) {
      const first = (arcs[k]! / count) | 0
      const second = arcs[k]! - first * count
      if (head[first]! + length[first]! > head[second]!) {
        head[second] = head[first]! + length[first]!
        moved = true
      }
      if (tail[second]! + length[first]! > tail[first]!) {
        tail[first] = tail[second]! + length[first]!
        moved = true
      }
    }
    return moved
  }
}
