import { array, boolean, number, object, string, type InferType } from 'yup'
import { uuid } from './log-input'

/** Pulses of one message: a stream that is behind sends them in several. */
export const MOST_PULSES = 8000

const seconds = () => number().typeError('A time is a number of seconds.').min(0, 'A time is not negative.').required()

/** What a program that measures sends while the signal comes: the pulses since its message before. */
export const livePulsesSchema = object({
  /** Made by the sender when it starts. */
  stream: uuid(),
  channel: string().max(400).required('Name the channel.'),
  /** The time now, in seconds since the stream began. */
  timeS: seconds(),
  /** When the new pulses began, rising. */
  starts: array(seconds()).max(MOST_PULSES, `At most ${MOST_PULSES} pulses in a message.`).default([]),
  /** Stretches in which the signal was not seen. */
  gaps: array(object({ fromS: seconds(), toS: seconds() }).noUnknown().required())
    .max(200)
    .default([]),
  /** Whether it comes from a simulated drive. */
  simulated: boolean().default(false),
  ended: boolean().default(false),
  /** Why it ended, where that was not its end. */
  problem: string().max(500).nullable().default(null),
}).noUnknown()
export type LivePulses = InferType<typeof livePulsesSchema>

/** What the sender is told in return: how often it was asked to put the recording on the log. */
export interface LiveWish {
  readonly keep: number
}

/** What pages are told of a drive: that its log grew, or pulses as they come. */
export type DriveNews = { readonly kind: 'log' } | ({ readonly kind: 'pulses'; readonly anew: boolean } & LivePulses)
