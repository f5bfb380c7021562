import { gravestOf, upperFirst, type Call, type Observation, type Point } from '../../base/observations'
import type { ShownReading } from '../../log'
import type { HeadPath } from './follow-heads'
import { diskChanges } from './disk-changes'
import { fallsOf, isLow, lowShare } from './levels'
import { LINES, STATUS_LINES, type BusLines, type LineName } from './lines'
import { statesWhileSelected, ungatedShare } from './selection'
import { motorOffs, shownByLines } from './shown-by-lines'
import { busSpeed, busTimings, type BusSpeed, type BusTimings } from './timings'

export interface BusJudgement {
  readonly call: Call
  readonly points: readonly Point[]
  readonly observations: readonly Observation[]
  readonly speed: BusSpeed | null
  readonly timings: BusTimings
  /** What the lines show, as readings: speed, track zero, motor, change latch, write protect. */
  readonly shows: readonly ShownReading[]
}

/** What the interface lines of a recording say of the drive, without looking at what was read. */
export function judgeBus(lines: BusLines, path: HeadPath, durationS: number): BusJudgement {
  const speed = busSpeed(lines)
  const timings = busTimings(lines, path)
  const points = [
    ...selectPoints(lines, durationS),
    ...headPoints(path),
    ...indexPoints(lines, speed, durationS),
    ...motorPoints(lines, durationS),
    ...changePoints(lines, durationS),
  ]
  const observations = observe(lines, path, durationS, speed, timings)
  return {
    call: gravestOf(points, {
      kind: 'leave',
      reasons: ['The lines do what they should.'],
      next: 'Look at what was read.',
    }),
    points,
    observations,
    speed,
    timings,
    shows: shownByLines(lines, path, durationS, speed),
  }
}

function observe(
  lines: BusLines,
  path: HeadPath,
  durationS: number,
  speed: BusSpeed | null,
  t: BusTimings,
): Observation[] {
  const out: Observation[] = []
  const num = (
    key: string,
    label: string,
    value: number,
    unit: string,
    digits: number,
    how: string,
    uncertainty?: number | null,
  ) =>
    out.push({ key, label, value: Number(value.toFixed(digits)), unit, how, ...(uncertainty ? { uncertainty } : {}) })
  if (lines.step)
    num(
      'bus.steps',
      'Steps',
      path.moves.length,
      '',
      0,
      `${path.seeks.length} ${path.seeks.length === 1 ? 'seek' : 'seeks'}`,
    )
  if (t.stepMs)
    num(
      'bus.step-rate',
      'Step rate',
      t.stepMs.fastest,
      'ms',
      2,
      `fastest seek; usual ${t.stepMs.usual.toFixed(2)} ms a step`,
    )
  if (t.refusedSteps) num('bus.refused', 'Steps below zero refused', t.refusedSteps, '', 0, 'outward at track zero')
  if (speed) {
    num('bus.turn', 'Turn', 60_000 / speed.rpm, 'ms', 3, `${speed.turns} revolutions by the index`)
    num('bus.speed', 'Speed', speed.rpm, 'r/min', 2, 'by the index line', speed.uncertainty)
    if (speed.indexWidthMs !== null) num('bus.index-width', 'Index pulse', speed.indexWidthMs, 'ms', 2, 'middle of all')
  }
  if (t.motorStartMs !== null)
    num('bus.motor-start', 'Motor start', t.motorStartMs, 'ms', 0, 'from MOTOR to a steady turn')
  for (const [key, label, z] of [
    ['bus.zero-approach', 'Track zero on approach', t.zeroOnApproach],
    ['bus.zero-departure', 'Track zero on departure', t.zeroOnDeparture],
  ] as const)
    if (z) num(key, label, z.afterStepMs, 'ms', 2, `after the step to cylinder ${z.cylinder}`)
  const protect = lines['write-protect']
  if (protect) {
    const seen = statesWhileSelected(lines, protect, durationS)
    out.push({
      key: 'bus.write-protect',
      label: 'Write protect',
      value:
        seen.low && seen.high ? 'both states seen' : seen.low ? 'only protected seen' : 'only open to writing seen',
      unit: '',
      how: 'while selected',
    })
  }
  for (const line of STATUS_LINES) {
    const open = lines[line] && ungatedShare(lines, line, durationS)
    if (open)
      out.push({
        key: `bus.ungated.${line}`,
        label: `${LINES[line].label} without select`,
        value: Number((open * 100).toFixed(1)),
        unit: '%',
        how: 'of the time that the drive is not selected',
      })
  }
  if (out.length === 0)
    out.push({ key: 'bus.lines', label: 'Lines', value: Object.keys(lines).length, unit: '', how: 'of the recording' })
  return out
}

