import { chanceUnder, type Folded } from './fold'

/** A piece of evidence over the elements: any of its alternatives, in each all of its answers. */
export interface Item {
  readonly any: readonly (readonly Folded[])[]
  readonly negated: boolean
  readonly weak: boolean
}

/** Of evidence that counts as weak so much is chance. */
const WEAK = 0.35
/** However surely something was not so, an owner may have meant something else. */
const LEAST = 0.03
/** Sets whose evidence is less likely than the best by this factor are not weighed to the end. */
const HOPELESS = 1e-8

/** Counted loops: this is where the time goes. */
export function chanceOfItem(item: Item, set: readonly number[], silent: Uint8Array): number {
  let best = 0
  const { any } = item
  for (let i = 0; i < any.length; i++) {
    const all = any[i]!
    let p = 1
    for (let k = 0; k < all.length && p > best; k++) p *= chanceUnder(all[k]!, set, silent)
    if (p > best) best = p
  }
  return item.negated || item.weak ? tempered(item, best) : best
}

export function tempered(item: Item, seen: number): number {
  const p = item.negated ? Math.max(LEAST, 1 - seen) : seen
  return item.weak ? WEAK + (1 - WEAK) * p : p
}

/**
 * Natural logarithm of how likely all evidence is under a set of up to three. Sets that are hopeless beside the best so
 * far are left early.
 */
export function likelihoodOf(live: readonly Item[], silent: Uint8Array): (set: readonly number[]) => number {
  const plain = new PlainChances(live.flatMap(plainOf), silent.length)
  const rest = live.filter(item => plainOf(item).length === 0)
  const pairs = pairsByKind(rest, silent)
  let best = 0
  return set => {
    const least = best * HOPELESS
    let p = plain.under(set)
    if (p < least) return -Infinity
    if (set.length === 2) p *= pairs(set)
    else for (let i = 0; i < rest.length; i++) p *= chanceOfItem(rest[i]!, set, silent)
    if (p < least) return -Infinity
    if (p > best) best = p
    return Math.log(p)
  }
}

/** One answer whose chance is share · v + slip, v being what the set makes of it. */
interface Plain {
  readonly f: Folded
  readonly share: number
  readonly slip: number
}

/** The answers of a piece of evidence; none where it has alternatives, or is something that was done or not seen. */
function plainOf({ any, negated, weak }: Item): Plain[] {
  const all = any.length === 1 ? any[0]! : []
  if (negated || (weak && all.length > 1) || all.some(f => f.removes)) return []
  const kept = weak ? 1 - WEAK : 1
  return all.map(f => ({ f, share: kept * (1 - f.slip), slip: 1 - kept + kept * f.slip * f.even }))
}

/** All plain answers together: their numbers stand element by element, for this is where the time goes. */
class PlainChances {
  private readonly u: Float64Array
  private readonly q: Float64Array
  /** What an element makes of an answer where nothing stands behind it. */
  private readonly alone: Float64Array
  private readonly share: Float64Array
  private readonly slip: Float64Array
  private readonly base: Float64Array

  constructor(plain: readonly Plain[], count: number) {
    const width = plain.length
    this.share = Float64Array.from(plain, p => p.share)
    this.slip = Float64Array.from(plain, p => p.slip)
    this.base = Float64Array.from(plain, p => p.f.base)
    this.u = new Float64Array(count * width)
    this.q = new Float64Array(count * width)
    this.alone = new Float64Array(count * width)
    for (let n = 0; n < count; n++)
      for (let i = 0; i < width; i++) {
        const { f } = plain[i]!
        const at = n * width + i
        this.u[at] = f.u[n]!
        this.q[at] = f.q[n]!
        this.alone[at] = f.u[n]! + f.q[n]! * f.base
      }
  }

  /** Chance of all of them under a set of up to three. */
  under(set: readonly number[]): number {
    const width = this.share.length
    if (set.length === 0) return this.product(this.base, 0)
    const last = set[set.length - 1]! * width
    if (set.length === 1) return this.product(this.alone, last)
    const before = set[set.length - 2]! * width
    return set.length === 2 ? this.two(before, last) : this.three(set[0]! * width, before, last)
  }

  private product(values: Float64Array, at: number): number {
    const { share, slip } = this
    let p = 1
    for (let i = 0; i < share.length; i++) p *= share[i]! * values[at + i]! + slip[i]!
    return p
  }

  private two(a: number, b: number): number {
    const { u, q, alone, share, slip } = this
    let p = 1
    for (let i = 0; i < share.length; i++) p *= share[i]! * (u[a + i]! + q[a + i]! * alone[b + i]!) + slip[i]!
    return p
  }

  private three(a: number, b: number, c: number): number {
    const { u, q, alone, share, slip } = this
    let p = 1
    for (let i = 0; i < share.length; i++) {
      const behind = u[b + i]! + q[b + i]! * alone[c + i]!
      p *= share[i]! * (u[a + i]! + q[a + i]! * behind) + slip[i]!
    }
    return p
  }
}

/**
 * Chance of what is not plain under pairs. Elements that make the same of it are alike: what one pair of them comes to,
 * every pair of the same two kinds comes to, and is worked out once.
 */
function pairsByKind(rest: readonly Item[], silent: Uint8Array): (pair: readonly number[]) => number {
  if (rest.length === 0) return () => 1
  const kinds = kindsOf(rest, silent)
  const of = kinds.reduce((most, k) => Math.max(most, k + 1), 0)
  const known = new Float64Array(of * of).fill(Number.NaN)
  return pair => {
    const key = kinds[pair[0]!]! * of + kinds[pair[1]!]!
    const before = known[key]!
    if (!Number.isNaN(before)) return before
    return (known[key] = rest.reduce((p, item) => p * chanceOfItem(item, pair, silent), 1))
  }
}

/** Kinds of elements, by number: those of one kind make the same of every piece of evidence. */
function kindsOf(items: readonly Item[], silent: Uint8Array): Int32Array {
  const numbers = new Map<string, number>()
  const folded = items.flatMap(item => item.any.flat())
  return Int32Array.from(silent, (s, i) => {
    let key = String(s)
    for (const f of folded) key += f.removes ? `;${f.removes[i]}` : `;${f.u[i]},${f.q[i]}`
    if (!numbers.has(key)) numbers.set(key, numbers.size)
    return numbers.get(key)!
  })
}
