/**
 * What the engine reasons about. It knows nothing of drives: faults are numbers, evidence is a likelihood of a set of
 * faults, a check is a list of answers with a chance for each under a set.
 */
export interface DiagnosisModel {
  /** How many faults there are; they are numbered from 0. */
  readonly faults: number
  /** Natural logarithm of how likely a set is beforehand, up to a constant. */
  readonly logPrior: (set: readonly number[]) => number
  /** Natural logarithm of how likely all evidence is under a set. */
  readonly logLikelihood: (set: readonly number[]) => number
  /** Left out where no bounds are known. Pairs that cannot matter are not weighed where they are. */
  readonly pairBounds?: PairBounds
  /** No set of more faults than were looked into is likelier than this; left out where nothing is known. */
  readonly logMost?: number
}

/**
 * Natural logarithms by fault: prior and likelihood of a pair together are no more than that of its first, the one of
 * lower number, plus that of its second.
 */
export interface PairBounds {
  readonly first: Float64Array
  readonly second: Float64Array
}

/** A set of faults with its share of the probability. */
export interface Hypothesis {
  /** Rising. */
  readonly faults: readonly number[]
  readonly weight: number
}

/** What is believed after all evidence. */
export interface Posterior {
  /** The likeliest first; weights sum to 1 with what was dropped. */
  readonly hypotheses: readonly Hypothesis[]
  /** Probability of each fault, alone or with others. */
  readonly marginals: Float64Array
  /** Probability by the number of faults in a set. */
  readonly bySize: readonly number[]
  /** Natural logarithm of the sum of all that was weighed, in the model's own constant. */
  readonly logTotal: number
  /** Upper bound for the share of the sets of three and more that were not looked into; at most 1. */
  readonly leftOut: number
}

/** A check whose answers have a chance under each set. */
export interface CheckModel {
  readonly answers: number
  readonly chance: (answer: number, set: readonly number[]) => number
  /** Minutes of hands. */
  readonly minutes: number
  /** Expected harm, as minutes that it costs. */
  readonly risk: (set: readonly number[]) => number
  /** An answer after which nothing is left to decide: the treatment cured. */
  readonly settles?: number
}