function selectPoints(lines: BusLines, durationS: number): Point[] {
  const points: Point[] = []
  const { select } = lines
  if (select && lowShare(select, 0, durationS) === 0)
    points.push({
      kind: 'unknown',
      says: 'The drive is never selected: its other lines are not valid.',
      next: 'Record again while the host uses it, or map another channel as select.',
    })
  const open = points.length ? [] : STATUS_LINES.filter(l => lines[l] && ungatedShare(lines, l, durationS) > 0.001)
  if (open.length)
    points.push({
      kind: 'mend',
      says: `${listed(open)} ${open.length === 1 ? 'is' : 'are'} driven though the drive is not selected.`,
      next: 'Look at the select strap first; then at the output stage of that line.',
    })
  return points
}

const listed = (lines: readonly LineName[]) => {
  const names = lines.map(l => LINES[l].label)
  const text = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : names[0]!
  return upperFirst(text)
}

function headPoints(path: HeadPath): Point[] {
  const points: Point[] = []
  if (!path.homed && path.seeks.length)
    points.push({
      kind: 'unknown',
      says: 'Track zero is never seen, so cylinders cannot be named.',
      next: 'Record a homing; where the host homes and track zero stays high, look at the sensor.',
    })
  const stray = path.strayZeros[0]
  if (stray)
    points.push({
      kind: 'mend',
      says: `Track zero is low at cylinder ${stray.cylinder}, by the step count.`,
      next: 'Steps are lost, or the sensor sticks: home slowly ten times and compare.',
    })
  const below = path.moves.find(m => m.cylinder !== null && m.cylinder < 0)
  if (below)
    points.push({
      kind: 'unknown',
      says: 'By the step count, the carriage steps outward past track zero: steps below zero are not refused, or steps are lost.',
      next: 'Listen for the carriage at its stop; home again and compare.',
    })
  return points
}

function indexPoints(lines: BusLines, speed: BusSpeed | null, durationS: number): Point[] {
  const { index } = lines
  if (!index || speed) return []
  if (durationS < 0.5)
    return [
      {
        kind: 'unknown',
        says: 'The recording is too short for the speed: three index pulses are needed.',
        next: 'Record for a second or more.',
      },
    ]
  return [
    {
      kind: 'unknown',
      says: 'No index pulse came: no disk, no motor, or no sensor.',
      next: 'Look whether the disk turns while the host waits.',
    },
  ]
}

/** Index must cease some time after the motor is told to stop. */
function motorPoints(lines: BusLines, durationS: number): Point[] {
  return motorOffs(lines, durationS)?.runsOn === undefined
    ? []
    : [
        {
          kind: 'mend',
          says: 'The motor runs on ten seconds after it was told to stop.',
          next: 'Look at the motor line’s strap and driver; a reversed data cable does this too.',
        },
      ]
}

/**
 * The change line: it must be set by the removal of a disk and cleared by a step with a disk in. A removal shows as
 * a pause of the
 * index while the motor is on.
 */
function changePoints(lines: BusLines, durationS: number): Point[] {
  const { select, step, index } = lines
  const change = lines['disk-change']
  if (!change || !index) return []
  const marks = fallsOf(index)
  const selected = (t: number) => !select || isLow(select, t)
  const points: Point[] = []
  if (diskChanges(lines).some(c => c.unnoticed))
    points.push({
      kind: 'mend',
      says: 'The change line never latches: the disk went out and came in, and the line stayed high.',
      next: 'The disk-in switch does not return: clean it, then look at its arm.',
    })
  const steps = step ? [...fallsOf(step)].filter(t => selected(t) && marks.some(m => Math.abs(m - t) < 0.5)) : []
  const after = steps.length > 1 ? Math.min(durationS, steps.at(-1)! + 0.01) : null
  if (after !== null && isLow(change, after) && selected(after))
    points.push({
      kind: 'mend',
      says: 'Disk change stays low after steps with a disk in: it is never cleared.',
      next: 'Look at the disk-in switch and the latch that a step clears.',
    })
  return points
}
