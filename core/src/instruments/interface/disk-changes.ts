import { JUST_BEFORE_S } from './follow-heads'
import { fallsOf, isLow, lowShare } from './levels'
import type { BusLines } from './lines'

/** A disk that was out for a while, as the index and the change line tell it. */
export interface DiskChange {
  /** Last index pulse before and first one after it, s. */
  readonly from: number
  readonly to: number
  /** Whether the change line said nothing of it. */
  readonly unnoticed: boolean
}

/** The index must be away for longer than this, s: no drive loses so many pulses. */
const AWAY_S = 1
/** The line stands so long after a step, s. */
const AFTER_STEP_S = 0.01

/** Pauses of the index, with select and motor on, in which a disk may have been changed. */
export function diskChanges(lines: BusLines): DiskChange[] {
  const { select, index, motor } = lines
  const change = lines['disk-change']
  if (!change || !index) return []
  const marks = fallsOf(index)
  const selected = (t: number) => !select || isLow(select, t)
  return [...marks]
    .slice(1)
    .flatMap((t, i) =>
      t - marks[i]! > AWAY_S && selected(marks[i]! + 0.9) && selected(t) && (!motor || isLow(motor, t - 0.9))
        ? [{ from: marks[i]!, to: t, unnoticed: lowShare(change, marks[i]!, t + 0.2) === 0 }]
        : [],
    )
}

/** How the change line answered to steps while a disk was out, and to the first step after it came back. */
export interface ChangeLatch {
  /** Null where no step was made meanwhile. */
  readonly withoutDisk: 'stays' | 'goes' | 'never' | null
  /** Null where the line was not low before the step, or no step was made. */
  readonly withDisk: 'goes' | 'stays' | null
}

/** What the latch of a change line did at a change of the disk. */
export function changeLatch(lines: BusLines, { from, to }: DiskChange): ChangeLatch {
  const change = lines['disk-change']!
  const steps = lines.step ? [...fallsOf(lines.step)].filter(t => !lines.select || isLow(lines.select, t)) : []
  // Which steps came before the disk was out is not known: one that came late in the pause surely was without it.
  const away = steps.filter(t => t > from + AWAY_S && t < to - AWAY_S).at(-1)
  const back = steps.find(t => t > to)
  const after = (t: number) => isLow(change, t + AFTER_STEP_S)
  const was = away !== undefined && lowShare(change, from, away) > 0
  return {
    withoutDisk: away === undefined ? null : after(away) ? 'stays' : was ? 'goes' : 'never',
    withDisk: back === undefined || !isLow(change, back - JUST_BEFORE_S) ? null : after(back) ? 'stays' : 'goes',
  }
}
