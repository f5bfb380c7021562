import { ParameterError } from '../../base/errors'
import type { Call, CallKind, Observation } from '../../base/observations'
import type { StationId } from '../../log'
import { QUANTITIES, readQuantity, type Quantity } from './quantity'

/** One thing that a sum asks for. */
export interface Field {
  readonly key: string
  readonly label: string
  readonly hint?: string
  /** A number with a unit, or one of some words. */
  readonly quantity?: Quantity
  readonly choices?: readonly { readonly value: string; readonly label: string }[]
  /** A name or a mark, in words. */
  readonly words?: true
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
export interface CalculatorLine {
  readonly label: string
  readonly value: number | string
  readonly unit: string
  readonly note?: string
}

export interface CalculatorResult {
  readonly call: Call
  readonly observations: readonly Observation[]
  readonly lines: readonly CalculatorLine[]
  readonly table?: CalculatorTable
}

/** Values as the sum works with them: numbers in the fields' units, words as they are; what was left out is missing. */
export type Values = Readonly<Record<string, number | string | undefined>>

/** An instrument that is a sum: numbers in, call out. */
export interface Calculator {
  readonly id: string
  readonly title: string
  readonly station: StationId
  /** What it stands beside at its station. */
  readonly group: string
  /** What it answers, a sentence. */
  readonly purpose: string
  readonly fields: readonly Field[]
  /** The formulas as used, for the Handbook. */
  readonly formulas: readonly string[]
  /** @throws ParameterError where the numbers cannot be */
  readonly judge: (values: Values, rows: readonly Row[]) => CalculatorResult
  /** Finding that a call amounts to, as if it had been looked at: it answers that finding's question. */
  readonly answers?: Readonly<Partial<Record<CallKind, string>>>
  /** What a standing finding says of its fields: the calculator opens with it filled in. */
  readonly filledBy?: Readonly<Record<string, Readonly<Record<string, string>>>>
  /** Fields that the drive's type fills in. */
  readonly mechanismField?: string
  /** Things of one kind that are asked for row by row: capacitors of a board, wires of a loom. */
  readonly list?: CalculatorList
}

export interface CalculatorList {
  readonly key: string
  readonly title: string
  /** One of them, in words. */
  readonly one: string
  readonly fields: readonly Field[]
  readonly most: number
  readonly required?: true
}

/** A row of a list; `row` is its number as a person counts. */
export type Row = Values & { readonly row: number }

/** A table to take along: orders, cut lists. */
export interface CalculatorTable {
  readonly title: string
  readonly columns: readonly string[]
  readonly rows: readonly (readonly (string | number)[])[]
}

export interface Judged {
  /** null while something needed is left out. */
  readonly result: CalculatorResult | null
  /** What is still needed, by label. */
  readonly needed: readonly string[]
  /** Whole sentences: numbers that look like another unit. */
  readonly doubts: readonly string[]
}

/** How many times beyond its plausible range a number is taken for another unit. */
const FAR = 20

/**
 * What was typed, as the sum works with it.
 * @throws ParameterError with the field's key where a value cannot be read or cannot be
 */
export function readValues(sum: Calculator, typed: Readonly<Record<string, string>>): Values {
  return valuesOf(sum.fields, typed, '')
}

/**
 * Reads what was typed and judges it.
 * @throws ParameterError with the field's key where a value cannot be read or cannot be
 */
export function judgeCalculator(sum: Calculator, typed: Readonly<Record<string, string>>): Judged {
  const values = readValues(sum, typed)
  const rows = readRows(sum, typed)
  const needed = sum.fields.filter(f => f.required && values[f.key] === undefined).map(f => f.label)
  if (sum.list && sum.list.required && rows.length === 0) needed.push(sum.list.one)
  // A sum that could do with any of its fields still needs one.
  if (Object.keys(values).length === 0 && rows.length === 0 && needed.length === 0)
    needed.push('anything that is known of it')
  const doubts = [
    ...doubtsOf(sum.fields, values, ''),
    ...rows.flatMap(r => doubtsOf(sum.list!.fields, r, `${sum.list!.one} ${r.row}: `)),
  ]
  return { result: needed.length ? null : sum.judge(values, rows), needed, doubts }
}

function valuesOf(
  fields: readonly Field[],
  typed: Readonly<Record<string, string>>,
  prefix: string,
): Record<string, number | string> {
  const values: Record<string, number | string> = {}
  for (const f of fields) {
    const key = prefix + f.key
    const text = (typed[key] ?? '').trim()
    if (text === '') continue
    if (f.choices) {
      if (!f.choices.some(c => c.value === text))
        throw new ParameterError(
          `“${text}” is not a choice for ${f.label.toLowerCase()}`,
          f.choices.map(c => c.label).join(', '),
          { field: key },
        )
      values[f.key] = text
      continue
    }
    if (f.words) {
      if (text.length > 80)
        throw new ParameterError(`${f.label} is ${text.length} characters long`, 'at most 80', { field: key })
      values[f.key] = text
      continue
    }
    const value = atField(key, () => readQuantity(text, f.quantity!, f.label))
    if (value < 0 && !f.signed) throw new ParameterError(`${f.label} cannot be ${text}`, 'more than 0', { field: key })
    if (value === 0 && !f.zero && !f.signed && f.quantity !== 'count')
      throw new ParameterError(`${f.label} cannot be 0`, 'more than 0', { field: key })
    values[f.key] = value
  }
  return values
}

/** Rows of a sum's list, those without a word left out; each knows its number as a person counts, from 1. */
function readRows(sum: Calculator, typed: Readonly<Record<string, string>>): Row[] {
  if (!sum.list) return []
  const rows: Row[] = []
  for (let i = 0; i < sum.list.most; i++) {
    const prefix = rowKey(sum.list, i, '')
    const values = valuesOf(sum.list.fields, typed, prefix)
    if (Object.keys(values).length === 0) continue
    const missing = sum.list.fields.find(f => f.required && values[f.key] === undefined)
    // A row that is being typed is not wrong yet; it is left out until it is whole.
    if (!missing) rows.push({ ...values, row: i + 1 })
  }
  return rows
}

/** Every key that a sum may be typed into: its fields, and those of each row of its list. */
export const keysOf = (sum: Calculator): string[] => [
  ...sum.fields.map(f => f.key),
  ...(sum.list
    ? Array.from({ length: sum.list.most }, (_, i) => sum.list!.fields.map(f => rowKey(sum.list!, i, f.key))).flat()
    : []),
]

/** Key of a field in a row of a list, rows counted from 0. */
export const rowKey = (list: Pick<CalculatorList, 'key'>, row: number, field: string): string =>
  `${list.key}.${row}.${field}`

function doubtsOf(fields: readonly Field[], values: Values, before: string): string[] {
  return fields.flatMap(f => {
    const value = values[f.key]
    if (typeof value !== 'number') return []
    const [least, most] = f.plausible ?? [0, Infinity]
    const { unit } = QUANTITIES[f.quantity!]
    const far = value > most * FAR || (value > 0 && value < least / FAR)
    return far
      ? [
          `${before}${f.label} of ${plainly(value)} ${unit} is far from usual (${plainly(least)} to ${plainly(most)} ${unit}): is that the unit you meant?`,
        ]
      : []
  })
}

function atField<T>(field: string, run: () => T): T {
  try {
    return run()
  } catch (error) {
    if (error instanceof ParameterError) throw new ParameterError(error.problem, error.expected, { field })
    throw error
  }
}

const plainly = (x: number) => Number(x.toPrecision(3)).toString()

/** The numbers of some keys, which the caller knows to be there. */
export const num = (v: Values, key: string): number => v[key] as number
export const maybe = (v: Values, key: string): number | undefined => v[key] as number | undefined
