import type { Capture } from '../../signals/captures'
import { guessSpindleChannel } from '../../signals/captures'
import { InputError } from '../../base/errors'
import { measureSpeed, type MeasureOptions } from './measure-speed'
import { pulsesFromEdges } from './pulse-train'
import { speedFromPulses, type JudgedSpeed } from './speed-from-capture'
import type { SpeedContext } from './speed-case'

/** What a live signal says now. */
export interface LiveSpeed {
  readonly channel: string
  /** Seconds since it began. */
  readonly timeS: number
  /** Speed over the last second or so, r/min; null until there are pulses. */
  readonly nowRpm: number | null
  /** Everything that was asked for, judged. */
  readonly judged: Omit<JudgedSpeed, 'channel'>
}

/** The quick reading looks back this far: short enough to follow a screwdriver. */
export const NOW_S = 1.6

/**
 * The speed of a signal that is still coming: now, and over all that the recording holds.
 * @param line channel by its name; the likeliest one where it is left out
 * @returns null while no channel carries two pulses
 * @throws InputError where there is no such channel
 */
export function liveSpeed(
  capture: Capture,
  line: string | undefined,
  options: MeasureOptions,
  context: SpeedContext,
): LiveSpeed | null {
  const chosen =
    line === undefined
      ? guessSpindleChannel(capture)
      : capture.channels.find(c => c.name.toLowerCase() === line.toLowerCase())
  if (line !== undefined && !chosen)
    throw new InputError(`there is no channel “${line}”`, capture.channels.map(c => c.name).join(', ') || 'a channel', {
      file: capture.fileName,
      field: 'line',
    })
  if (!chosen?.edges) return null
  const train = pulsesFromEdges(chosen.edges)
  if (train.starts.length < 2) return null
  const judged = speedFromPulses(train, options, context)
  const from = capture.durationS - NOW_S
  // An even number of changes is left out, so that the level before the first one stays what it was.
  const at = chosen.edges.times.findIndex(t => t >= from)
  const skip = at < 0 ? chosen.edges.times.length : at - (at % 2)
  const late = pulsesFromEdges({
    initial: chosen.edges.initial,
    times: chosen.edges.times.subarray(skip),
    gaps: chosen.edges.gaps.filter(g => g.toS >= from),
  })
  const quick =
    late.starts.length < 2
      ? null
      : measureSpeed(late, {
          ...options,
          nominalRpm: context.nominalRpm,
          pulsesPerTurn: options.pulsesPerTurn ?? judged.measurement?.pulsesPerTurn,
        })
  return { channel: chosen.name, timeS: capture.durationS, nowRpm: quick?.rpm.mean ?? null, judged }
}
