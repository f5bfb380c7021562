import { ASPECT_IDS, ASPECTS, type AspectId } from './aspects'

/** How the straps stood once, and what was then right or not; what nobody looked at is left out. */
export interface StrapTry {
  /** By strap: set or not. */
  readonly set: readonly boolean[]
  readonly seen: Readonly<Partial<Record<AspectId, boolean>>>
}

/** What may decide an aspect: one strap in the position in which it is right, or none of them. */
export interface Decides {
  /** By strap: probability that it decides the aspect and is right while set, and while open. */
  readonly bySet: Float64Array
  readonly byOpen: Float64Array
  /** No strap decides it, and it is right, or wrong, whatever they do. */
  readonly alwaysRight: number
  readonly neverRight: number
}
export type StrapBelief = Readonly<Record<AspectId, Decides>>

/** Chance that somebody saw it wrongly, or that it came out by chance (from memory). */
const SLIP = 0.03
/** How often one strap puts either READY or DISK CHANGE on the plug, where straps decide both (from memory). */
const JOINED = 0.5
/** So many straps can be worked out exactly: sets of straps are gone through. */
export const MOST_STRAPS = 12

/** One thing that at most one strap decides, with the weight of each answer. */
interface Item {
  readonly aspects: readonly AspectId[]
  /** Weight of each strap in either position; the second aspect of a pair is right in the other one. */
  readonly set: Float64Array
  readonly open: Float64Array
  readonly right: number
  readonly wrong: number
}

const likelihood = (expected: boolean, seen: boolean): number => (expected === seen ? 1 - SLIP : SLIP)

function seenOf(aspect: AspectId, tries: readonly StrapTry[]) {
  return tries.flatMap(t => (t.seen[aspect] === undefined ? [] : [{ set: t.set, right: t.seen[aspect] }]))
}

/** Chance of all that was seen of an aspect, where a strap decides it and is right in one position. */
function byStrap(aspect: AspectId, strap: number, rightWhileSet: boolean, tries: readonly StrapTry[]): number {
  return seenOf(aspect, tries).reduce((p, t) => p * likelihood(t.set[strap] === rightWhileSet, t.right), 1)
}
const byNone = (aspect: AspectId, right: boolean, tries: readonly StrapTry[]): number =>
  seenOf(aspect, tries).reduce((p, t) => p * likelihood(right, t.right), 1)

function single(aspect: AspectId, straps: number, tries: readonly StrapTry[]): Item {
  const { governed, sound, whileSet = 0.5 }: (typeof ASPECTS)[AspectId] & { whileSet?: number } = ASPECTS[aspect]
  const each = (set: boolean) => (governed / straps) * (set ? whileSet : 1 - whileSet)
  const of = (set: boolean) =>
    Float64Array.from({ length: straps }, (_, s) => each(set) * byStrap(aspect, s, set, tries))
  return {
    aspects: [aspect],
    set: of(true),
    open: of(false),
    right: (1 - governed) * sound * byNone(aspect, true, tries),
    wrong: (1 - governed) * (1 - sound) * byNone(aspect, false, tries),
  }
}

/** One strap that brings either of two lines: right for one while set, for the other while open. */
function pair(first: AspectId, second: AspectId, straps: number, tries: readonly StrapTry[]): Item {
  const each = 1 / straps / 2
  const of = (set: boolean) =>
    Float64Array.from(
      { length: straps },
      (_, s) => each * byStrap(first, s, set, tries) * byStrap(second, s, !set, tries),
    )
  return { aspects: [first, second], set: of(true), open: of(false), right: 0, wrong: 0 }
}

