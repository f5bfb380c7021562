import { ParameterError } from '@wobrin/core/base/errors'
import type { ReadOptions } from '@wobrin/core/signals/captures'

/** A number from the command line; undefined where the option was not given. */
export function numberOption(value: string | undefined, name: string, least: number): number | undefined {
  if (value === undefined) return undefined
  const number = Number(value)
  if (!Number.isFinite(number) || number < least)
    throw new ParameterError(`"${value}"`, `a number of at least ${least}`, { field: `--${name}` })
  return number
}

/** One of a few words from the command line. */
export function wordOption<T extends string>(
  value: string | undefined,
  name: string,
  words: readonly T[],
): T | undefined {
  if (value === undefined) return undefined
  if (!(words as readonly string[]).includes(value))
    throw new ParameterError(`"${value}"`, `one of ${words.join(', ')}`, { field: `--${name}` })
  return value as T
}

/** Some of a few words from the command line, with commas between. */
export function wordsOption<T extends string>(value: string, name: string, words: readonly T[]): T[] {
  return value
    .split(',')
    .map(w => w.trim())
    .filter(Boolean)
    .map(w => wordOption(w, name, words)!)
}

const RAW_FORMS = {
  u8: [8, false],
  s16: [16, false],
  s24: [24, false],
  s32: [32, false],
  f32: [32, true],
  f64: [64, true],
} as const
export const RAW_WORDS = Object.keys(RAW_FORMS).join(' ')

/** How bare samples are to be read; undefined where they are not bare. */
export function rawOption(
  form: string | undefined,
  sampleRateHz: number | undefined,
  channels: string | undefined,
): ReadOptions['raw'] {
  const word = wordOption(form, 'raw', Object.keys(RAW_FORMS) as (keyof typeof RAW_FORMS)[])
  if (!word) return undefined
  if (!sampleRateHz)
    throw new ParameterError('bare samples do not say how many come a second', '--sample-rate 48000', {
      field: '--raw',
    })
  const [bits, float] = RAW_FORMS[word]
  const count = numberOption(channels, 'channels', 1) ?? 1
  if (!Number.isInteger(count) || count > 64)
    throw new ParameterError(`"${channels}"`, 'a whole number from 1 to 64', { field: '--channels' })
  return { channels: count, sampleRateHz, bits, float, frameBytes: (count * bits) / 8 }
}
