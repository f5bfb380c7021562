import { lowerFirst, type Call, type Observation } from '../base/observations'
import { ParameterError } from '../base/errors'
import type { MechanismId } from '../drives'
import { findFinding, findingFor, findQuestion, meaning, nextOf } from './vocabulary'
import type { Finding, Question } from './types'

/** What a person enters: a tile, or a number for a question that is measured, with a place where one helps. */
export interface FindingInput {
  readonly finding?: string
  readonly question?: string
  readonly value?: number
  readonly place?: string | null
}

export interface RecordedFinding {
  readonly finding: Finding
  readonly question: Question
  readonly place: string | null
  readonly title: string
  readonly observation: Observation
  readonly call: Call
}

/**
 * The typed observation and the call that a finding puts on the log of a drive of some type.
 * @throws ParameterError where the finding, the place or the number is none that the vocabulary knows
 */
export function recordFinding(input: FindingInput, mechanism?: MechanismId): RecordedFinding {
  const measured = input.value !== undefined
  if (!measured && !input.finding)
    throw new ParameterError('the finding is left out', 'one of the vocabulary, or a number', { field: 'finding' })
  const { finding, question } = measured
    ? ((q: Question) => ({ finding: findingFor(q, input.value!), question: q }))(findQuestion(input.question ?? ''))
    : findFinding(input.finding!)
  const place = input.place ?? null
  if (place !== null && !question.places?.includes(place)) {
    throw new ParameterError(`“${place}” is no place for this`, question.places ? question.places.join(', ') : 'none', {
      field: 'place',
    })
  }
  const words = `${question.topic}: ${lowerFirst(finding.label)}${place ? `, ${place}` : ''}`
  const title = measured ? `${words} (${input.value} ${question.measured!.unit})` : words
  return {
    finding,
    question,
    place,
    title,
    observation: measured
      ? {
          key: `finding.${question.id}`,
          label: question.measured!.label,
          value: input.value!,
          unit: question.measured!.unit,
          how: 'measured by hand',
        }
      : { key: `finding.${question.id}`, label: question.topic, value: finding.label, unit: '', how: question.sense },
    call: { kind: finding.call, reasons: [meaning(finding, place, mechanism)], next: nextOf(finding, mechanism) },
  }
}
