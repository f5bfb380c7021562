import { GrowableDoubles, type EdgeList } from '../../signals/captures'
import { RECORDING_GEOMETRY } from '../../drives'
import { sortNearly } from '../../base/numbers'
import {
  cellsInTurn,
  QUICK_RATE,
  quickStream,
  recogniseTrack,
  type Format,
  type QuickBlock,
  type ReadTrack,
} from '../../signals/codes'
import { edgesFromFlux } from '../../signals/separator'
import { layCells, viewOf, type LaidTrack } from '../../signals/head'
import type { Call } from '../../base/observations'
import type { CountedSectors, WriteTestResult } from '../../log'
import { QuickGauss } from '../gauss'
import { Random } from '../random'
import { SpindleModel } from '../spindle-model'
import { LineRecorder } from './line-recorder'
import { PLAIN_CHANNEL, readArc } from './read-head'

/**
 * A quick-disk drive: one spiral, a head that the spindle itself carries across it, and no stepping (all values from
 * memory).
 */
export interface QuickDiskSpec {
  readonly seed: number
  readonly rpm: number
  /** Speed of the drive that wrote the disk. */
  readonly writerRpm: number
  readonly beltRipplePercent: number
  readonly dirtUm: number
  readonly amplitude: number
  readonly noise: number
  /** Turns of the spindle in a pass. */
  readonly passTurns: number
  /** Turns after the start of the sweep at which READY goes low, and at which the first block was written. */
  readonly readyTurns: number
  readonly dataTurns: number
  /**
   * How much later in the sweep this drive starts than the one that wrote the disk, turns: an arm that is set wrong.
   */
  readonly startTurns: number
  readonly blockBytes: number
  readonly blocks: number
}

export const SOUND_QUICK_DISK: QuickDiskSpec = {
  seed: 1,
  rpm: 423,
  writerRpm: 423,
  beltRipplePercent: 0.3,
  dirtUm: 0,
  amplitude: 1,
  noise: 0.13,
  passTurns: 56,
  readyTurns: 1.2,
  dataTurns: 2.4,
  startTurns: 0,
  blockBytes: 6000,
  blocks: 9,
}

/** One sweep, as its lines have it and as it read. */
export interface QuickPass {
  readonly channels: readonly { readonly name: string; readonly edges: EdgeList }[]
  readonly durationS: number
  readonly passS: number
  readonly readyS: number
  /** From READY to the first good block; null where none was read. */
  readonly readyToDataMs: number | null
  readonly read: ReadTrack | null
  readonly wanted: number
  readonly call: Call
}

const FORMAT: Format = { code: 'quick stream', rate: QUICK_RATE }
const ARCS = 24
/** Radius of the spiral's middle, µm (from memory): what its length is reckoned by. */
const MIDDLE_UM = 24_000
const RETURN_S = 0.5

/** Blocks on a quick disk: the same seed has the same contents. */
export function quickBlocks(spec: QuickDiskSpec): QuickBlock[] {
  const random = new Random(spec.seed ^ 0x0d15)
  return Array.from({ length: spec.blocks }, (_, i) => ({
    kind: i % 2,
    data: Uint8Array.from({ length: i % 2 ? spec.blockBytes : 64 }, () => Math.floor(random.next() * 256)),
  }))
}

/** Starts the motor, lets the head sweep once and return, and reads what came past. */
export function sweepQuickDisk(spec: QuickDiskSpec): QuickPass {
  const turnS = 60 / spec.writerRpm
  const data = quickStream(quickBlocks(spec), cellsInTurn(FORMAT, (spec.passTurns - spec.dataTurns) * turnS))
  const lead = cellsInTurn(FORMAT, spec.dataTurns * turnS)
  const cells = new Uint8Array(lead + data.length)
  cells.set(data, lead)
  const pulseUm = RECORDING_GEOMETRY['quick-disk']!.pulseUm.value
  // The whole spiral is laid as one long track; a pass is its one turn.
  const track: LaidTrack = layCells(cells, 0, FORMAT, 2 * Math.PI * MIDDLE_UM * spec.passTurns, pulseUm, 0)
  const spindle = new SpindleModel({
    seed: spec.seed,
    rpm: spec.rpm,
    startS: 0.15,
    ripples: [{ cyclesPerTurn: 0.7, peakPercent: spec.beltRipplePercent }],
    wanderPercent: 0.05,
  })
  const gauss = new QuickGauss(spec.seed)
  const wide = RECORDING_GEOMETRY['quick-disk']!.trackUm.value
  const view = viewOf(track, null, {
    offUm: 0,
    azimuthMin: 0,
    spacingUm: spec.dirtUm,
    amplitude: spec.amplitude,
    noise: spec.noise,
    headUm: wide,
    trackUm: wide,
    pitchUm: 2 * wide,
  })
  const flux = new GrowableDoubles()
  const [motor, ready, media] = [new LineRecorder(), new LineRecorder(), new LineRecorder()]
  media.set(0.001, true)
  motor.set(0.002, true)
  // The clutch takes the head along once the spindle is near its speed.
  let sweepFrom: number | null = null
  let [readyS, endS, lastTurn, lastS] = [Number.NaN, Number.NaN, 0, 0]
  const marks = Array.from({ length: ARCS }, (_, i) => i / ARCS)
  for (let t = 0; t < 30 && Number.isNaN(endS); t += 0.25) {
    spindle.advanceTo(t, marks, (at, _mark, angle) => {
      if (sweepFrom === null && spindle.spinShare > 0.95) sweepFrom = angle
      if (sweepFrom !== null && Number.isNaN(endS)) {
        const swept = angle - sweepFrom + spec.startTurns
        const before = lastTurn - sweepFrom + spec.startTurns
        // The switch for READY sits on the arm; where the head then is on the disk is another matter.
        if (Number.isNaN(readyS) && angle - sweepFrom >= spec.readyTurns) {
          readyS = at
          ready.set(at, true)
        }
        if (view && before >= 0 && swept < spec.passTurns)
          readArc(
            view,
            before / spec.passTurns,
            swept / spec.passTurns,
            lastS,
            at,
            gauss,
            spec.noise,
            PLAIN_CHANNEL,
            x => {
              flux.push(x)
            },
          )
        if (swept >= spec.passTurns) {
          endS = at
          ready.set(at, false)
        }
      }
      lastTurn = angle
      lastS = at
    })
  }
  const times = sortNearly(flux.take())
  const read = times.length > 200 ? recogniseTrack(times) : null
  const first = read?.sectors.find(s => s.status === 'good')
  const durationS = endS + RETURN_S
  motor.set(durationS - 0.01, false)
  const pass = {
    passS: endS - readyS,
    readyS,
    readyToDataMs: first ? (first.atS - readyS) * 1000 : null,
    read,
    wanted: spec.blocks,
  }
  return {
    ...pass,
    durationS,
    call: judgeQuickPass(pass, spec),
    channels: [
      { name: 'MOTOR', edges: motor.edges() },
      { name: 'MEDIA', edges: media.edges() },
      { name: 'READY', edges: ready.edges() },
      { name: 'READ_DATA', edges: edgesFromFlux(times) },
    ],
  }
}

