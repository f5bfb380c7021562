import { actionOf, changedBy } from '../drive/action-of'
import type { Answer, Evidence } from '../drive/evidence'
import type { Check } from '../knowledge/types'
import type { Weighed } from '../weigh-case'

/** The last that was seen of a function. */
export interface Seen {
  readonly good: boolean
  readonly says: string
}

/** An answer that is likelier than this where nothing is at fault is a good one. */
const USUAL = 0.3

/** Whether it is what a drive without a fault answers. */
export const isGood = (check: Check, answer: string): boolean => (check.base[answer] ?? 0) > USUAL

/** Answers of a piece of evidence; of alternatives the first, where all of them are good or none is. */
function agreed({ any }: Evidence, w: Weighed): readonly Answer[] {
  if (any.length === 1) return any[0]!
  const singles = any.flatMap(all => (all.length === 1 ? all : []))
  if (singles.length < any.length || new Set(singles.map(a => a.check)).size !== 1) return []
  const check = w.drive.checks.get(singles[0]!.check)?.check
  return check && new Set(singles.map(a => isGood(check, a.answer))).size === 1 ? singles.slice(0, 1) : []
}

/** What was seen of each function last, since the last thing that changed the drive or before it. */
export function seenOf(w: Weighed): Map<string, Seen> {
  const out = new Map<string, Seen>()
  const ordered = [...w.evidence].filter(e => !e.negated && !e.weak).sort((a, b) => a.order - b.order)
  for (const e of ordered) {
    const action = actionOf(e, w.drive)
    // What failed before something was done is no longer what it does.
    if (action && changedBy(action, e.any[0]![0]!.answer)) for (const [id, seen] of out) if (!seen.good) out.delete(id)
    for (const { check: id, answer } of agreed(e, w)) {
      const check = w.drive.checks.get(id)?.check
      if (!check?.sees) continue
      const good = isGood(check, answer)
      // What an owner says is wrong is what is looked for; what he does not complain of was not tried here.
      if (good && e.source === 'said') continue
      const before = out.get(check.sees.function)
      // Of several checks of one function one that fails is what is told.
      if (good && before && !before.good) continue
      out.set(check.sees.function, { good, says: check.words?.[answer] ?? answer })
    }
  }
  return out
}
