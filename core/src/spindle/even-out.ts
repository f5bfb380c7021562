import { median } from '../numbers'
import type { PulseTrain } from './pulse-train'

/** Marks closer to even than this, as a share of their spacing, need no evening out before cleaning. */
const EVEN_ENOUGH = 0.15

/**
 * Moves coarsely uneven marks (two bits of tape at a third of a turn, say) to where even ones would be, so that
 * a short interval is not taken for an extra pulse. The whole turn keeps its length.
 * @returns the same train where marks are even enough already or follow no pattern of `pulses` marks
 */
export function evenOutMarks(train: PulseTrain, pulses: number): PulseTrain {
  const { starts } = train
  if (pulses < 2 || starts.length < 3 * pulses + 1) return train
  const byPlace: number[][] = Array.from({ length: pulses }, () => [])
  for (let i = 0; i + 1 < starts.length; i++) byPlace[i % pulses].push(starts[i + 1] - starts[i])
  const usual = byPlace.map(median)
  const turn = usual.reduce((a, b) => a + b, 0)
  const uneven = usual.some(u => Math.abs(u * pulses / turn - 1) > EVEN_ENOUGH)
  const kept = byPlace.flatMap((list, p) => list.filter(d => Math.abs(d / usual[p] - 1) < EVEN_ENOUGH)).length
  if (!uneven || kept < 0.8 * (starts.length - 1)) return train
  const shift = [0]
  for (let p = 0; p + 1 < pulses; p++) shift.push(shift[p] + usual[p] - turn / pulses)
  return { starts: starts.map((t, i) => t - shift[i % pulses]), gaps: train.gaps }
}
