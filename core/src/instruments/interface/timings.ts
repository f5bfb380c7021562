import { measureSpeed, pulsesFromEdges, speedUncertainty } from '../spindle'
import { mean, median } from '../../base/numbers'
import { changesUpTo, fallsOf, isLow, risesOf } from './levels'
import type { HeadPath } from './follow-heads'
import type { BusLines } from './lines'

/** Speed as the index line has it. */
export interface BusSpeed {
  readonly rpm: number
  readonly uncertainty: number | null
  readonly turns: number
  readonly indexWidthMs: number | null
}

/** Where the track-zero sensor switches, as steps from where it is low, and how long after the step. */
export interface ZeroSwitch {
  readonly cylinder: number
  readonly afterStepMs: number
}

export interface BusTimings {
  /** From MOTOR to a turn within 1 % of the last ones, ms; null where no start was recorded. */
  readonly motorStartMs: number | null
  readonly stepMs: { readonly fastest: number; readonly usual: number } | null
  readonly refusedSteps: number
  readonly zeroOnApproach: ZeroSwitch | null
  readonly zeroOnDeparture: ZeroSwitch | null
}

/** Index pulses while it was selected, if a select line is there: else the line means nothing. */
function indexMarks(lines: BusLines): Float64Array {
  const { index, select } = lines
  if (!index) return new Float64Array()
  const falls = fallsOf(index)
  return select ? falls.filter(t => isLow(select, t)) : falls
}

/** Turns that are shorter or longer than this share of the middle one span a pause or a lost pulse. */
const WHOLE_TURN = 0.3

export function busSpeed(lines: BusLines): BusSpeed | null {
  const marks = indexMarks(lines)
  if (marks.length < 3) return null
  const turns = marks.slice(1).map((t, i) => t - marks[i]!)
  const usual = median(turns.slice(-Math.min(turns.length, 40)))
  const whole = turns.filter(t => Math.abs(t / usual - 1) < WHOLE_TURN)
  if (whole.length === 0) return null
  const widths = widthsOf(lines, marks)
  const measured = measureSpeed(pulsesFromEdges(lines.index!), { nominalRpm: 60 / usual })
  // Starting and running out are no measure of the speed: where most turns agree closely, those are it.
  const close = whole.filter(t => Math.abs(t / usual - 1) < 0.01)
  const steady = close.length * 2 > whole.length ? close : whole.filter(t => Math.abs(t / usual - 1) < 0.05)
  const doubt = measured && Math.abs((measured.rpm.mean * usual) / 60 - 1) < 0.02 ? speedUncertainty(measured) : null
  return {
    rpm: 60 / mean(steady.length ? steady : whole),
    uncertainty: doubt,
    turns: whole.length,
    indexWidthMs: widths.length ? median(widths) : null,
  }
}

function widthsOf(lines: BusLines, marks: Float64Array): number[] {
  const rises = risesOf(lines.index!)
  let k = 0
  return [...marks].flatMap(t => {
    while (k < rises.length && rises[k]! <= t) k++
    return k < rises.length ? [(rises[k]! - t) * 1000] : []
  })
}

export function busTimings(lines: BusLines, path: HeadPath): BusTimings {
  const rates = path.seeks.flatMap(s => (s.stepMs === null ? [] : [s.stepMs]))
  return {
    motorStartMs: motorStart(lines),
    stepMs: rates.length ? { fastest: Math.min(...rates), usual: median(rates) } : null,
    refusedSteps: path.seeks.reduce((n, s) => n + s.refused, 0),
    ...zeroSwitches(lines, path),
  }
}

function motorStart(lines: BusLines): number | null {
  const { motor } = lines
  const marks = indexMarks(lines)
  if (!motor || marks.length < 6) return null
  for (const on of fallsOf(motor)) {
    const after = marks.filter(t => t > on)
    const before = marks.some(t => t < on && on - t < 0.5)
    if (before || after.length < 6) continue
    const turns = after.slice(1).map((t, i) => t - after[i]!)
    const goal = median(turns.slice(3, 12))
    const steady = turns.findIndex(t => Math.abs(t / goal - 1) < 0.01)
    if (steady >= 0) return (after[steady + 1]! - on) * 1000
  }
  return null
}

/** A change so soon before or after one of SELECT comes with it, s. */
const GATE_S = 1e-4

/** The step before a change of TRACK 0, and the cylinder that the count gives it. */
function zeroSwitches(lines: BusLines, path: HeadPath): Pick<BusTimings, 'zeroOnApproach' | 'zeroOnDeparture'> {
  const zero = lines['track-0']
  const { select } = lines
  const moves = path.moves.filter(m => !m.refused)
  const none = { zeroOnApproach: null, zeroOnDeparture: null }
  if (!zero || moves.length === 0) return none
  const at = (times: Float64Array, inward: boolean): ZeroSwitch | null => {
    const found: ZeroSwitch[] = []
    for (const t of times) {
      // A change that comes with SELECT is the gate's, not the sensor's.
      if (select && changesUpTo(select, t + GATE_S) > changesUpTo(select, t - GATE_S)) continue
      const before = moves.findLast(m => m.at <= t)
      if (!before || before.inward !== inward || before.cylinder === null || t - before.at > 0.05) continue
      found.push({ cylinder: before.cylinder, afterStepMs: (t - before.at) * 1000 })
    }
    return found.length
      ? { cylinder: median(found.map(f => f.cylinder)), afterStepMs: median(found.map(f => f.afterStepMs)) }
      : null
  }
  return { zeroOnApproach: at(fallsOf(zero), false), zeroOnDeparture: at(risesOf(zero), true) }
}
