import type { Call } from '../../base/observations'
import type { MechanismId } from '../../drives'
import type { Waveform } from '../../signals/captures'
import { hearOnsets, type Heard } from './onsets'
import { clickRhythm, heardSeeks, type ClickRhythm, type HeardSeek } from './seeks'

export interface SoundContext {
  readonly mechanism?: MechanismId
  /** Steps that the host was told to make in each seek. */
  readonly steps?: number
}

export interface JudgedSound {
  readonly heard: Heard
  readonly seeks: readonly HeardSeek[]
  readonly rhythm: ClickRhythm | null
  readonly call: Call
}

/** More clipped samples than this spoil the beginnings of clicks. */
const CLIPPED = 0.001

/**
 * What a recording of a drive's sound says: steps counted and timed, or the rhythm of a cartridge drive that clicks. A
 * sound is weaker than a signal: what is not heard may have happened all the same.
 * @param wave of which the first channel is listened to
 */
export function judgeSound(
  wave: Pick<Waveform, 'channels' | 'sampleRateHz' | 'fullScale'>,
  context: SoundContext = {},
): JudgedSound {
  const heard = hearOnsets(wave.channels[0]!.samples, wave.sampleRateHz, wave.fullScale)
  const seeks = heardSeeks(heard.onsets, heard.durationS)
  const rhythm = context.mechanism === 'cartridge' ? clickRhythm(heard.onsets) : null
  return { heard, seeks, rhythm, call: callOf(heard, seeks, rhythm, context) }
}

function callOf(heard: Heard, seeks: readonly HeardSeek[], rhythm: ClickRhythm | null, { steps }: SoundContext): Call {
  if (rhythm)
    return {
      kind: 'stop',
      reasons: [
        `The drive clicks every ${rhythm.everyS.toFixed(2)} s, ${rhythm.clicks} times: its heads unload and load again and again.`,
        'A drive that does so can tear a disk, and a torn disk can wreck the next drive.',
      ],
      next: 'Switch it off. Put no cartridge into it, and its cartridge into no other drive, before heads and disk are looked at.',
    }
  if (heard.clipped > CLIPPED)
    return unknown(
      `The sound is clipped in ${(heard.clipped * 100).toFixed(1)} % of its samples.`,
      'Turn the input down, or move the microphone away, and record again.',
    )
  if (seeks.length === 0)
    return unknown(
      heard.humHz ? `Only the hum of ${heard.humHz} Hz mains is heard.` : 'No click stands out of the noise.',
      'Put the microphone on the frame of the drive, quieten the room, and record again.',
    )
  const row = seeks.reduce((a, b) => (b.heard > a.heard ? b : a))
  const rate = row.stepMs === null ? '' : `, one every ${row.stepMs.toFixed(1)} ms`
  const told = `The longest seek sounds like ${row.heard} ${row.heard === 1 ? 'step' : 'steps'}${rate}.`
  if (steps === undefined) return unknown(told, 'Say how many steps the host made, to compare them with what is heard.')
  const odd = seeks.filter(s => s.heard !== steps)
  if (odd.length === 0)
    return {
      kind: 'leave',
      reasons: [told, `All ${seeks.length} seeks sound like ${steps} steps.`],
      next: 'Read a track at the far end: only its headers show where the heads are.',
    }
  const worst = odd[0]!
  return unknown(
    `${odd.length} of ${seeks.length} seeks sound like another number of steps than ${steps}; the first, at ${worst.fromS.toFixed(2)} s, like ${worst.heard}${worst.silent ? `, with ${worst.silent} silent places in its row` : ''}.`,
    'Seek to and fro and read the headers: a step that is not heard may have been made, and one that is heard may not.',
  )
}

const unknown = (reason: string, next: string): Call => ({ kind: 'unknown', reasons: [reason], next })
