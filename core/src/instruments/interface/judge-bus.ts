import { gravestOf, upperFirst, type Call, type Observation, type Point } from '../../base/observations'
import type { ShownReading } from '../../log'
import type { HeadPath } from './follow-heads'
import { fallsOf, isLow, lowShare, risesOf } from './levels'
import { LINES, STATUS_LINES, type BusLines, type LineName } from './lines'
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
    shows: shownBy(lines, path, durationS, speed),
  }
}

/** A recording of so many seconds shows whether an index comes. */
const INDEX_S = 1

function shownBy(lines: BusLines, path: HeadPath, durationS: number, speed: BusSpeed | null): ShownReading[] {
  const out: ShownReading[] = []
  const show = (key: string, value: number | string, unit = '') => out.push({ key, value, unit })
  if (speed) {
    show('speed.mean', Number(speed.rpm.toFixed(2)), 'r/min')
    show('line.index', 'right')
  } else if (lines.index && lines.motor && durationS > INDEX_S && lowShare(lines.motor, 0, durationS) > 0.9)
    show('line.index', 'still')
  if (path.homed && path.seeks.length) show('line.track-0', 'right')
  if (path.strayZeros.length) show('see.step', 'misses')
  const protect = lines['write-protect']
  if (protect) {
    const seen = statesWhileSelected(lines, protect, durationS)
    if (seen.low && seen.high) show('line.write-protect', 'right')
  }
  const motor = motorOffs(lines, durationS)
  if (motor) show('see.motor-off', motor.runsOn === undefined ? 'stops' : 'runs on')
  const changes = diskChanges(lines)
  if (changes.length) show('see.change', changes.some(c => c.unnoticed) ? 'last' : 'new')
  return out
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

/** Stretches in which the drive is or is not selected. */
function stretches(
  lines: BusLines,
  durationS: number,
  selected: boolean,
): { readonly from: number; readonly to: number }[] {
  const { select } = lines
  if (!select) return selected ? [{ from: 0, to: durationS }] : []
  const cuts = [0, ...select.times, durationS]
  return cuts
    .slice(1)
    .map((to, i) => ({ from: cuts[i]!, to }))
    .filter(s => s.to > s.from && isLow(select, s.from) === selected)
}

function statesWhileSelected(
  lines: BusLines,
  line: NonNullable<BusLines[LineName]>,
  durationS: number,
): { readonly low: boolean; readonly high: boolean } {
  const shares = stretches(lines, durationS, true).map(s => lowShare(line, s.from + 1e-4, s.to))
  return { low: shares.some(s => s > 0.001), high: shares.some(s => s < 0.999) }
}

/** Share of the time without select in which a status line is low all the same. */
function ungatedShare(lines: BusLines, line: LineName, durationS: number): number {
  const off = stretches(lines, durationS, false).filter(s => s.to - s.from > 1e-3)
  const total = off.reduce((n, s) => n + s.to - s.from, 0)
  // The output stage takes a moment to let go.
  return total > 0.01
    ? off.reduce((n, s) => n + lowShare(lines[line]!, s.from + 5e-4, s.to) * (s.to - s.from), 0) / total
    : 0
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

/** Times at which the motor was told to stop and the recording went on; whether it ran on all the same. */
function motorOffs({ motor, index }: BusLines, durationS: number): { readonly runsOn: number | undefined } | null {
  if (!motor || !index) return null
  const off = [...risesOf(motor)].filter(t => durationS - t > 12 && isLow(motor, t - 1e-6))
  const runsOn = off.find(t => !fallsOf(motor).some(x => x > t) && fallsOf(index).some(x => x > t + 10))
  return off.length ? { runsOn } : null
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

/** Pauses of the index in which a disk may have been changed, and whether the change line told it. */
function diskChanges(lines: BusLines): { readonly from: number; readonly to: number; readonly unnoticed: boolean }[] {
  const { select, index, motor } = lines
  const change = lines['disk-change']
  if (!change || !index) return []
  const marks = fallsOf(index)
  const selected = (t: number) => !select || isLow(select, t)
  return [...marks]
    .slice(1)
    .flatMap((t, i) =>
      t - marks[i]! > 1 && selected(marks[i]! + 0.9) && selected(t) && (!motor || isLow(motor, t - 0.9))
        ? [{ from: marks[i]!, to: t, unnoticed: lowShare(change, marks[i]!, t + 0.2) === 0 }]
        : [],
    )
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
