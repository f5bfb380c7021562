import { ParameterError } from '@wobrin/core/base/errors'

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
