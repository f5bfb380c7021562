import { ParameterError } from '../../base/errors'
import type { Capture } from '../../signals/captures'
import { invertLines } from './doubts'
import { followHeads, type HeadPath } from './follow-heads'
import { hardSectorsOf } from './hard-sectored'
import { translateHostDriven, type HostDriven } from './host-driven'
import { guessLines, LINE_NAMES, linesOf, type BusLines, type LineName } from './lines'

export type LineMapping = Readonly<Partial<Record<LineName, string>>>

export interface FollowOptions {
  readonly mapping?: LineMapping
  readonly inverted?: boolean
}

/** The lines of a recording, and where the heads were. */
export interface FollowedCapture {
  readonly mapping: LineMapping
  /** How the host drives it where it has no step, track-zero and index lines of its own. */
  readonly hostDriven: HostDriven | null
  /** The lines as recorded, turned over where that was asked for. */
  readonly recorded: BusLines
  /** The same with one index pulse a revolution, also on a hard-sectored disk. */
  readonly lines: BusLines
  readonly hard: ReturnType<typeof hardSectorsOf>
  readonly path: HeadPath
}

/**
 * Maps the channels of a recording to lines and follows the heads.
 * @throws ParameterError where no channel is known as a line, or one that was named is not there
 */
export function followCapture(capture: Capture, options: FollowOptions = {}): FollowedCapture {
  const translated = translateHostDriven(capture)
  const mapping = mapLines(capture, options.mapping, translated === null)
  const asRecorded = { ...translated?.lines, ...linesOf(capture, mapping) }
  const recorded: BusLines = options.inverted ? invertLines(asRecorded) : asRecorded
  const hard = hardSectorsOf(recorded)
  // One pulse a revolution: the holes of the sectors say nothing of the speed.
  const lines: BusLines = hard ? { ...recorded, index: hard.index } : recorded
  const path = knownFrom(followHeads(lines, capture.durationS), translated ? translated.knownFromS : 0)
  return { mapping, hostDriven: translated?.by ?? null, recorded, lines, hard, path }
}

/**
 * Which channel is which line: what was chosen, over what the names say.
 * @param needed whether a line must be known
 * @throws ParameterError for a line or channel that is not there
 */
export function mapLines(
  capture: Pick<Capture, 'channels' | 'fileName'>,
  chosen: LineMapping = {},
  needed = true,
): LineMapping {
  const names = capture.channels.map(c => c.name)
  for (const [line, channel] of Object.entries(chosen)) {
    if (!LINE_NAMES.includes(line as LineName))
      throw new ParameterError(`there is no line “${line}”`, LINE_NAMES.join(', '), { field: 'map' })
    if (channel !== '' && !names.includes(channel))
      throw new ParameterError(`there is no channel “${channel}”`, names.join(', '), { field: 'map' })
  }
  const taken = new Set(Object.values(chosen))
  const guessed = Object.fromEntries(
    Object.entries(guessLines(names)).filter(([line, channel]) => !(line in chosen) && !taken.has(channel)),
  )
  const mapping = Object.fromEntries(Object.entries({ ...guessed, ...chosen }).filter(([, channel]) => channel !== ''))
  if (needed && Object.keys(mapping).length === 0)
    throw new ParameterError(
      'no channel is known as a line by its name',
      `a mapping such as index=${names[0] ?? 'D0'}`,
      { file: capture.fileName, field: 'map' },
    )
  return mapping
}

/**
 * A path whose cylinders are not known before a time: what was read until then, with the motor still starting and the
 * carriage anywhere, is left out. Where home never came, all of it is kept without a cylinder.
 */
const knownFrom = (path: HeadPath, fromS: number | null): HeadPath => ({
  ...path,
  stays: fromS === null ? path.stays.map(s => ({ ...s, cylinder: null })) : path.stays.filter(s => s.toS > fromS),
})
