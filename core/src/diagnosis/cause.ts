/** A fault with its probability, alone or with others. */
export interface Cause {
  readonly fault: string
  readonly part: string
  readonly label: string
  readonly probability: number
  /** Share of it that is still there after what cured, 0 to 1. */
  readonly left: number
  readonly why: readonly string[]
  readonly against: readonly string[]
  readonly cure: string
}
