import { atPlace, CASES, placeLikelihood, type DiskState, type Head } from './model'
import type { PlaceRead } from './reads'

/** Places of a disk: two heads, three zones. */
const PLACES = 6

/** What one head of a drive read of a disk: its zones have reader and writer in common. */
export interface SideRead {
  readonly disk: number
  readonly drive: number
  readonly head: Head
  readonly places: readonly PlaceRead[]
  /** Whether the head is wider than what a narrow writer leaves. */
  readonly wide: boolean
  /** Number of the meeting of its head and its writer. */
  readonly meeting: number
}

/**
 * How likely what was read of each side is, worked out where it is first asked for. All of it stands in one array:
 * thousands of small ones took longer than what is in them.
 */
export class SideLogs {
  values = new Float64Array(1 << 10)
  private used = 0
  /** Where a side begins, by side × case; −1 where it was not worked out yet. */
  private readonly known: Int32Array
  /** What each state of a disk does to each place, by state × place. */
  private readonly codes: readonly Uint8Array[]

  /** @param states those of each disk */
  constructor(
    private readonly sides: readonly SideRead[],
    private readonly states: readonly (readonly DiskState[])[],
  ) {
    this.known = new Int32Array(sides.length * CASES).fill(-1)
    this.codes = states.map(of =>
      Uint8Array.from({ length: of.length * PLACES }, (_, i) => atPlace(of[Math.floor(i / PLACES)]!, i % PLACES)),
    )
  }

  /**
   * @param side number of it
   * @returns where in {@link values} the log likelihoods of one side stand, for each state of its disk, in a case
   */
  placeOf(side: number, c: number): number {
    const known = this.known[side * CASES + c]!
    return known >= 0 ? known : this.workOut(side, c)
  }

  private workOut(side: number, c: number): number {
    const { disk, places, wide } = this.sides[side]!
    const count = this.states[disk]!.length
    const at = this.room(count)
    const codes = this.codes[disk]!
    for (const { good, sectors, head, zone } of places)
      for (let s = 0; s < count; s++)
        this.values[at + s]! += placeLikelihood(good, sectors, codes[s * PLACES + head * 3 + zone]!, zone, c, wide)
    return (this.known[side * CASES + c] = at)
  }

  /** Takes so many places, all zero. @returns the first of them */
  private room(count: number): number {
    const at = this.used
    this.used += count
    if (this.used > this.values.length) {
      const more = new Float64Array(2 * this.values.length)
      more.set(this.values)
      this.values = more
    }
    return at
  }
}
