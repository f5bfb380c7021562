import { median } from '../../base/numbers'
import type { PulseTrain } from './pulse-train'

/** Marks closer to even than this, as a share of their spacing, need no evening out before cleaning. */
const EVEN_ENOUGH = 0.15
/** Turns that show the pattern. */
const ENOUGH_TURNS = 60

/**
 * Moves coarsely uneven marks (two bits of tape at a third of a turn, say) to where even ones would be, so that
 * a short interval is not taken for an extra pulse. The whole turn keeps its length.
 * @returns the same train where marks are even enough already or follow no pattern of `pulses` marks
 */
export function evenOutMarks(train: PulseTrain, pulses: number): PulseTrain {
  const { starts } = train
  if (pulses < 2 || starts.length < 3 * pulses + 1) return train
  const byPlace: number[][] = Array.from({ length: pulses }, () => [])
  for (let i = 0; i + 1 < Math.min(starts.length, ENOUGH_TURNS * pulses); i++)
    byPlace[i % pulses]!.push(starts[i + 1]! - starts[i]!)
  const usual = byPlace.map(median)
  const turn = usual.reduce((a, b) => a + b, 0)
  if (usual.every(u => Math.abs((u * pulses) / turn - 1) <= EVEN_ENOUGH)) return train
  let kept = 0
  for (let i = 0; i + 1 < starts.length; i++) {
    if (Math.abs((starts[i + 1]! - starts[i]!) / usual[i % pulses]! - 1) < EVEN_ENOUGH) kept++
  }
  if (kept < 0.8 * (starts.length - 1)) return train
  const shift = [0]
  for (let p = 0; p + 1 < pulses; p++) shift.push(shift[p]! + usual[p]! - turn / pulses)
  return { starts: starts.map((t, i) => t - shift[i % pulses]!), gaps: train.gaps }
}
