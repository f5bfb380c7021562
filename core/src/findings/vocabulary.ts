import { ParameterError } from '../base/errors'
import type { MechanismId } from '../drives'
import { adjusters } from './adjusters'
import { boards } from './boards'
import { damage } from './damage'
import { holds, type Situation } from './condition'
import { heads } from './heads'
import { mechanics } from './mechanics'
import { onArrival } from './on-arrival'
import { powerOn } from './power-on'
import { running } from './running'
import { switches } from './switches'
import type { Finding, Question } from './types'

/** Every question that the bench asks; the controlled vocabulary of what can be found. */
export const QUESTIONS: readonly Question[] = [
  ...onArrival,
  ...mechanics,
  ...boards,
  ...heads,
  ...adjusters,
  ...powerOn,
  ...running,
  ...switches,
  ...damage,
]

const questions = new Map(QUESTIONS.map(q => [q.id, q]))
const findings = new Map(QUESTIONS.flatMap(q => q.findings.map(f => [f.id, { finding: f, question: q }] as const)))

/** @throws ParameterError where there is no such question */
export function findQuestion(id: string): Question {
  const found = questions.get(id)
  if (!found) throw new ParameterError(`there is no question "${id}"`, 'one of the vocabulary', { field: 'question' })
  return found
}

/** @throws ParameterError where there is no such finding */
export function findFinding(id: string): { readonly finding: Finding; readonly question: Question } {
  const found = findings.get(id)
  if (!found) throw new ParameterError(`there is no finding "${id}"`, 'one of the vocabulary', { field: 'finding' })
  return found
}

/**
 * The finding that a reading amounts to.
 * @throws ParameterError where the question is not measured or the reading is impossible
 */
export function findingFor(question: Question, value: number): Finding {
  const m = question.measured
  if (!m)
    throw new ParameterError(`“${question.ask}” is not answered by a number`, 'one of its findings', { field: 'value' })
  if (!Number.isFinite(value) || value < m.min || value > m.max)
    throw new ParameterError(`${value} ${m.unit} is not possible here`, `${m.min} to ${m.max} ${m.unit}`, {
      field: 'value',
    })
  return findFinding(m.bands.find(b => value < b.below)!.finding).finding
}

/** What follows from a finding at a place, on a drive of a type where that is known. */
export const meaning = (finding: Finding, place: string | null, mechanism?: MechanismId): string =>
  (place && finding.meansAt?.[place]) || (mechanism && finding.onType?.[mechanism]?.means) || finding.means

/** What to do about a finding on a drive of a type. */
export const nextOf = (finding: Finding, mechanism?: MechanismId): string =>
  (mechanism && finding.onType?.[mechanism]?.next) || finding.next

/** Questions that make sense for a drive. */
export const questionsFor = (s: Situation): Question[] => QUESTIONS.filter(q => holds(q.when, s))
