import { addTo } from '../../base/order'
import { InputError, ParameterError } from '../../base/errors'
import type { Capture } from '../../signals/captures'
import { recogniseTrack, softReads, type SoftRead } from '../../signals/codes'
import { fluxFromEdges, fluxWithin, type FluxTimes } from '../../signals/separator'
import {
  cuttingTracks,
  followCapture,
  namingOf,
  onDisk,
  sampleOf,
  type BusProgress,
  type FollowOptions,
  type RawTrack,
} from '../interface'
import { sectorKey, type Attempt, type AttemptFacts } from './attempt'

export interface AttemptOptions extends FollowOptions {
  /** Sectors that an earlier attempt read already: nothing needs to be put together for them. */
  readonly known?: (key: string) => boolean
}

/** Readings kept of one sector of one attempt: what more of them add is little. */
const MOST_KEPT = 16

/**
 * Reads one recording of a disk, of the interface or of the read-data line alone over one track; yields after each
 * track.
 * @throws InputError where it holds no track
 */
export function* readingAttempt(
  capture: Capture,
  facts: AttemptFacts = {},
  options: AttemptOptions = {},
): Generator<BusProgress, Attempt> {
  const followed = interfaceOf(capture, options)
  const raw: RawTrack[] = []
  let timesOf: (t: RawTrack) => FluxTimes
  if (followed) {
    for (const step of cuttingTracks(followed.lines, followed.path)) {
      raw.push(step.track)
      yield step
    }
    timesOf = t => fluxWithin(followed.lines['read-data']!, t.fromS, t.toS)
  } else {
    const { track, times } = oneTrack(capture)
    raw.push(track)
    yield { done: 1, all: 1, track }
    timesOf = () => times
  }
  const sided = followed ? followed.lines.side !== undefined : false
  return attemptOf(raw, timesOf, { ...facts, file: capture.fileName }, sided, options.known)
}

/**
 * Tracks that were read, however they came, as an attempt at the disk.
 * @param timesOf transitions of a track, s @param sided whether it is known which head read each
 */
export function attemptOf(
  raw: readonly RawTrack[],
  timesOf: (t: RawTrack) => FluxTimes,
  facts: AttemptFacts & Pick<Attempt, 'file'>,
  sided: boolean,
  known?: AttemptOptions['known'],
): Attempt {
  const naming = namingOf(raw)
  const tracks = onDisk(raw, naming, sided).map(t => ({ ...t, cylinder: t.cylinder + naming.offset }))
  return { ...facts, tracks, soft: softOf(raw, timesOf, known) }
}

/** The same in one go. */
export function readAttempt(capture: Capture, facts?: AttemptFacts, options?: AttemptOptions): Attempt {
  const run = readingAttempt(capture, facts, options)
  for (;;) {
    const step = run.next()
    if (step.done) return step.value
  }
}

/** The lines and the heads' path; null where the recording is of the read-data line alone. */
function interfaceOf(capture: Capture, options: FollowOptions) {
  try {
    const followed = followCapture(capture, options)
    return followed.lines['read-data'] && (followed.lines.step || followed.lines.side) ? followed : null
  } catch (error) {
    // Without a channel that is known by its name it may still be one track; a wrong mapping is the user's to mend.
    if (error instanceof ParameterError && !options.mapping) return null
    throw error
  }
}

/**
 * The track in the busiest channel, its pulses taken as low, and as high where no track comes of that.
 * @throws InputError where there is none
 */
function oneTrack(capture: Capture): { readonly track: RawTrack; readonly times: FluxTimes } {
  const busiest = capture.channels.filter(c => c.edges).sort((a, b) => b.edgeCount - a.edgeCount)[0]
  for (const activeLow of busiest ? [true, false] : []) {
    const times = fluxFromEdges(busiest!.edges!, activeLow)
    const read = recogniseTrack(times)
    if (!read) continue
    const stretch = { cylinder: null, head: 0, fromS: 0, toS: capture.durationS, turns: 0 } as const
    return { times, track: { ...stretch, transitions: times.length, sample: sampleOf(times), read } }
  }
  throw new InputError('no track was found in it', 'a recording of the interface, or of READ DATA over one track', {
    file: capture.fileName,
  })
}

/** Readings of the sectors that this attempt never read without error. */
function softOf(
  raw: readonly RawTrack[],
  timesOf: (t: RawTrack) => FluxTimes,
  known: (key: string) => boolean = () => false,
): Map<string, SoftRead[]> {
  const keyOf = (s: SoftRead['found']) => sectorKey(s.cylinder, s.head, s.sector, s.size)
  const whole = new Set<string>()
  for (const t of raw) for (const s of t.read?.sectors ?? []) if (s.status === 'good') whole.add(keyOf(s))
  const soft = new Map<string, SoftRead[]>()
  const wanted = (s: SoftRead['found']) =>
    s.status === 'data check failed' &&
    !whole.has(keyOf(s)) &&
    !known(keyOf(s)) &&
    (soft.get(keyOf(s))?.length ?? 0) < MOST_KEPT
  for (const t of raw) {
    if (!t.read?.sectors.some(wanted)) continue
    for (const read of softReads(timesOf(t), t.read.format, wanted)) {
      const key = keyOf(read.found)
      addTo(soft, key, read)
    }
  }
  return soft
}