/** Sum over all ways in which items take different straps, and the share of each strap in each item. */
function shares(
  items: readonly Item[],
  straps: number,
): { total: number; of: { item: Item; share: Float64Array[] }[] } {
  const sets = 1 << straps
  const none = (i: Item) => i.right + i.wrong
  const weight = (i: Item, s: number) => i.set[s]! + i.open[s]!
  // Weight of the items so far by the set of straps that they took; and of those to come by the set that is taken.
  const before: Float64Array[] = [new Float64Array(sets)]
  before[0]![0] = 1
  items.forEach((item, n) => {
    const next = new Float64Array(sets)
    for (let m = 0; m < sets; m++) {
      const w = before[n]![m]!
      if (w === 0) continue
      next[m]! += w * none(item)
      for (let s = 0; s < straps; s++) if (!(m & (1 << s))) next[m | (1 << s)]! += w * weight(item, s)
    }
    before.push(next)
  })
  const after: Float64Array[] = Array.from({ length: items.length + 1 }, () => new Float64Array(sets))
  after[items.length]!.fill(1)
  for (let n = items.length - 1; n >= 0; n--)
    for (let m = 0; m < sets; m++) {
      let sum = none(items[n]!) * after[n + 1]![m]!
      for (let s = 0; s < straps; s++) if (!(m & (1 << s))) sum += weight(items[n]!, s) * after[n + 1]![m | (1 << s)]!
      after[n]![m] = sum
    }
  const of = items.map((item, n) => {
    const share = [new Float64Array(straps), new Float64Array(straps), new Float64Array(2)]
    for (let m = 0; m < sets; m++) {
      const w = before[n]![m]!
      if (w === 0) continue
      share[2]![0]! += w * item.right * after[n + 1]![m]!
      share[2]![1]! += w * item.wrong * after[n + 1]![m]!
      for (let s = 0; s < straps; s++) {
        if (m & (1 << s)) continue
        const rest = w * after[n + 1]![m | (1 << s)]!
        share[0]![s]! += rest * item.set[s]!
        share[1]![s]! += rest * item.open[s]!
      }
    }
    return { item, share }
  })
  return { total: after[0]![0]!, of }
}

/**
 * What each strap may decide by what was seen while the straps stood one way and another. Exact: all ways in which the
 * aspects are decided by different straps, by one strap for READY and DISK CHANGE together, or by none, are summed.
 * @param straps how many there are, at most {@link MOST_STRAPS}
 */
export function inferStraps(straps: number, tries: readonly StrapTry[]): StrapBelief {
  const rest = ASPECT_IDS.filter(a => a !== 'ready' && a !== 'change').map(a => single(a, straps, tries))
  const apart = shares([...rest, single('ready', straps, tries), single('change', straps, tries)], straps)
  const joined = shares([...rest, pair('ready', 'change', straps, tries)], straps)
  const out = Object.fromEntries(
    ASPECT_IDS.map(a => [
      a,
      { bySet: new Float64Array(straps), byOpen: new Float64Array(straps), alwaysRight: 0, neverRight: 0 },
    ]),
  ) as Record<AspectId, { bySet: Float64Array; byOpen: Float64Array; alwaysRight: number; neverRight: number }>
  const total = (1 - JOINED) * apart.total + JOINED * joined.total
  for (const [weight, { of }] of [
    [1 - JOINED, apart],
    [JOINED, joined],
  ] as const)
    for (const { item, share } of of)
      item.aspects.forEach((aspect, second) => {
        const [set, open, none] = share as [Float64Array, Float64Array, Float64Array]
        const [whileSet, whileOpen] = second ? [open, set] : [set, open]
        for (let s = 0; s < straps; s++) {
          out[aspect].bySet[s]! += (weight * whileSet[s]!) / total
          out[aspect].byOpen[s]! += (weight * whileOpen[s]!) / total
        }
        out[aspect].alwaysRight += (weight * none[0]!) / total
        out[aspect].neverRight += (weight * none[1]!) / total
      })
  return out
}

/** Probability that an aspect is right while the straps stand in a way. */
export function rightWhile(d: Decides, set: readonly boolean[]): number {
  let p = d.alwaysRight
  set.forEach((isSet, s) => {
    p += (isSet ? d.bySet : d.byOpen)[s]!
  })
  return Math.min(1, Math.max(0, p))
}

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p))

/** Information, in bits, that a try in some position gives about whether an aspect can be had there. */
export const toldBy = (d: Decides, set: readonly boolean[]): number =>
  Math.max(0, entropy(SLIP + (1 - 2 * SLIP) * rightWhile(d, set)) - entropy(SLIP))
