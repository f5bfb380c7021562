import { actionOf, changedBy } from '../drive/action-of'
import type { Weighed } from '../weigh-case'

/** The last that was seen of a function. */
export interface Seen {
  readonly good: boolean
  readonly says: string
}

/** An answer that is likelier than this where nothing is at fault is a good one. */
const USUAL = 0.3

/** What was seen of each function last, since the last thing that changed the drive or before it. */
export function seenOf(w: Weighed): Map<string, Seen> {
  const out = new Map<string, Seen>()
  const ordered = [...w.evidence].filter(e => !e.negated && !e.weak).sort((a, b) => a.order - b.order)
  for (const e of ordered) {
    const action = actionOf(e, w.drive)
    // What failed before something was done is no longer what it does.
    if (action && changedBy(action, e.any[0]![0]!.answer)) for (const [id, seen] of out) if (!seen.good) out.delete(id)
    if (e.any.length !== 1) continue
    for (const { check: id, answer } of e.any[0]!) {
      const check = w.drive.checks.get(id)?.check
      if (!check?.sees) continue
      const good = (check.base[answer] ?? 0) > USUAL
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
