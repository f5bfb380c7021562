import { ASPECT_IDS, type AspectId } from './aspects'
import { rightWhile, toldBy, type StrapBelief, type StrapTry } from './infer-straps'

/** How much an aspect matters to the host: it does not work without, only some programs notice, or it has no use. */
export type Need = 'needed' | 'noticed' | 'unused'
export type Needs = Readonly<Record<AspectId, Need>>

const WEIGHT: Readonly<Record<Need, number>> = { needed: 1, noticed: 0.3, unused: 0 }
/** What a bit about an aspect is worth beside having it right. */
const BIT = 0.35
/** Less hope than this is none: another way is told. */
const HOPE = 0.05

/** The next thing to do with straps of which nobody knows what they mean. */
export type StrapAdvice =
  /** Nothing was seen yet: the first try is as it stands. */
  | { readonly kind: 'look' }
  /** All that the host needs is right while the straps stand in this way. */
  | { readonly kind: 'serves'; readonly best: StrapTry; readonly missed: readonly AspectId[] }
  /** Move one strap; those that stand another way than in the best try go back first. */
  | {
      readonly kind: 'move'
      readonly best: StrapTry
      readonly back: readonly number[]
      readonly strap: number
      readonly set: readonly boolean[]
      /** Probability of each aspect that is wrong now to be right then. */
      readonly hopes: readonly { readonly aspect: AspectId; readonly probability: number }[]
    }
  /** No strap is likely to bring what is missing. */
  | { readonly kind: 'none'; readonly best: StrapTry; readonly missed: readonly AspectId[] }

/** What was right, less what was not, by how much it matters. */
const worth = (t: StrapTry, needs: Needs): number =>
  ASPECT_IDS.reduce((s, a) => (t.seen[a] === undefined ? s : s + WEIGHT[needs[a]] * (t.seen[a] ? 1 : -1)), 0)

/** Everything that was seen while the straps stood one way, as one try; of two answers the later one. */
function gathered(tries: readonly StrapTry[]): StrapTry[] {
  const by = new Map<string, StrapTry>()
  for (const t of tries) {
    const key = t.set.map(Number).join('')
    by.set(key, { set: t.set, seen: { ...by.get(key)?.seen, ...t.seen } })
  }
  return [...by.values()]
}

/** Which strap to move next, one at a time, from the best that was tried. */
export function nextStrap(belief: StrapBelief, tries: readonly StrapTry[], needs: Needs): StrapAdvice {
  const last = tries.at(-1)
  if (!last) return { kind: 'look' }
  const all = gathered(tries)
  const best = all.reduce((a, b) => (worth(b, needs) > worth(a, needs) ? b : a))
  const missed = ASPECT_IDS.filter(a => needs[a] !== 'unused' && best.seen[a] === false)
  const open = missed.filter(a => needs[a] === 'needed')
  if (missed.length === 0) return { kind: 'serves', best, missed }
  const tried = new Set(all.map(t => t.set.map(Number).join('')))
  const moves = best.set.map((_, strap) => {
    const set = best.set.map((x, s) => (s === strap ? !x : x))
    const gain = ASPECT_IDS.reduce((sum, a) => {
      const hope = rightWhile(belief[a], set) - ((best.seen[a] ?? rightWhile(belief[a], best.set)) ? 1 : 0)
      const better = best.seen[a] === false ? rightWhile(belief[a], set) : Math.min(0, hope)
      return sum + WEIGHT[needs[a]] * (better + BIT * (missed.includes(a) ? toldBy(belief[a], set) : 0))
    }, 0)
    const hopes = missed.map(aspect => ({ aspect, probability: rightWhile(belief[aspect], set) }))
    return { strap, set, gain, hopes, hope: Math.max(...hopes.map(h => h.probability)) }
  })
  const [first] = moves
    .filter(m => !tried.has(m.set.map(Number).join('')) && m.hope >= HOPE)
    // Of equals the first strap: sums of the same numbers in another order differ in their last digits.
    .sort((a, b) => (Math.abs(b.gain - a.gain) < 1e-9 ? a.strap - b.strap : b.gain - a.gain))
  if (!first) return open.length ? { kind: 'none', best, missed } : { kind: 'serves', best, missed }
  const back = best.set.flatMap((x, s) => (last.set[s] === x || s === first.strap ? [] : [s]))
  return { kind: 'move', best, back, strap: first.strap, set: first.set, hopes: first.hopes }
}
