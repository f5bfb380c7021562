import { actionOf } from '../drive/action-of'
import { answersOf } from '../drive/evidence'
import type { Weighed } from '../weigh-case'

/** Readings that cannot all be right. */
export interface Contradiction {
  readonly readings: readonly string[]
  readonly says: string
}

/** Evidence that what is believed gives less than this chance is not explained. */
const UNEXPLAINED = 0.06

/**
 * Evidence that even the best explanation leaves as a slip, each with what speaks most against what would explain it.
 * The same reading with two answers and nothing done between is one, too.
 */
export function contradictionsIn(w: Weighed): Contradiction[] {
  const out: Contradiction[] = []
  const named = new Set<string>()
  const add = (i: number, j: number) => {
    const [a, b] = [w.evidence[i]!, w.evidence[j]!]
    const key = [a.key, b.key].sort().join(' ')
    if (named.has(key) || a.says === b.says) return
    named.add(key)
    out.push({
      readings: [a.key, b.key],
      says: `“${a.says}” and “${b.says}” are hardly both right: take each of them once more.`,
    })
  }
  w.evidence.forEach((e, i) => {
    const j = w.evidence.findIndex((o, k) => k < i && o.key === e.key && !o.weak && !e.weak && o.says !== e.says)
    if (j >= 0 && !changedBetween(w, w.evidence[j]!.order, e.order) && answersOf(w.evidence[j]!) !== answersOf(e))
      add(i, j)
  })
  w.evidence.forEach((e, i) => {
    const expected = w.hypotheses.slice(0, 60).reduce((s, h) => s + h.weight * w.weigh.chanceOf(i, h.faults), 0)
    if (expected >= UNEXPLAINED || e.weak) return
    const other = opposes(w, i)
    if (other !== null) add(i, other)
  })
  return out
}

/** Whether anything was done to the drive between two times. */
const changedBetween = (w: Weighed, from: number, to: number): boolean =>
  w.evidence.some(e => e.order > from && e.order < to && actionOf(e, w.drive) !== null)

/** The evidence that what would explain a piece explains worst. */
function opposes(w: Weighed, i: number): number | null {
  const now = w.hypotheses[0]?.faults ?? []
  let would: readonly number[] = []
  let most = 0
  for (let n = 0; n < w.weigh.model.faults; n++) {
    const p = w.weigh.chanceOf(i, [n])
    if (p > most) {
      most = p
      would = [n]
    }
  }
  if (w.weigh.chanceOf(i, []) > most) would = []
  let [worst, loss] = [null as number | null, 0]
  w.evidence.forEach((_, j) => {
    if (j === i) return
    const lost = Math.log(w.weigh.chanceOf(j, now)) - Math.log(w.weigh.chanceOf(j, would))
    if (lost > loss) [worst, loss] = [j, lost]
  })
  return worst
}