/** States of a quick-disk drive for a write test. */
export const QUICK_STORIES: readonly { readonly id: string; readonly label: string; readonly spec: QuickDiskSpec }[] = [
  { id: 'sound', label: 'A sound drive', spec: SOUND_QUICK_DISK },
  { id: 'fast', label: 'Six per cent fast', spec: { ...SOUND_QUICK_DISK, rpm: SOUND_QUICK_DISK.rpm * 1.06 } },
  { id: 'late', label: 'Its sweep starts late', spec: { ...SOUND_QUICK_DISK, startTurns: 1.2 } },
  { id: 'dirty', label: 'Head dirty', spec: { ...SOUND_QUICK_DISK, dirtUm: 3.5 } },
  { id: 'weak', label: 'Head weak', spec: { ...SOUND_QUICK_DISK, amplitude: 0.3 } },
]

/**
 * A whole side written by this drive and read back by it, three times with other bytes: what it wrote begins where
 * its own sweep begins and
 * runs at its own speed, so that neither shows. Write protect has no part in the model.
 */
export function writeQuickSide(spec: QuickDiskSpec): WriteTestResult {
  const side = (n: number): CountedSectors => {
    const { read, wanted } = sweepQuickDisk({ ...spec, seed: spec.seed + n, writerRpm: spec.rpm, startTurns: 0 })
    return { good: Math.min(wanted, read?.sectors.filter(s => s.status === 'good').length ?? 0), sectors: wanted }
  }
  const [format, pattern, overwrite] = [side(1), side(2), side(3)]
  return {
    blocked: null,
    allowed: null,
    format: [format, null],
    tracks: null,
    formatS: null,
    first: null,
    last: null,
    pattern: [pattern, null],
    overwrite: [overwrite, null],
    homeAfter: null,
  }
}

/** What one sweep says: blocks, speed by their rate, and when data begin after READY. */
export function judgeQuickPass(
  pass: Pick<QuickPass, 'read' | 'wanted' | 'readyToDataMs'>,
  nominal: {
    readonly rpm: number
    readonly readyTurns: number
    readonly dataTurns: number
    readonly writerRpm: number
  } = SOUND_QUICK_DISK,
): Call {
  const good = pass.read?.sectors.filter(s => s.status === 'good').length ?? 0
  if (!pass.read || good === 0)
    return {
      kind: 'unknown',
      reasons: ['No block was read in the whole pass.'],
      next: 'Clean the head, look at the belt, then set the speed with a disk that is known to be good.',
    }
  const off = pass.read.rateOff
  const late = pass.readyToDataMs! - ((nominal.dataTurns - nominal.readyTurns) * 60_000) / nominal.writerRpm
  if (Math.abs(off) > 0.03)
    return {
      kind: 'nudge',
      reasons: [
        `The stream comes ${Math.abs(off * 100).toFixed(1)} % ${off > 0 ? 'fast' : 'slow'}, so the pass is too ${off > 0 ? 'short' : 'long'} and what is written here may not be found again.`,
      ],
      next: 'Trim the speed first; judge the start of the data after that.',
    }
  if (Math.abs(late) > 120)
    return {
      kind: 'nudge',
      reasons: [
        `Data begin ${Math.abs(late).toFixed(0)} ms ${late > 0 ? 'later' : 'earlier'} after READY than they should: the sweep starts in the wrong place.`,
      ],
      next: 'Set where the head starts its sweep, in small moves, with the speed right.',
    }
  if (good < pass.wanted)
    return {
      kind: 'unknown',
      reasons: [`${good} of ${pass.wanted} blocks read in one pass.`],
      next: 'Sweep again; blocks that fail at the same place each time point to the disk.',
    }
  return {
    kind: 'leave',
    reasons: [
      `All ${good} blocks read in one pass, with a timing margin of ${Math.round(pass.read.margin * 100)} %; data begin ${pass.readyToDataMs!.toFixed(0)} ms after READY.`,
    ],
    next: 'Write and read back a whole side.',
  }
}
