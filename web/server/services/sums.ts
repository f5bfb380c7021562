import { ParameterError } from '@wobrin/core/errors'
import { findSum } from '@wobrin/core/instruments'
import { formatObservation } from '@wobrin/core/observations'
import { judgeSum, keysOf } from '@wobrin/core/sums'
import type { NewEntry } from './drives'

export interface SumInput {
  readonly id: string
  readonly at: string
  readonly instrument: string
  readonly values: Readonly<Record<string, string>>
  readonly remark: string
}

/**
 * A sum as a log entry. The server works it out again from what was typed: an answer is never taken from a browser.
 * @throws ParameterError where something is left out or cannot be
 */
export function sumEntry(input: SumInput, driveId: string): NewEntry {
  const sum = findSum(input.instrument)
  const values = Object.fromEntries(
    keysOf(sum).flatMap(k => (input.values[k]?.trim() ? [[k, input.values[k]!.trim()]] : [])),
  )
  const { result, needed } = judgeSum(sum, values)
  if (!result)
    throw new ParameterError(
      `${needed.join(', ')} ${needed.length === 1 ? 'is' : 'are'} left out`,
      'all that the sum needs',
      { field: sum.fields.find(f => f.label === needed[0])?.key ?? sum.list?.key },
    )
  const main = result.observations[0]!
  return {
    id: input.id,
    driveId,
    at: input.at,
    kind: 'measurement',
    station: sum.station,
    title: `${main.label}: ${formatObservation(main)}`,
    detail: input.remark,
    call: result.call,
    observations: result.observations,
    data: { type: 'sum', instrument: sum.id, values },
    takesBack: null,
  }
}
