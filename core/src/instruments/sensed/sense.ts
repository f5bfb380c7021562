import { filmSpeed, readFrames, type FilmAsk } from '../film'
import type { SensedSpeed } from '../rhythm'
import { judgeSound, soundSpeed, type JudgedSound, type SoundContext, type SoundSpeedAsk } from '../sound'
import { readWaveform } from '../../signals/captures'

/** What is wanted of a recording of sound or of the frames of a film. */
export type SensedAsk =
  | ({ readonly of: 'sound' } & SoundSpeedAsk)
  | ({ readonly of: 'film' } & Omit<FilmAsk, 'of'> & { readonly passes: FilmAsk['of'] })
  | ({ readonly of: 'steps' } & SoundContext)

/** What came of it: a speed, or the steps of seeks. */
export type Sensed =
  { readonly of: 'speed'; readonly speed: SensedSpeed } | { readonly of: 'steps'; readonly steps: JudgedSound }

/**
 * Takes a speed or steps from a recording that times no single revolution.
 * @param bytes a WAV file of sound, or the table of a film's frames
 * @throws InputError with the place where it cannot be read
 */
export function sense(bytes: Uint8Array, name: string, ask: SensedAsk): Sensed {
  if (ask.of === 'film') {
    const frames = readFrames(new TextDecoder().decode(bytes), name)
    return { of: 'speed', speed: filmSpeed(frames, { ...ask, of: ask.passes }) }
  }
  const wave = readWaveform(bytes, name)
  if (ask.of === 'steps') return { of: 'steps', steps: judgeSound(wave, ask) }
  return { of: 'speed', speed: soundSpeed(wave.channels[0]!.samples, wave.sampleRateHz, ask) }
}
