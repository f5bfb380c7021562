import { InputError } from '../errors'

export type Json = Readonly<Record<string, unknown>>

/** @throws InputError at a field of what somebody wrote */
export function refuseField(field: string, problem: string, expected: string): never {
  throw new InputError(problem, expected, { field })
}

/** A value as it can be quoted in a sentence. */
export const quoted = (value: unknown): string => (value === undefined ? 'nothing' : JSON.stringify(value).slice(0, 60))

/** An object. @param expected what it holds, in words @throws InputError */
export function objectAt(value: unknown, field: string, expected: string): Json {
  if (typeof value === 'object' && value !== null && !Array.isArray(value)) return value as Json
  return refuseField(field, `${quoted(value)} is not an object`, expected)
}

/** A list of at most so many. @throws InputError */
export function listAt(value: unknown, field: string, most: number): readonly unknown[] {
  if (!Array.isArray(value)) return refuseField(field, `${quoted(value)} is not a list`, 'a list')
  return value.length <= most ? value : refuseField(field, `there are ${value.length} of them`, `at most ${most}`)
}

/** Limits of a number. */
export interface NumberLimits {
  readonly least: number
  readonly most: number
  readonly whole?: true
}

/** A number between two others. @throws InputError */
export function numberAt(value: unknown, field: string, { least, most, whole }: NumberLimits): number {
  const fits = typeof value === 'number' && value >= least && value <= most && (!whole || Number.isInteger(value))
  if (fits) return value
  return refuseField(field, `${quoted(value)} is not possible`, `a ${whole ? 'whole ' : ''}number ${least} to ${most}`)
}

/** Text that is not empty. @throws InputError */
export const textAt = (value: unknown, field: string, expected: string): string =>
  typeof value === 'string' && value !== '' ? value : refuseField(field, `${quoted(value)} is not a text`, expected)

/** True or false. @throws InputError */
export const flagAt = (value: unknown, field: string): boolean =>
  typeof value === 'boolean' ? value : refuseField(field, `${quoted(value)} is neither`, 'true or false')

/** A list of names; none where there is nothing. @throws InputError */
export function namesAt(value: unknown, field: string, most: number): string[] {
  if (value === undefined) return []
  return listAt(value, field, most).map((x, i) => textAt(x, `${field}[${i}]`, 'a name'))
}

/** A number for each name; none where there is nothing. @throws InputError */
export function numbersAt(value: unknown, field: string, limits: NumberLimits): Record<string, number> {
  if (value === undefined) return {}
  const entries = Object.entries(objectAt(value, field, 'a number for each name'))
  return Object.fromEntries(entries.map(([name, n]) => [name, numberAt(n, `${field}.${name}`, limits)]))
}
