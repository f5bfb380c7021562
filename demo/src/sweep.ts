import { contextOf, judgeSweep, positionsOf } from '@wobrin/core/instruments/alignment'
import { usualHalfWindowUm } from '@wobrin/core/calculators/alignment'
import type { MechanismId } from '@wobrin/core/drives'
import { AdjustingHand, DRIVE_STORIES, SimulatedDrive, STORY_SEED } from '@wobrin/core/simulator'
import type { SweepEntryData } from '@wobrin/core/log'

const SCALE = { scale: 'marks', travel: [-10, 10] as const, stood: 0 }
const MOST = 15

/**
 * A hand that follows the advice at an adjuster of the stand-in, until the middle is known. What it says is worked
 * out where it is kept.
 */
export function sweepByAdvice(
  mechanism: MechanismId,
  story: string,
  adjuster: 'upper' | 'lower' | 'stepper',
): Omit<SweepEntryData, 'type' | 'disk'> & { readonly simulated: true } {
  const umPerUnit = Math.round((2 * usualHalfWindowUm(mechanism)) / 7)
  const hand = new AdjustingHand(
    new SimulatedDrive(DRIVE_STORIES.find(s => s.id === story)!.of(mechanism, STORY_SEED)),
    adjuster,
    umPerUnit,
  )
  hand.seek(40)
  const sweep = {
    adjuster,
    ...SCALE,
    umPerUnit,
    rows: [] as SweepEntryData['rows'],
    setTo: null,
    recheck: null,
    simulated: true as const,
  }
  for (let next: number | null = 0; next !== null && sweep.rows.length < MOST;) {
    const position = Number(next.toPrecision(3))
    hand.set(position)
    sweep.rows = [
      ...sweep.rows,
      {
        position,
        side: 'below',
        lower: hand.read(adjuster === 'upper' ? 1 : 0),
        upper: adjuster === 'stepper' ? hand.read(1) : null,
        struck: false,
      },
    ]
    next = judgeSweep(positionsOf(sweep), contextOf(sweep, mechanism)).tryNext
  }
  return sweep
}
