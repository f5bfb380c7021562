import type { Capture } from '../../signals/captures'
import { guessSpindleChannel } from '../../signals/captures'
import { InputError } from '../../base/errors'
import { lowerBound } from '../../base/numbers'
import { measureSpeed, type MeasureOptions } from './measure-speed'
import { pulsesFromEdges, type PulseTrain } from './pulse-train'
import { speedFromPulses, type JudgedSpeed } from './speed-from-capture'
import type { SpeedContext } from './speed-case'

/** What pulses that are still coming say now. */
export interface LivePulseSpeed {
  /** Speed over the last second or so, r/min; null until there are pulses. */
  readonly nowRpm: number | null
  /** Everything that was given, judged. */
  readonly judged: Omit<JudgedSpeed, 'channel'>
}

/** What a live signal says now. */
export interface LiveSpeed extends LivePulseSpeed {
  readonly channel: string
  /** Seconds since it began. */
  readonly timeS: number
  /** The pulses that it was judged by. */
  readonly pulses: PulseTrain
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
  const { nowRpm, judged } = livePulseSpeed(train, capture.durationS, options, context)
  return { channel: chosen.name, timeS: capture.durationS, nowRpm, judged, pulses: train }
}

/**
 * The speed by pulses that are still coming: now, and over all of them.
 * @param timeS the time now, on the clock of the pulses
 */
export function livePulseSpeed(
  train: PulseTrain,
  timeS: number,
  options: MeasureOptions,
  context: SpeedContext,
): LivePulseSpeed {
  const judged = speedFromPulses(train, options, context)
  const from = timeS - NOW_S
  const late = {
    starts: train.starts.subarray(lowerBound(train.starts, from)),
    gaps: train.gaps.filter(g => g.toS >= from),
  }
  const quick =
    late.starts.length < 2
      ? null
      : measureSpeed(late, {
          ...options,
          nominalRpm: context.nominalRpm,
          pulsesPerTurn: options.pulsesPerTurn ?? judged.measurement?.pulsesPerTurn,
        })
  return { nowRpm: quick?.rpm.mean ?? null, judged }
}
