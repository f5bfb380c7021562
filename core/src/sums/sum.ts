import { ParameterError } from '../errors'
import type { Call, Observation, StationId } from '../observations'
import { QUANTITIES, readQuantity, type Quantity } from './quantity'

/** One thing that a sum asks for. */
export interface Field {
  readonly key: string
  readonly label: string
  readonly hint?: string
  /** A number with a unit, or one of some words. */
  readonly quantity?: Quantity
  readonly choices?: readonly { readonly value: string, readonly label: string }[]
  readonly required?: true
  /** Asked for only when a person wants to say more. */
  readonly rare?: true
  /** May be nothing at all; sizes usually may not. */
  readonly zero?: true
  /** May be negative. */
  readonly signed?: true
  /** Beyond it the value is asked about, in the field's unit; far beyond it is most likely another unit. */
  readonly plausible?: readonly [least: number, most: number]
}

/** One line of what was worked out. */
export interface SumLine {
  readonly label: string
  readonly value: number | string
  readonly unit: string
  readonly note?: string
}

export interface SumResult {
  readonly call: Call
  readonly observations: readonly Observation[]
  readonly lines: readonly SumLine[]
}

/** Values as the sum works with them: numbers in the fields' units, words as they are; what was left out is missing. */
export type Values = Readonly<Record<string, number | string | undefined>>

/** An instrument that is a sum: numbers in, call out. */
export interface Sum {
  readonly id: string
  readonly title: string
  readonly station: StationId
  /** What it answers, a sentence. */
  readonly purpose: string
  readonly fields: readonly Field[]
  /** The formulas as used, for the Handbook. */
  readonly formulas: readonly string[]
  /** @throws ParameterError where the numbers cannot be */
  readonly judge: (values: Values) => SumResult
}

export interface Judged {
  /** null while something needed is left out. */
  readonly result: SumResult | null
  /** What is still needed, by label. */
  readonly needed: readonly string[]
  /** Whole sentences: numbers that look like another unit. */
  readonly doubts: readonly string[]
}

/** How many times beyond its plausible range a number is taken for another unit. */
const FAR = 20

/**
 * Reads what was typed and judges it.
 * @throws ParameterError with the field's key where a value cannot be read or cannot be
 */
export function judgeSum(sum: Sum, typed: Readonly<Record<string, string>>): Judged {
  const values: Record<string, number | string> = {}
  const doubts: string[] = []
  const needed: string[] = []
  for (const f of sum.fields) {
    const text = (typed[f.key] ?? '').trim()
    if (text === '') {
      if (f.required) needed.push(f.label)
      continue
    }
    if (f.choices) {
      if (!f.choices.some(c => c.value === text)) throw new ParameterError(`“${text}” is no choice for ${f.label.toLowerCase()}`, f.choices.map(c => c.label).join(', '), { field: f.key })
      values[f.key] = text
      continue
    }
    const value = atField(f, () => readQuantity(text, f.quantity!, f.label))
    if (value < 0 && !f.signed) throw new ParameterError(`${f.label} cannot be ${text}`, 'more than 0', { field: f.key })
    if (value === 0 && !f.zero && !f.signed && f.quantity !== 'count') throw new ParameterError(`${f.label} cannot be 0`, 'more than 0', { field: f.key })
    values[f.key] = value
    const [least, most] = f.plausible ?? [0, Infinity]
    const { unit } = QUANTITIES[f.quantity!]
    if (value > most * FAR || (value > 0 && value < least / FAR)) doubts.push(`${f.label} of ${plainly(value)} ${unit} is far from usual (${plainly(least)} to ${plainly(most)} ${unit}): is that the unit you meant?`)
  }
  // A sum that could do with any of its fields still needs one.
  if (Object.keys(values).length === 0 && needed.length === 0) needed.push('anything that is known of it')
  return { result: needed.length ? null : sum.judge(values), needed, doubts }
}

function atField<T>(f: Field, run: () => T): T {
  try {
    return run()
  }
  catch (error) {
    if (error instanceof ParameterError) throw new ParameterError(error.problem, error.expected, { field: f.key })
    throw error
  }
}

const plainly = (x: number) => Number(x.toPrecision(3)).toString()

/** The numbers of some keys, which the caller knows to be there. */
export const num = (v: Values, key: string): number => v[key] as number
export const maybe = (v: Values, key: string): number | undefined => v[key] as number | undefined
