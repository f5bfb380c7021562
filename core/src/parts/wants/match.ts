import { assign } from './assign'
import { costOf, fitOf, overlap, type Fit, type Offer } from './offer'
import type { Want } from './want'

/** An offer that fits a want. */
export interface Suited<O extends Offer = Offer> {
  readonly offer: O
  readonly fit: Fit
}

/** A want with what would serve it. */
export interface MatchedWant<O extends Offer = Offer> {
  readonly want: Want
  /** What it is best served with, so that as many wants as can be are served; null where nothing is left for it. */
  readonly best: Suited<O> | null
  /** All that fit, the best first. */
  readonly others: readonly Suited<O>[]
}

/** Others that are told. */
const TOLD = 4

/**
 * Gives what is there to the wants, each thing once: what is known to be needed before what is only suspected, and a
 * drive that works is asked last.
 */
export function matchWants<O extends Offer>(wants: readonly Want[], offers: readonly O[]): MatchedWant<O>[] {
  const suited = wants.map(want =>
    offers
      .flatMap((offer): Costed<O>[] => {
        const fit = fitOf(want, offer)
        return fit ? [{ offer, fit, cost: costOf(offer, fit) }] : []
      })
      .sort((a, b) => a.cost - b.cost || (a.offer.key < b.offer.key ? -1 : 1)),
  )
  const given = distribute(wants, suited)
  return wants.map((want, i) => {
    const best = given[i] ?? null
    return { want, best, others: suited[i]!.filter(s => s !== best).slice(0, TOLD) }
  })
}

type Costed<O extends Offer> = Suited<O> & { readonly cost: number }

/**
 * Who gets what. An assembly and a piece of it are two offers and one thing: where both were given, the piece goes out
 * and the rest is dealt anew.
 */
function distribute<O extends Offer>(
  wants: readonly Want[],
  suited: readonly (readonly Costed<O>[])[],
): (Costed<O> | null)[] {
  const barred = new Set<string>()
  for (;;) {
    const keys = [...new Set(suited.flatMap(list => list.map(s => s.offer.key)))].filter(k => !barred.has(k))
    const cost = suited.map(list => keys.map(key => list.find(s => s.offer.key === key)?.cost ?? null))
    const column = assign(
      cost,
      wants.map(w => (w.share >= 1 ? 2 : 1)),
    )
    const given = suited.map(
      (list, i) => list.find(s => column[i] !== null && s.offer.key === keys[column[i]!]) ?? null,
    )
    const clash = given.findIndex((a, i) => a && given.some((b, j) => j < i && b && overlap(a.offer, b.offer)))
    if (clash < 0) return given
    barred.add(given[clash]!.offer.key)
  }
}
