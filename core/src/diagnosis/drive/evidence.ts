import type { SourceId } from '../../base/observations'

/** An answer of a check. */
export interface Answer {
  readonly check: string
  readonly answer: string
}

/** One thing that is known of a drive. */
export interface Evidence {
  /** What it is told by: a reading's key, a finding, a complaint. */
  readonly key: string
  /** Words for it, as the beginning of a reason. */
  readonly says: string
  /** Any of these was seen, in each all of its answers. */
  readonly any: readonly (readonly Answer[])[]
  readonly source: SourceId
  /** Place in time: what was done before it has its effect on it. */
  readonly order: number
  /** It was not so. */
  readonly negated?: true
  /** It is worth less: the same thing said once more by another way, or a treatment whose outcome nobody noted. */
  readonly weak?: true
}

/** Chance that a source gives an answer that the drive did not (from memory). */
export const SLIPS: Readonly<Record<SourceId, number>> = {
  recording: 0.01,
  instrument: 0.02,
  meter: 0.02,
  probe: 0.04,
  host: 0.03,
  hand: 0.025,
  said: 0.07,
  simulated: 0.01,
}

/** Its answers as one text: equal where two pieces say the same. */
export const answersOf = (e: Evidence): string =>
  e.any.map(all => all.map(a => `${a.check}=${a.answer}`).join('&')).join('|')

/**
 * Evidence as it counts: the same answer by the same source, with nothing done in between, counts once, for repeats by
 * one method share their error; by another source it counts as weak.
 * @param changed times at which something was done
 */
export function pooled(evidence: readonly Evidence[], changed: readonly number[]): Evidence[] {
  const epoch = (order: number) => changed.filter(at => at < order).length
  const out: Evidence[] = []
  for (const e of [...evidence].sort((a, b) => a.order - b.order)) {
    const same = out.filter(o => o.key === e.key && answersOf(o) === answersOf(e) && epoch(o.order) === epoch(e.order))
    if (same.some(o => o.source === e.source || o.weak)) continue
    out.push(same.length ? { ...e, weak: true } : e)
  }
  return out
}
