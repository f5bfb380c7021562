import {
  LAYOUTS,
  layoutsOf,
  pitchUm,
  pulseShare,
  radiusMm,
  rpmAt,
  RECORDING_GEOMETRY,
  SOUND_NOISE,
  type MechanismId,
} from '../../drives'
import { expectedReading, expectedSlips, layCells, sectorReads, viewOf, type LaidTrack } from '../../signals/head'
import { writeTrack, type SectorToWrite } from '../../signals/codes'

/** What a head meets that stands off its track, or off the disk, or is weak. */
export interface Standing {
  /** Off the middle of its track, µm; the sign is the way. */
  readonly offsetUm: number
  readonly cylinder: number
  readonly head?: 0 | 1
  /** Between head and disk, µm: dirt, a lifted arm. */
  readonly spacingUm?: number
  /** Azimuth against the one that wrote, minutes of arc. */
  readonly azimuthMin?: number
  /** Signal of head and disk, share of good ones. */
  readonly amplitude?: number
  readonly noise?: number
  /** Width of the track as written, µm, where another head wrote it. */
  readonly writtenUm?: number
  readonly layout?: string
}

export interface OffsetCost {
  /** Share of the full signal left of its own track, and found of the next one. */
  readonly signal: number
  /** Timing margin left, share of half the window. */
  readonly margin: number
  /** Share of the sectors that can be expected to fail. */
  readonly failing: number
  /** Whether the neighbour is the stronger one by now: its headers are read. */
  readonly neighbourWins: boolean
}

/** Content of tracks that are only reckoned with: any well-mixed bytes do. */
function mixed(count: number): Uint8Array {
  let x = 1
  return Uint8Array.from({ length: count }, () => (x = (Math.imul(x, 1103515245) + 12345) >>> 0) >>> 16)
}

const laid = new Map<string, LaidTrack>()
const MOST_LAID = 400

function trackOf(mechanism: MechanismId, layout: string, cylinder: number, head: 0 | 1): LaidTrack {
  const key = `${mechanism} ${layout} ${cylinder} ${head}`
  const known = laid.get(key)
  if (known) return known
  const { formatOf, sectorsOf, bytes, firstId } = LAYOUTS[layout]!
  const format = formatOf(cylinder)
  const data = mixed(bytes)
  const sectors: SectorToWrite[] = Array.from({ length: sectorsOf(cylinder) }, (_, i) => ({
    cylinder,
    head,
    sector: firstId + i,
    data,
  }))
  const track = layCells(
    writeTrack(format, sectors, 60 / rpmAt(LAYOUTS[layout]!, cylinder)),
    cylinder,
    format,
    2 * Math.PI * radiusMm(mechanism, cylinder, head) * 1000,
    RECORDING_GEOMETRY[mechanism]!.pulseUm.value * pulseShare(mechanism, layout),
    0,
  )
  if (laid.size >= MOST_LAID) laid.clear()
  laid.set(key, track)
  return track
}

/** Whether the cost of an offset can be worked out for a class: it has tracks, and a usual layout. */
export const hasOffsetCost = (mechanism: MechanismId): boolean =>
  layoutsOf(mechanism).length > 0 && RECORDING_GEOMETRY[mechanism] !== undefined

/**
 * What it costs a head to stand off its track: signal by the overlap of head and track, spacing and azimuth losses
 * by the published
 * formulas, jitter by noise over signal and by the neighbour, against the window of the code at that radius. The
 * simulated drive draws
 * from the same functions; this works the result out.
 * @example offsetCost('3.5in', { offsetUm: 0, cylinder: 79 }).failing // 0.000
 */
export function offsetCost(mechanism: MechanismId, at: Standing): OffsetCost {
  const { view, track, noise, transitions } = under(mechanism, at)
  if (!view) return { signal: 0, margin: 0, failing: 1, neighbourWins: false }
  if (view.track !== track) return { signal: view.signal, margin: 0, failing: 1, neighbourWins: true }
  const { margin, slips } = expectedReading(view, noise)
  return {
    signal: view.signal,
    margin: Math.max(0, margin),
    failing: 1 - sectorReads(slips, transitions),
    neighbourWins: false,
  }
}

/** {@link OffsetCost.failing} alone: where it has to be looked for, that is quicker by far. */
export function failingAt(mechanism: MechanismId, at: Standing): number {
  const { view, track, noise, transitions } = under(mechanism, at)
  return view?.track === track ? 1 - sectorReads(expectedSlips(view, noise), transitions) : 1
}

/** What a head that stands somewhere has under it, and transitions of a sector there. */
function under(mechanism: MechanismId, at: Standing) {
  const {
    head = 0,
    spacingUm = 0,
    azimuthMin = 0,
    amplitude = 1,
    noise = SOUND_NOISE.value,
    layout = layoutsOf(mechanism)[0]!,
  } = at
  const { trackUm } = RECORDING_GEOMETRY[mechanism]!
  const { cylinders, bytes, sectorsOf } = LAYOUTS[layout]!
  const cylinder = Math.max(0, Math.min(cylinders - 1, at.cylinder))
  const track = trackOf(mechanism, layout, cylinder, head)
  const state = {
    offUm: at.offsetUm,
    azimuthMin,
    spacingUm,
    amplitude,
    noise,
    headUm: trackUm.value,
    trackUm: at.writtenUm ?? trackUm.value,
    pitchUm: pitchUm(mechanism),
  }
  const neighbour = trackOf(
    mechanism,
    layout,
    Math.max(0, Math.min(cylinders - 1, cylinder + (Math.sign(at.offsetUm) || 1))),
    head,
  )
  const transitions =
    (track.at.length / sectorsOf(cylinder)) * Math.min(1, ((bytes + 20) * 8 * 2 * sectorsOf(cylinder)) / track.cells)
  const view = viewOf(track, Math.abs(at.offsetUm) > 1 && neighbour !== track ? neighbour : null, state)
  return { view, track, noise, transitions }
}

const usual = new Map<MechanismId, number>()

/** Half the width of the window of a sound drive of a class at its outermost cylinder, µm: worked out once. */
export function usualHalfWindowUm(mechanism: MechanismId): number {
  let half = usual.get(mechanism)
  if (half === undefined) usual.set(mechanism, (half = halfWindowUm(mechanism, { cylinder: 0 })))
  return half
}

/** Offset at which half of the sectors fail, µm: half the width of the window in which a head reads. */
export function halfWindowUm(mechanism: MechanismId, at: Omit<Standing, 'offsetUm'>): number {
  let [low, high] = [0, pitchUm(mechanism)]
  if (failingAt(mechanism, { ...at, offsetUm: 0 }) > 0.5) return 0
  for (let i = 0; i < 24; i++) {
    const middle = (low + high) / 2
    if (failingAt(mechanism, { ...at, offsetUm: middle }) < 0.5) low = middle
    else high = middle
  }
  return (low + high) / 2
}
