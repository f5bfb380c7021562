import type { Element } from './compile'

/** How much more often than by chance two faults are met together (from memory). */
const TOGETHER = 1.5
/** How often a drive that somebody complains of has nothing at fault, beside one that nobody complains of (a guess). */
const NOTHING = 0.04

/** What is believed beforehand, natural logarithms. */
export interface Priors {
  /** Of a set. */
  readonly of: (set: readonly number[]) => number
  /** No pair is likelier than the one of its first and the other of its second together. */
  readonly pairMost: { readonly first: Float64Array; readonly second: Float64Array }
}

/** How likely sets of elements are beforehand: odds of their faults, and how much likelier one makes another. */
export function priorsOf(relevant: readonly number[], elements: readonly Element[], complained: boolean): Priors {
  const own = relevant.map(i => elements[i]!)
  const odds = Float64Array.from(own, e => Math.log(e.odds))
  const silent = own.map(e => e.way < 0)
  const faults = own.map(e => e.fault)
  const numbers = new Map<string, number>()
  const number = Int32Array.from(faults, f => {
    if (!numbers.has(f.id)) numbers.set(f.id, numbers.size)
    return numbers.get(f.id)!
  })
  const brings = new Map<number, number>()
  const bound = new Uint8Array(numbers.size)
  const gain = new Float64Array(numbers.size)
  for (const f of new Set(faults))
    for (const [other, factor] of Object.entries(f.brings ?? {})) {
      const [a, b] = [numbers.get(f.id)!, numbers.get(other)]
      if (b === undefined) continue
      const log = Math.log(factor)
      brings.set(Math.min(a, b) * 4096 + Math.max(a, b), log)
      bound[a] = bound[b] = 1
      for (const n of [a, b]) gain[n] = Math.max(gain[n]!, log)
    }
  const together = Math.log(TOGETHER)
  const nothing = complained ? Math.log(NOTHING) : 0
  const of = (set: readonly number[]) => {
    let log = 0
    let shows = false
    for (let i = 0; i < set.length; i++) {
      const n = set[i]!
      log += odds[n]!
      if (!silent[n]) shows = true
      for (let j = 0; j < i; j++) {
        const [a, b] = [number[n]!, number[set[j]!]!]
        if (a === b) return -Infinity
        log += together
        if (bound[a] && bound[b]) log += brings.get(Math.min(a, b) * 4096 + Math.max(a, b)) ?? 0
      }
    }
    return shows ? log : log + nothing
  }
  return { of, pairMost: { first: odds, second: odds.map((o, i) => o + together + gain[number[i]!]!) } }
}
