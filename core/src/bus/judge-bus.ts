import type { Call, Observation } from '../observations'
import { gravestOf, type Point } from '../sums'
import type { HeadPath } from './follow-heads'
import { fallsOf, isLow, lowShare } from './levels'
import type { BusLines } from './lines'

/** What the interface lines of a recording say of the drive, without looking at what was read. */
export function judgeBus(lines: BusLines, path: HeadPath, durationS: number): { readonly call: Call, readonly observations: readonly Observation[] } {
  const points: Point[] = []
  const observations: Observation[] = []
  const { select, step, index } = lines
  if (select && lowShare(select, 0, durationS) === 0) points.push({ kind: 'unknown', says: 'The drive is never selected: its other lines mean nothing.', next: 'Record again while the host uses it, or map another channel as select.' })
  if (step) {
    const refused = path.seeks.reduce((s, x) => s + x.refused, 0)
    const rates = path.seeks.map(s => s.stepMs).filter(x => x !== null)
    observations.push({ key: 'bus.steps', label: 'Steps', value: path.seeks.reduce((s, x) => s + x.steps, 0), unit: '', how: `${path.seeks.length} seeks${rates.length ? `, fastest ${Math.min(...rates).toFixed(1)} ms a step` : ''}` })
    if (refused) observations.push({ key: 'bus.refused', label: 'Steps below zero refused', value: refused, unit: '', how: 'outward at track zero' })
    if (!path.homed && path.seeks.length) points.push({ kind: 'unknown', says: 'Track zero is never seen, so cylinders cannot be named.', next: 'Record a homing; where the host homes and track zero stays high, look at the sensor.' })
    const stray = path.strayZeros[0]
    if (stray) points.push({ kind: 'mend', says: `Track zero is low at cylinder ${stray.cylinder}, by the count of steps.`, next: 'Steps are lost, or the sensor sticks: home slowly ten times and compare.' })
  }
  if (index) {
    const marks = fallsOf(index)
    if (marks.length > 1) {
      const turn = (marks.at(-1)! - marks[0]!) / (marks.length - 1)
      observations.push({ key: 'bus.turn', label: 'Turn', value: Number((turn * 1000).toFixed(3)), unit: 'ms', how: `${marks.length} index pulses` })
    }
    else points.push({ kind: 'unknown', says: 'No index pulse came: no disk, no motor, or no sensor.', next: 'Look whether the disk turns while the host waits.' })
  }
  points.push(...changePoints(lines, durationS))
  if (observations.length === 0) observations.push({ key: 'bus.lines', label: 'Lines', value: Object.keys(lines).length, unit: '', how: 'of the recording' })
  return { call: gravestOf(points, { kind: 'leave', reasons: ['The lines do what they should.'], next: 'Look at what was read.' }), observations }
}

/** The change line while selected: it must be cleared by a step with a disk in, for an index tells that there is one. */
function changePoints(lines: BusLines, durationS: number): Point[] {
  const { select, step, index } = lines
  const change = lines['disk-change']
  if (!change || !step || !index) return []
  const marks = fallsOf(index)
  const steps = [...fallsOf(step)].filter(t => (!select || isLow(select, t)) && marks.some(m => Math.abs(m - t) < 0.5))
  if (steps.length < 2) return []
  const last = steps.at(-1)!
  const after = Math.min(durationS, last + 0.01)
  return isLow(change, after) && (!select || isLow(select, after))
    ? [{ kind: 'mend', says: 'Disk change stays low after steps with a disk in: it is never cleared.', next: 'Look at the disk-in switch and the latch that a step clears.' }]
    : []
}
