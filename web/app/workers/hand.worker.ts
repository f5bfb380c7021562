import { expose } from 'comlink'
import type { SweepPosition } from '@wobrin/core/instruments/alignment'
import { LAYOUTS, layoutsOf, type Zone, type MechanismId } from '@wobrin/core/drives'
import type { ZoneRead } from '@wobrin/core/log'
import {
  AdjustingHand,
  DRIVE_STORIES,
  Random,
  SimulatedDrive,
  STORY_SEED,
  umPerMark,
  type Adjuster,
} from '@wobrin/core/simulator'

/** How much tightening may move it, marks. */
const TIGHTENS = 0.4

let hand: AdjustingHand | null = null
let two = false
let random = new Random(1)

const heads = (adjuster: Adjuster) => ({
  lower: adjuster === 'upper' ? (1 as const) : (0 as const),
  upper: two && adjuster !== 'upper' && adjuster !== 'lower',
})

function read(position: number): SweepPosition {
  const { lower, upper } = heads(hand!.adjuster)
  return { position, lower: hand!.read(lower), upper: upper ? hand!.read(1) : null }
}

const worker = {
  /**
   * Puts a misaligned stand-in on the bench, its heads at the middle cylinder.
   * @returns what a mark moves the head by, µm, and how many heads the adjuster moves
   */
  power(
    mechanism: MechanismId,
    story: string,
    adjuster: Adjuster,
  ): { readonly umPerUnit: number; readonly heads: 1 | 2 } {
    const layout = LAYOUTS[layoutsOf(mechanism)[0]!]!
    two = layout.heads === 2
    random = new Random(STORY_SEED)
    const umPerUnit = umPerMark(mechanism)
    const chosen = DRIVE_STORIES.find(s => s.id === story) ?? DRIVE_STORIES[0]!
    hand = new AdjustingHand(new SimulatedDrive(chosen.of(mechanism, STORY_SEED)), adjuster, umPerUnit)
    hand.seek(Math.round(layout.cylinders / 2))
    return { umPerUnit, heads: heads(adjuster).upper ? 2 : 1 }
  },

  /** Sets the adjuster and reads. */
  try(position: number): SweepPosition {
    hand!.set(position)
    return read(position)
  },

  set(position: number): void {
    hand!.set(position)
  },

  /** Tightens the screw, which moves what was set, and reads outer, middle and inner. */
  tighten(): { readonly position: number; readonly zones: readonly ZoneRead[] } {
    const position = Number((hand!.position + (random.next() * 2 - 1) * TIGHTENS).toFixed(2))
    hand!.set(position)
    const { cylinders } = hand!.drive.media!.layout
    const zones = (
      [
        ['outer', 0],
        ['middle', 0.5],
        ['inner', 1],
      ] as const
    ).map(([zone, share]: readonly [Zone, number]): ZoneRead => {
      hand!.seek(Math.round(share * (cylinders - 1)))
      const { lower, upper } = read(position)
      return { zone, lower, upper }
    })
    return { position, zones }
  },
}

export type HandWorker = typeof worker

expose(worker)
