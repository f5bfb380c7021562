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
  const logs = new Map<string, number>()
  const open: { readonly config: readonly number[]; readonly log: number }[] = []
  const expanded: {
    readonly config: readonly number[]
    readonly log: number
    readonly conditionals: Float64Array[]
  }[] = []
  let best = -Infinity
  const meet = (config: readonly number[], log: number) => {
    const key = config.join()
    if (logs.has(key) || log === -Infinity) return
    logs.set(key, log)
    best = Math.max(best, log)
    // Kept in order, the likeliest last.
    let [low, high] = [0, open.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (open[middle]!.log < log) low = middle + 1
      else high = middle
    }
    open.splice(low, 0, { config, log })
  }
  meet(start, model.along(start, 0)[start[0]!]!)
  while (open.length && expanded.length < most) {
    const { config, log } = open.pop()!
    if (log < best - negligible) break
    const conditionals = sizes.map((size, v) => {
      const logsOf = model.along(config, v)
      for (let s = 0; s < size; s++) {
        if (s !== config[v] && logsOf[s]! > best - negligible) meet(config.with(v, s), logsOf[s]!)
      }
      return normalised(logsOf)
    })
    expanded.push({ config, log, conditionals })
  }
  const weights = normalised(Float64Array.from(expanded, e => e.log))
  return expanded.map(({ config, conditionals }, i) => ({ config, conditionals, weight: weights[i]! }))
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
  const top = logs.reduce((m, l) => Math.max(m, l), -Infinity)
  const shares = logs.map(l => Math.exp(l - top))
  const total = shares.reduce((n, x) => n + x, 0)
  return shares.map(x => x / total)
}
