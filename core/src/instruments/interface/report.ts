import type { ShownReading, SurfaceFacts } from '../../log'
import type { Capture } from '../../signals/captures'
import { gravestOf, type Call, type Observation, type Point } from '../../base/observations'
import { CODE_IDS, diskImage, FORMATS, type DiskImage, type Format, type TrackReadOptions } from '../../signals/codes'
import type { HostDriven } from './host-driven'
import { fluxWithin, hasNoRhythm } from '../../signals/separator'
import { cuttingTracks } from './cut-tracks'
import { doubtsOf, type Doubt } from './doubts'
import { followCapture, type FollowOptions, type LineMapping } from './follow-capture'
import type { HeadPath } from './follow-heads'
import type { HardSectored } from './hard-sectored'
import { intervalPicture, type IntervalPicture } from './intervals'
import { judgeBus } from './judge-bus'
import type { HeadSummary, SurfaceContext } from './judge-surface'
import { settlingOf, type Settling } from './settling'
import type { BusSpeed, BusTimings } from './timings'
import { speedByCylinder, type SpeedByCylinder } from './speed-by-cylinder'
import { surfaceOfRaw } from './surface'
import { totalsOf, type Naming, type RawTrack, type Totals, type TrackReading } from './track-reading'

export interface BusOptions extends FollowOptions {
  /** Codes to try; all that are known otherwise. */
  readonly code?: Format['code'] | 'auto'
  readonly separator?: TrackReadOptions
  readonly context?: SurfaceContext
}

/** Everything that a recording of the interface says. */
export interface BusReport {
  readonly call: Call
  readonly doubts: readonly Doubt[]
  readonly mapping: LineMapping
  /** How the host drives it where it has no step, track-zero and index lines of its own. */
  readonly hostDriven: HostDriven | null
  readonly durationS: number
  readonly speed: BusSpeed | null
  readonly timings: BusTimings & { readonly settling: Settling | null }
  /** What each sector of a hard-sectored disk holds; null for any other disk. */
  readonly hardSectored: HardSectored | null
  /** Speed against cylinder; null where too few cylinders tell it. */
  readonly speeds: SpeedByCylinder | null
  readonly path: HeadPath
  readonly naming: Naming
  readonly tracks: readonly TrackReading[]
  readonly heads: readonly HeadSummary[]
  /** What the surface says beside its tracks. */
  readonly facts: SurfaceFacts
  readonly totals: Totals
  readonly observations: readonly Observation[]
  /** What the lines show, as readings. */
  readonly shows: readonly ShownReading[]
  /** Spacings of the transitions where no code was recognised in them. */
  readonly unknown: IntervalPicture | null
  readonly notices: readonly string[]
}

/** Changes that a read line may have: a whole disk of two turns a track has about 22 million. */
export const MOST_EDGES = 60_000_000

const formatsOf = (code: BusOptions['code']) =>
  code === undefined || code === 'auto' ? undefined : FORMATS.filter(f => f.code === code)

/** Progress of {@link reportingBus}: the track just read, of how many. */
export interface BusProgress {
  readonly done: number
  readonly all: number
  readonly track: RawTrack
}

