export { asFoundRecord, type RecordedItem } from './as-found-record'
export { findingsNamed, holds, situationOf, type Condition, type Situation } from './condition'
export { recordFinding, type FindingInput, type RecordedFinding } from './record'
export { findingsAmong, foundIds, standingFindings, type StandingFinding } from './standing'
export type { Finding, Measured, Question, Sense } from './types'
export {
  QUESTIONS,
  findFinding,
  findQuestion,
  findingFor,
  meaning,
  nextOf,
  questionsFor,
  searchFindings,
} from './vocabulary'
export { MOVED, SEALED, sealsOf, type Seal, type Seals } from './seals'
