import type { CompiledCheck } from './compile'

/**
 * One answer of one check, ready to be weighed. With fault a before fault b in the chain its chance is
 * u[a] + q[a] · (u[b] + q[b] · base): what stands first masks what stands behind it.
 */
export interface Folded {
  readonly u: Float64Array
  readonly q: Float64Array
  readonly base: number
  readonly slip: number
  readonly even: number
  /** A treatment or swap: what it takes away, and which outcome came. */
  readonly removes: Float64Array | null
  readonly outcome: string
  /** Whether its outcomes have a middle: better. */
  readonly graded: boolean
}

/** An answer of a check over all elements. */
export function foldAnswer(check: CompiledCheck, index: number, slip: number): Folded {
  const count = check.removes?.length ?? check.influences.length
  const u = new Float64Array(count)
  const q = new Float64Array(count).fill(1)
  check.influences.forEach((influence, i) => {
    if (!influence) return
    u[i] = influence.strength * influence.chances[index]!
    q[i] = 1 - influence.strength
  })
  const { answers } = check.check
  return {
    u,
    q,
    base: check.base[index]!,
    slip,
    even: 1 / answers.length,
    removes: check.removes,
    outcome: answers[index]!,
    graded: answers.includes('better'),
  }
}

/**
 * The same where several answers may hold at once: that a fault shows another one takes nothing from this one.
 */
export const among = (f: Folded): Folded => ({ ...f, q: f.u.map(u => 1 - u) })

/**
 * The same where something was done before.
 * @param kept chance that each element's fault is still there
 */
export const afterwards = (f: Folded, kept: Float64Array): Folded => ({
  ...f,
  u: f.u.map((u, i) => u * kept[i]!),
  q: f.q.map((q, i) => 1 - (1 - q) * kept[i]!),
})

/** The same over some elements only, by new numbers. */
export const shrunk = (f: Folded, kept: readonly number[]): Folded => ({
  ...f,
  u: picked(f.u, kept),
  q: picked(f.q, kept),
  removes: f.removes && picked(f.removes, kept),
})

/** A counted loop: this runs for every piece of evidence, and `Float64Array.from` takes many times as long. */
function picked(values: Float64Array, kept: readonly number[]): Float64Array {
  const out = new Float64Array(kept.length)
  for (let i = 0; i < kept.length; i++) out[i] = values[kept[i]!]!
  return out
}

/**
 * Chance of an answer under a set.
 * @param silent by element: 1 where its fault does not show, so that nothing can be seen to cure it
 */
export function chanceUnder(f: Folded, set: readonly number[], silent: Uint8Array): number {
  let p = f.base
  if (f.removes) p = outcomeUnder(f, f.removes, set, silent)
  else for (let i = set.length - 1; i >= 0; i--) p = f.u[set[i]!]! + f.q[set[i]!]! * p
  return (1 - f.slip) * p + f.slip * f.even
}

function outcomeUnder(f: Folded, removes: Float64Array, set: readonly number[], silent: Uint8Array): number {
  let [all, none, showing] = [1, 1, 0]
  for (const i of set) {
    if (silent[i]) continue
    showing++
    all *= removes[i]!
    none *= 1 - removes[i]!
  }
  // Where nothing shows, whatever is done seems to have cured now and then.
  return showing ? outcomeChance(f.outcome, all, none, f.graded) : outcomeChance(f.outcome, 0.1, 0.9, f.graded)
}

/** Chance of an outcome of something done, by how likely all, and none, of what is at fault is gone. */
export function outcomeChance(outcome: string, all: number, none: number, graded: boolean): number {
  const some = Math.max(0, 1 - all - none)
  if (outcome === 'cures' || outcome === 'works') return 0.02 + 0.95 * all
  if (outcome === 'worse') return 0.01
  if (!graded) return 0.02 + 0.95 * (1 - all)
  if (outcome === 'better') return 0.02 + 0.57 * some
  return 0.02 + 0.93 * none + 0.38 * some
}
