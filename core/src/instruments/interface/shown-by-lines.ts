import type { ShownReading } from '../../log'
import { changeLatch, diskChanges } from './disk-changes'
import type { HeadPath } from './follow-heads'
import { fallsOf, isLow, lowShare, risesOf } from './levels'
import { STATUS_LINES, type BusLines } from './lines'
import { statesWhileSelected, stretches, ungatedShare, unselectedS } from './selection'
import type { BusSpeed } from './timings'

/** The drive must be without select for so long before its silence then says anything, s. */
const UNSELECTED_S = 0.2
/** With the motor told to run for so long, an index must have come, s. */
const INDEX_WITHIN_S = 5
/** Steps outward after which track zero must have come, wherever the heads stood: the largest carriage has 80. */
const HOME_STEPS = 90
/** A motor that is told to stop has stopped by then, s; so much more is recorded before it is judged. */
const STOPS_WITHIN_S = 10
const SURELY_S = 12
/** Outputs are let go of within this time, s. */
const LETS_GO_S = 1e-3
/** A disk that turns gives an index within this time, s. */
const TURNING_S = 1

/** What the interface lines show, as readings of a log. What they leave open is left out. */
export function shownByLines(
  lines: BusLines,
  path: HeadPath,
  durationS: number,
  speed: BusSpeed | null,
): ShownReading[] {
  const out: ShownReading[] = []
  const show = (key: string, value: number | string | null, unit = '') => {
    if (value !== null) out.push({ key, value, unit })
  }
  show('see.select', selectShown(lines, durationS))
  if (speed) {
    show('speed.mean', Number(speed.rpm.toFixed(2)), 'r/min')
    show('line.index', 'right')
  } else show('line.index', indexMissing(lines, durationS) ? 'still' : null)
  if (path.homed && path.seeks.length) show('line.track-0', 'right')
  if (lines['track-0'] && !path.homed && path.seeks.some(s => !s.inward && s.steps >= HOME_STEPS))
    show('see.home', 'never')
  if (path.strayZeros.length) show('see.step', 'misses')
  for (const line of ['write-protect', 'ready'] as const) {
    const seen = lines[line] && statesWhileSelected(lines, lines[line], durationS)
    if (seen?.low && seen.high) show(`line.${line}`, 'right')
  }
  const motor = motorOffs(lines, durationS)
  if (motor) show('see.motor-off', motor.runsOn === undefined ? 'stops' : 'runs on')
  const changes = diskChanges(lines)
  if (changes.length) show('see.change', changes.some(c => c.unnoticed) ? 'last' : 'new')
  const latches = changes.map(c => changeLatch(lines, c))
  show('change.without-disk', latches.findLast(l => l.withoutDisk)?.withoutDisk ?? null)
  show('change.with-disk', latches.findLast(l => l.withDisk)?.withDisk ?? null)
  return out
}

/** Whether the drive answers to SELECT, and to it alone. */
function selectShown(lines: BusLines, durationS: number): 'yes' | 'always' | null {
  if (!lines.select || unselectedS(lines, durationS) < UNSELECTED_S) return null
  const { index } = lines
  const falls = index ? fallsOf(index) : new Float64Array()
  const told = STATUS_LINES.filter(l => lines[l])
  // Two pulses of one stretch: a line that is stuck, or bounces at the change, is no answer. Where another line falls
  // silent with SELECT, one output is not gated, and the drive does know that it is not selected.
  if (stretches(lines, durationS, false).some(s => falls.filter(t => t > s.from && t < s.to).length > 1))
    return told.some(l => fallsSilent(lines, l)) ? null : 'always'
  if (told.some(l => ungatedShare(lines, l, durationS) > 0)) return null
  return told.some(l => statesWhileSelected(lines, lines[l]!, durationS).low) ? 'yes' : null
}

/** Whether a line that stands low is let go of when SELECT ends. */
const fallsSilent = ({ select, ...lines }: BusLines, line: (typeof STATUS_LINES)[number]): boolean =>
  line !== 'index' &&
  line !== 'read-data' &&
  [...risesOf(select!)].some(t => isLow(lines[line]!, t - LETS_GO_S) && !isLow(lines[line]!, t + LETS_GO_S))

/** Whether the motor was told to run, with the drive selected, and no index came for long. */
function indexMissing(lines: BusLines, durationS: number): boolean {
  const { index, motor } = lines
  if (!index || !motor) return false
  return stretches(lines, durationS, true).some(s => {
    const starts = [s.from, ...fallsOf(motor)].filter(t => t >= s.from && t < s.to && isLow(motor, t + 1e-6))
    return starts.some(t => t + INDEX_WITHIN_S <= s.to && lowShare(motor, t, t + INDEX_WITHIN_S) > 0.999)
  })
}

/**
 * Whether the motor stopped when it was told to; null where the recording does not say. An index that goes on says that
 * it runs on, whatever is selected; an index that is silent says that it stopped only while the drive is selected.
 */
export function motorOffs(
  { motor, index, select }: BusLines,
  durationS: number,
): { readonly runsOn: number | undefined } | null {
  if (!motor || !index) return null
  const off = [...risesOf(motor)].filter(t => durationS - t > SURELY_S && isLow(motor, t - 1e-6))
  const runsOn = off.find(t => !fallsOf(motor).some(x => x > t) && fallsOf(index).some(x => x > t + STOPS_WITHIN_S))
  const turned = (t: number) => fallsOf(index).some(x => x > t - TURNING_S && x <= t)
  const heard = off.some(t => turned(t) && (!select || lowShare(select, t, t + SURELY_S) > 0.999))
  return heard || runsOn !== undefined ? { runsOn } : null
}
