/** A joint distribution over variables with few states each, known up to a constant. */
export interface JointModel {
  /** Number of states of each variable. */
  readonly sizes: readonly number[]
  /** The configuration to begin with: usually the likeliest beforehand. */
  readonly start: readonly number[]
  /**
   * Natural logarithm of the joint probability for every state of one variable, the others as they are in a
   * configuration.
   */
  readonly along: (config: readonly number[], variable: number) => Float64Array
  /**
   * Whether a variable bears on no other: its states are as likely in every configuration, so that none is looked into
   * for it. No variable, where this is left out.
   */
  readonly apart?: (variable: number) => boolean
}

/** A configuration that was weighed against all that differ from it in one variable. */
export interface Explained {
  readonly config: readonly number[]
  /** Share of the probability among those that were weighed. */
  readonly weight: number
  /** Of each variable, the probability of its states while the others stay. */
  readonly conditionals: readonly Float64Array[]
}

const NEGLIGIBLE = 12

/**
 * Looks for the configurations that hold the probability: always into the likeliest that was not looked into yet,
 * weighing all that differ
 * from it in one variable. With room for every configuration it is exact; else it keeps the heaviest.
 * @param most configurations that are looked into at most
 * @param negligible one that is less likely than the best by this (natural logarithm) is not looked into
 */
export function searchPosterior(model: JointModel, most: number, negligible = NEGLIGIBLE): Explained[] {
  const { sizes, start } = model
  const marks = marksOf(sizes)
  const met = new Set<number>()
  const open: Met[] = []
  const expanded: {
    readonly config: readonly number[]
    readonly log: number
    readonly conditionals: Float64Array[]
  }[] = []
  let best = -Infinity
  const meet = (next: Met) => {
    if (met.has(next.mark) || next.log === -Infinity) return
    met.add(next.mark)
    best = Math.max(best, next.log)
    // Kept in order, the likeliest last.
    let [low, high] = [0, open.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (open[middle]!.log < next.log) low = middle + 1
      else high = middle
    }
    open.splice(low, 0, next)
  }
  const first = start.reduce((sum, s, v) => sum + marks[v]![s]!, 0)
  meet({ from: start, variable: 0, state: start[0]!, mark: first, log: model.along(start, 0)[start[0]!]! })
  const apart = sizes.map((_, v) => (model.apart?.(v) ? normalised(model.along(start, v)) : null))
  while (open.length && expanded.length < most) {
    const { from, variable, state, mark, log } = open.pop()!
    if (log < best - negligible) break
    const config = from.with(variable, state)
    const conditionals = sizes.map((size, v) => {
      if (apart[v]) return apart[v]
      const logsOf = model.along(config, v)
      const others = mark - marks[v]![config[v]!]!
      for (let s = 0; s < size; s++) {
        if (s !== config[v] && logsOf[s]! > best - negligible)
          meet({ from: config, variable: v, state: s, mark: others + marks[v]![s]!, log: logsOf[s]! })
      }
      return normalised(logsOf)
    })
    expanded.push({ config, log, conditionals })
  }
  const weights = normalised(Float64Array.from(expanded, e => e.log))
  return expanded.map(({ config, conditionals }, i) => ({ config, conditionals, weight: weights[i]! }))
}

/** A configuration that was met: another one with one variable changed. Most are never looked into. */
interface Met {
  readonly from: readonly number[]
  readonly variable: number
  readonly state: number
  readonly mark: number
  readonly log: number
}

/**
 * A whole number for each state of each variable, so that their sum tells configurations apart (Zobrist 1970). Two of a
 * hundred thousand come out alike in less than one of ten thousand searches of a hundred variables; the second of them
 * is left out then.
 */
function marksOf(sizes: readonly number[]): number[][] {
  let state = 1
  // The generator of Park and Miller (1988); two draws make 52 bits, and the sum of all marks stays exact.
  const draw = () => (state = (state * 48_271) % 2_147_483_647)
  const mark = () => Math.floor(((draw() % 2 ** 21) * 2 ** 31 + draw()) / sizes.length)
  return sizes.map(size => Array.from({ length: size }, mark))
}

/**
 * Probability of each state of each variable. Each configuration speaks for all that differ from it in that
 * variable, so that variables
 * which nothing is known of keep what they had beforehand, however few configurations were looked into.
 */
export function marginalsOf(explained: readonly Explained[], sizes: readonly number[]): Float64Array[] {
  return sizes.map((size, v) => {
    const sum = new Float64Array(size)
    for (const { weight, conditionals } of explained)
      for (let s = 0; s < size; s++) sum[s]! += weight * conditionals[v]![s]!
    return sum
  })
}

function normalised(logs: Float64Array): Float64Array {
  let top = -Infinity
  for (let i = 0; i < logs.length; i++) if (logs[i]! > top) top = logs[i]!
  const shares = new Float64Array(logs.length)
  let total = 0
  for (let i = 0; i < logs.length; i++) {
    shares[i] = Math.exp(logs[i]! - top)
    total += shares[i]!
  }
  for (let i = 0; i < logs.length; i++) shares[i]! /= total
  return shares
}