/** Judges a recording; yields after each track, so that a worker can tell how far it is and listen for a stop. */
export function* reportingBus(capture: Capture, options: BusOptions = {}): Generator<BusProgress, BusReport> {
  const { mapping, hostDriven, recorded, lines, hard, path } = followCapture(capture, options)
  const others = capture.channels.filter(c => !Object.values(mapping).includes(c.name))
  const doubts = doubtsOf(recorded, capture, others)
  const raw: RawTrack[] = []
  for (const step of cuttingTracks(lines, path, { formats: formatsOf(options.code), separator: options.separator })) {
    raw.push(step.track)
    yield step
  }
  // Without both lines the count says nothing of home.
  const judged = surfaceOfRaw(
    raw,
    lines.step && lines['track-0'] ? options.context : { ...options.context, homeOff: 0 },
    lines.side !== undefined || raw.length === 0,
  )
  const { naming, tracks } = judged
  const bus = judgeBus(lines, path, capture.durationS)
  const surface = tracks.length ? judged : null
  const speeds = speedByCylinder(raw)
  const busy = raw.filter(t => t.transitions > 2000)
  const mute = tracks.every(t => t.sectors.length === 0)
  const strange = mute ? [...busy].sort((a, b) => b.transitions - a.transitions)[0] : undefined
  const doubtful = (...kinds: readonly Doubt['kind'][]): Point[] =>
    doubts.filter(d => kinds.includes(d.kind)).map(d => ({ kind: 'unknown', says: d.says, next: d.next }))
  // What is mapped or recorded the wrong way round says nothing else.
  const upset = doubtful('inverted', 'swapped')
  const points: Point[] = upset.length
    ? upset
    : [
        ...doubtful('undersampled', 'two selected'),
        ...bus.points,
        ...speedPoints(speeds),
        ...namingPoints(naming, tracks),
        ...(strange ? [strangePoint(strange)] : []),
        ...(surface && !mute && surface.call.kind !== 'leave' ? pointsOf(surface.call) : []),
      ]
  const rest: Call =
    surface && !mute
      ? { ...surface.call, reasons: ['The lines do what they should.', ...surface.call.reasons] }
      : bus.call
  return {
    call: gravestOf(points, rest),
    doubts,
    mapping,
    hostDriven,
    durationS: capture.durationS,
    speed: bus.speed,
    timings: { ...bus.timings, settling: settlingOf(lines, path, raw) },
    hardSectored: hard?.read ?? null,
    speeds,
    path,
    naming,
    tracks,
    heads: surface?.heads ?? [],
    facts: judged.facts,
    totals: totalsOf(tracks),
    shows: bus.shows,
    observations: [...bus.observations, ...(mute ? [] : (surface?.observations ?? []))],
    unknown:
      strange && lines['read-data']
        ? intervalPicture(fluxWithin(lines['read-data'], strange.fromS, strange.toS))
        : null,
    notices: capture.notices,
  }
}

/** The same in one go. */
export function reportBus(capture: Capture, options: BusOptions = {}, onTrack?: (p: BusProgress) => void): BusReport {
  const run = reportingBus(capture, options)
  for (;;) {
    const step = run.next()
    if (step.done) return step.value
    onTrack?.(step.value)
  }
}

/** A busy read line in which no code was recognised. */
function strangePoint({ sample }: RawTrack): Point {
  return hasNoRhythm(sample)
    ? {
        kind: 'unknown',
        says: 'The read line is busy, but its pulses have no rhythm: noise, as from a blank disk, a dead head or an open head plug.',
        next: 'Read a disk that another drive reads; where it is the same, measure the coils of the heads at their plug.',
      }
    : {
        kind: 'unknown',
        says: 'The read line is busy, but in no code that is known.',
        next: 'Look at the spacings of its pulses, or choose a code by hand.',
      }
}

/** Where the speed goes with the cylinder, what is wrong with it. */
const speedPoints = (speeds: SpeedByCylinder | null): Point[] =>
  speeds?.zoned && speeds.call.kind !== 'leave' ? pointsOf(speeds.call) : []

/** Each reason of a call as a point of its own. */
const pointsOf = ({ kind, reasons, next }: Call): Point[] => reasons.map(says => ({ kind, says, next }))

