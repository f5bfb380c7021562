import { guessSpindleChannel, type Capture, type CaptureChannel } from '../../signals/captures'
import { InputError } from '../../base/errors'
import { findMechanism } from '../../drives'
import { judgeSpeed, type SpeedVerdict } from './judge-speed'
import { measureSpeed, type MeasureOptions, type SpeedMeasurement } from './measure-speed'
import { pulsesFromEdges, type PulseTrain } from './pulse-train'
import { speedUncertainty } from './report'
import type { SpeedContext } from './speed-case'
import { learnTrimmer } from './trimmer'

export interface CaptureSpeedOptions extends Omit<MeasureOptions, 'nominalRpm'> {
  /** Channel by name; guessed where not given. */
  readonly channel?: string
}

export interface JudgedSpeed {
  readonly channel: string
  readonly measurement: SpeedMeasurement | null
  readonly verdict: SpeedVerdict
}

function chooseChannel(capture: Capture, name: string | undefined): CaptureChannel {
  const file = capture.fileName
  if (name !== undefined) {
    const found =
      capture.channels.find(c => c.name === name) ??
      capture.channels.find(c => c.name.toLowerCase() === name.toLowerCase())
    if (!found) {
      throw new InputError(
        `there is no channel "${name}"`,
        `one of ${capture.channels.map(c => c.name).join(', ') || 'none at all'}`,
        { file, field: 'channel' },
      )
    }
    return found
  }
  const guess = guessSpindleChannel(capture)
  if (!guess)
    throw new InputError('no channel changes its level', 'at least two pulses on one of the channels', { file })
  return guess
}

/** The reading in hand teaches about the trimmer too, so it is added before the call is made. */
function withTrimmer(m: SpeedMeasurement | null, context: SpeedContext): SpeedContext {
  if (context.trimmer || !m || !context.readingsBefore?.length) return context
  const reading = {
    rpm: m.rpm.mean,
    uncertainty: speedUncertainty(m) ?? m.rpm.mean * 0.005,
    movedTurns: context.movedTurns ?? 0,
  }
  return { ...context, trimmer: learnTrimmer([...context.readingsBefore, reading]) }
}

/** Measures and judges a train of pulses: the one way that files, live pickups and the command line all take. */
export function speedFromPulses(
  train: PulseTrain,
  options: MeasureOptions,
  context: SpeedContext,
): Omit<JudgedSpeed, 'channel'> {
  const { nominal, zones } = findMechanism(context.mechanism).speed
  const nominalRpm = context.nominalRpm ?? nominal[0]!.value
  const measurement = measureSpeed(train, { nominalRpm, alsoRpm: zones?.map(z => z.rpm), ...options })
  return { measurement, verdict: judgeSpeed(measurement, withTrimmer(measurement, context)) }
}

/**
 * Measures and judges the spindle speed in a capture.
 * @throws InputError where the channel is missing, carries no edges, or far too many
 */
export function speedFromCapture(capture: Capture, options: CaptureSpeedOptions, context: SpeedContext): JudgedSpeed {
  const channel = chooseChannel(capture, options.channel)
  const where = { file: capture.fileName, field: `channel ${channel.name}` }
  if (!channel.edges)
    throw new InputError(
      `it changes ${channel.edgeCount} times`,
      'a few pulses a revolution; choose another channel',
      where,
    )
  const train = pulsesFromEdges(channel.edges)
  if (train.starts.length < 2)
    throw new InputError(
      train.starts.length === 0 ? 'it never changes its level' : 'it carries a single pulse',
      'at least two pulses',
      where,
    )
  return { channel: channel.name, ...speedFromPulses(train, options, context) }
}
