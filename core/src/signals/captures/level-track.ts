import type { CaptureChannel, Gap } from './capture'
import { GrowableDoubles } from './growable'

const UNKNOWN = 2

/**
 * Collects one signal's levels into an edge list. Levels are 0, 1 or 2 (unknown); repeats are ignored, and
 * an unknown stretch becomes a gap instead of an edge.
 */
export class LevelTrack {
  private initial: 0 | 1 = 0
  /** Last known level; 2 before any is known. */
  private known = UNKNOWN
  private unknownSince = -1
  private readonly times = new GrowableDoubles()
  private gaps: Gap[] = []
  private dropped = false
  edgeCount = 0

  /** @param rolling the oldest changes go where there are more than are kept */
  constructor(
    private readonly maxEdges: number,
    private readonly rolling = false,
  ) {}

  /** @param t time in the reader's own unit, never going back; scaled to seconds in {@link finish} */
  set(level: number, t: number): void {
    if (level === UNKNOWN) {
      if (this.unknownSince < 0 && this.known !== UNKNOWN) this.unknownSince = t
      return
    }
    if (this.unknownSince >= 0) {
      this.gaps.push({ fromS: this.unknownSince, toS: t })
      this.unknownSince = -1
    }
    if (level === this.known) return
    if (this.known === UNKNOWN) {
      this.known = level
      this.initial = level as 0 | 1
      return
    }
    this.known = level
    if (this.dropped) {
      this.edgeCount++
      return
    }
    if (t <= this.times.newest()) {
      // Two changes at one instant cancel out: a glitch shorter than the time scale can show.
      this.edgeCount--
      this.times.pop()
      return
    }
    this.edgeCount++
    if (this.times.length >= this.maxEdges && this.rolling) this.dropOldest()
    else if (this.times.length >= this.maxEdges) {
      this.dropped = true
      this.times.clear()
      return
    }
    this.times.push(t)
  }

  /** Half of the changes go; an even number, so that the level before the first one stays what it was. */
  private dropOldest(): void {
    this.times.dropFirst(2 * Math.floor(this.times.length / 4))
    const from = this.times.copyFrom(0)[0] ?? 0
    this.gaps = this.gaps.filter(g => g.toS >= from)
  }

  /** The changes from a time on, as in {@link finish}, which this does not end. */
  peek(name: string, unitsPerSecond: number, start: number, from: number, end: number): CaptureChannel {
    const at = this.times.firstFrom(from)
    const times = this.times.copyFrom(at - (at % 2))
    for (let i = 0; i < times.length; i++) times[i] = (times[i]! - start) / unitsPerSecond
    const open = this.unknownSince >= 0 ? [{ fromS: this.unknownSince, toS: end }] : []
    const gaps = [...this.gaps, ...open]
      .filter(g => g.toS >= from)
      .map(g => ({ fromS: (g.fromS - start) / unitsPerSecond, toS: (g.toS - start) / unitsPerSecond }))
    return { name, edgeCount: this.edgeCount, edges: { initial: this.initial, times, gaps } }
  }

  /**
   * @param unitsPerSecond of the times given to {@link set}: dividing by a whole number keeps the nearest double
   * @param start time, in that unit, that becomes 0
   */
  finish(name: string, unitsPerSecond: number, start: number, end: number): CaptureChannel {
    if (this.unknownSince >= 0) this.gaps.push({ fromS: this.unknownSince, toS: end })
    if (this.dropped) return { name, edgeCount: this.edgeCount, edges: null }
    const times = this.times.take()
    for (let i = 0; i < times.length; i++) times[i] = (times[i]! - start) / unitsPerSecond
    const gaps = this.gaps.map(g => ({
      fromS: (g.fromS - start) / unitsPerSecond,
      toS: (g.toS - start) / unitsPerSecond,
    }))
    return { name, edgeCount: this.edgeCount, edges: { initial: this.initial, times, gaps } }
  }
}
