import type { SourceId } from '../base/observations'
import { evidenceOf } from './case/evidence-of'
import type { DiagnosisCase } from './case/read-case'
import { actionOf, changedBy } from './drive/action-of'
import { thereOn, type DiagnosedDrive } from './drive/there'
import { isGood } from './map'
import type { Check } from './knowledge/types'

/** The last answer of a check. */
export interface LastAnswer {
  readonly answer: string
  /** It is what a drive without a fault answers. */
  readonly good: boolean
  readonly source: SourceId
  /** It was not good, and the drive was changed since: it must be tried again. */
  readonly before: boolean
}

/** Checks that a drive has, by their ids. */
export const checksOn = (drive: DiagnosedDrive): ReadonlyMap<string, Check> =>
  new Map([...thereOn(drive).checks].map(([id, c]) => [id, c.check]))

/** What each check answered last, by its id. What an owner only said is no answer of a check. */
export function lastAnswers(c: DiagnosisCase): ReadonlyMap<string, LastAnswer> {
  const drive = thereOn(c)
  const out = new Map<string, LastAnswer>()
  for (const e of [...evidenceOf(c, drive)].sort((a, b) => a.order - b.order)) {
    const action = actionOf(e, drive)
    if (action && changedBy(action, e.any[0]![0]!.answer))
      for (const [id, last] of out) if (!last.good) out.set(id, { ...last, before: true })
    // A reading at the edge of two bands may be either: the one without a fault is given the benefit.
    if (e.negated || e.source === 'said' || e.any.some(all => all.length !== 1)) continue
    const answers = e.any.map(all => all[0]!)
    if (new Set(answers.map(a => a.check)).size !== 1) continue
    const check = drive.checks.get(answers[0]!.check)?.check
    if (!check) continue
    const shown = answers.find(a => isGood(check, a.answer)) ?? answers[0]!
    out.set(check.id, { answer: shown.answer, good: isGood(check, shown.answer), source: e.source, before: false })
  }
  return out
}
