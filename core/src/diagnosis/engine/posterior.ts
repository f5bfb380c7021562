import type { DiagnosisModel, Hypothesis, PairBounds, Posterior } from './model'

/** Pairs that are extended by a third fault: the likeliest. */
const EXTENDED = 8
/** Sets that can hold no more than this share (natural logarithm) of what single faults hold are left out. */
const LEFT_OUT = -11
/** Sets that are less likely than the best by this (natural logarithm) count, but are not told one by one. */
const TOLD = 5.5

/**
 * Weighs no fault, every single one, every pair, and the likeliest pairs with every third fault. Of the sets that were
 * weighed the shares are exact.
 * @param most largest number of faults in a set, 1 to 3
 */
export function weighFaults(model: DiagnosisModel, most: 1 | 2 | 3 = 3): Posterior {
  const sum = new Sum(model)
  sum.add([])
  for (let a = 0; a < model.faults; a++) sum.add([a])
  sum.leaveOutBelow(LEFT_OUT)
  const heads: Head[] = []
  const pair = [0, 0]
  const weigh = (a: number, b: number) => {
    pair[0] = a
    pair[1] = b
    const log = sum.add(pair)
    if (most > 2 && log > (heads[EXTENDED - 1]?.log ?? -Infinity)) keepBest(heads, { set: [a, b], log })
  }
  if (most > 1) sum.pairs(weigh)
  const extended = new Set<number>()
  const three = [0, 0, 0]
  for (const { set } of heads) {
    const [a, b] = set as [number, number]
    for (let c = 0; c < model.faults; c++) {
      if (c === a || c === b) continue
      // In rising order; one array serves all.
      three[0] = Math.min(a, c)
      three[1] = c < a ? a : Math.min(b, c)
      three[2] = Math.max(b, c)
      const key = (three[0] * model.faults + three[1]) * model.faults + three[2]
      if (extended.has(key)) continue
      extended.add(key)
      sum.add(three)
    }
  }
  return sum.settled(extended)
}

interface Head {
  readonly set: readonly number[]
  readonly log: number
}

/** Keeps the likeliest pairs, the likeliest first. */
function keepBest(heads: Head[], head: Head): void {
  let at = heads.length
  while (at > 0 && heads[at - 1]!.log < head.log) at--
  heads.splice(at, 0, head)
  if (heads.length > EXTENDED) heads.pop()
}

/** The sum over all sets: shares are exact, only the likely ones are kept one by one. */
class Sum {
  private readonly told: { readonly faults: readonly number[]; readonly log: number }[] = []
  private readonly marginals: Float64Array
  private readonly bySize = [0, 0, 0, 0]
  private best = -Infinity
  /** All weights are over the first set's, so that they fit a number. */
  private scale = Number.NaN

  /** Logarithm of the weight below which a set cannot matter. */
  private floor = -Infinity
  /** Upper bound for what was left out, over the floor. */
  private skipped = 0

  constructor(private readonly model: DiagnosisModel) {
    this.marginals = new Float64Array(model.faults)
  }

  /** @param set may be used again by the caller */
  add(set: readonly number[]): number {
    const prior = this.model.logPrior(set)
    const most = this.model.logMost
    if (prior === -Infinity) return prior
    if (most !== undefined && prior + most < this.floor) {
      this.skipped += Math.exp(prior + most - this.floor)
      return -Infinity
    }
    const log = prior + this.model.logLikelihood(set)
    if (log === -Infinity) return log
    if (Number.isNaN(this.scale)) this.scale = log
    const weight = Math.exp(log - this.scale)
    for (const f of set) this.marginals[f]! += weight
    this.bySize[set.length]! += weight
    if (log > this.best - TOLD) this.told.push({ faults: [...set], log })
    if (log > this.best) this.best = log
    return log
  }

  /** From here on leaves out sets that even the best evidence would not bring over a share of what was weighed. */
  leaveOutBelow(share: number): void {
    this.floor = this.scale + Math.log(this.bySize.reduce((s, x) => s + x, 0)) + share
  }

  /** Weighs every pair but those that are known to stay below the floor. */
  pairs(weigh: (a: number, b: number) => void): void {
    const { faults, pairBounds } = this.model
    if (pairBounds) this.pairsWithin(pairBounds, weigh)
    else for (let a = 0; a < faults; a++) for (let b = a + 1; b < faults; b++) weigh(a, b)
  }

  /** Of each first one the seconds in falling order, so that one look tells where the rest cannot matter. */
  private pairsWithin({ first, second }: PairBounds, weigh: (a: number, b: number) => void): void {
    const order = Array.from(second.keys()).sort((x, y) => second[y]! - second[x]!)
    const top = second[order[0] ?? 0] ?? 0
    const shares = second.map(s => Math.exp(s - top))
    let after = shares.reduce((s, x) => s + x, 0)
    for (let a = 0; a < first.length; a++) {
      after -= shares[a]!
      let rest = after
      for (const b of order) {
        if (first[a]! + second[b]! < this.floor) break
        if (b <= a) continue
        rest -= shares[b]!
        weigh(a, b)
      }
      this.skipped += Math.max(0, rest) * Math.exp(first[a]! + top - this.floor)
    }
  }

  settled(extended: ReadonlySet<number>): Posterior {
    const total = this.bySize.reduce((s, x) => s + x, 0)
    const logTotal = this.scale + Math.log(total)
    const hypotheses: Hypothesis[] = this.told
      .filter(t => t.log > this.best - TOLD)
      .map(t => ({ faults: t.faults, weight: Math.exp(t.log - logTotal) }))
      .sort((x, y) => y.weight - x.weight)
    return {
      hypotheses,
      marginals: this.marginals.map(m => m / total),
      bySize: this.bySize.map(s => s / total),
      logTotal,
      leftOut: boundOf(this.model, logTotal, extended, Math.log(this.skipped) + this.floor),
    }
  }
}

/** Prior of all sets of three that were not weighed, times the most that evidence could give one, over the total. */
function boundOf(model: DiagnosisModel, logTotal: number, extended: ReadonlySet<number>, logSkipped: number): number {
  const pairs = Math.exp(logSkipped - logTotal) || 0
  if (model.faults < 3) return pairs
  if (model.logMost === undefined) return 1
  const none = model.logPrior([])
  const odds = Float64Array.from({ length: model.faults }, (_, a) => Math.exp(model.logPrior([a]) - none))
  const [one, two, three] = [1, 2, 3].map(n => odds.reduce((s, o) => s + o ** n, 0)) as [number, number, number]
  // The elementary symmetric sum of three, by Newton's identities.
  let sum = (one ** 3 - 3 * one * two + 2 * three) / 6
  for (const key of extended) {
    const [a, rest] = [key % model.faults, Math.floor(key / model.faults)]
    sum -= odds[a]! * odds[rest % model.faults]! * odds[Math.floor(rest / model.faults)]!
  }
  const prior = Math.max(sum, 0) * Math.exp(none)
  return Math.min(1, pairs + Math.exp(Math.log(Math.max(prior, 1e-300)) + model.logMost - logTotal))
}