function namingPoints(naming: Naming, tracks: readonly TrackReading[]): Point[] {
  if (naming.stepsPerCylinder === 2)
    return [
      {
        kind: 'unknown',
        says: 'The disk has half as many tracks as the drive: double stepping is used.',
        next: 'Judge margins with care: a narrow head on wide tracks reads well; what it writes may not read elsewhere.',
      },
    ]
  if (naming.offset === 0 || tracks.length < 2) return []
  const by = Math.abs(naming.offset)
  return [
    {
      kind: 'nudge',
      says: `Headers everywhere name ${by} ${by === 1 ? 'cylinder' : 'cylinders'} ${naming.offset > 0 ? 'more' : 'less'} than the step count: the sensor trips ${by === 1 ? 'one cylinder' : `${by} cylinders`} ${naming.offset > 0 ? 'early' : 'late'}, or steps were lost.`,
      next: 'Home and count again; if it stays, the track-zero sensor is off, or the drive that wrote the disk.',
    },
  ]
}

/** The flat image of what was read. */
export const imageOf = (tracks: readonly TrackReading[]): DiskImage =>
  diskImage(
    tracks.flatMap(t =>
      t.sectors
        .filter(s => s.state !== 'foreign')
        .map(s => ({ cylinder: t.cylinder, head: t.head, id: s.id, bytes: s.bytes, state: s.state, data: s.data })),
    ),
  )

/** Tracks and their margins as a table for a CSV file. */
export const marginsTable = (
  tracks: readonly TrackReading[],
): { readonly columns: readonly string[]; readonly rows: readonly (readonly (string | number)[])[] } => ({
  columns: [
    'cylinder',
    'head',
    'code',
    'rate',
    'turns',
    'good',
    'bad',
    'missing',
    'foreign',
    'margin_percent',
    'peak_shift_percent',
    'rate_off_percent',
  ],
  rows: tracks.map(t => {
    const n = totalsOf([t])
    return [
      t.cylinder,
      t.head,
      t.format?.code ?? '',
      t.format?.rate ?? '',
      t.turns,
      n.good,
      n.bad,
      n.missing,
      n.foreign,
      t.margin === null ? '' : (t.margin * 100).toFixed(1),
      (t.shift * 100).toFixed(1),
      t.rateOff === null ? '' : (t.rateOff * 100).toFixed(2),
    ]
  }),
})

/** The report as plain JSON: data of sectors left out, margins in percent. */
export function reportJson(r: BusReport): Record<string, unknown> {
  const percent = (x: number | null) => (x === null ? null : Number((x * 100).toFixed(1)))
  return {
    call: r.call.kind,
    reasons: r.call.reasons,
    next: r.call.next,
    lines: r.mapping,
    ...(r.hardSectored ? { hardSectors: r.hardSectored } : {}),
    ...(r.hostDriven ? { hostDriven: r.hostDriven } : {}),
    durationS: r.durationS,
    speed: r.speed,
    ...(r.speeds ? { speedByCylinder: { zoned: r.speeds.zoned, call: r.speeds.call.kind, rows: r.speeds.rows } } : {}),
    timings: r.timings,
    doubts: r.doubts,
    notices: r.notices,
    seeks: r.path.seeks,
    homed: r.path.homed,
    observations: r.observations,
    tracks: r.tracks.map(t => ({
      cylinder: t.cylinder,
      head: t.head,
      code: t.format ? CODE_IDS[t.format.code] : null,
      rate: t.format?.rate ?? null,
      turns: t.turns,
      marginPercent: percent(t.margin),
      peakShiftPercent: percent(t.shift),
      asymmetryPercent: percent(t.asymmetry),
      rateOffPercent: t.rateOff === null ? null : Number((t.rateOff * 100).toFixed(2)),
      missing: t.sectors.filter(s => s.state === 'missing').map(s => s.id),
      sectors: t.sectors
        .filter(s => s.state !== 'missing')
        .map(s => ({
          id: s.id,
          bytes: s.bytes,
          state: s.state,
          marginPercent: percent(s.margin),
          names: s.names,
          whole: s.whole,
          seen: s.seen,
          weakBytes: s.weakBytes,
        })),
    })),
    totals: r.totals,
    intervals: r.unknown,
  }
}
