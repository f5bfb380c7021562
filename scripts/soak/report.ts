/** What one part of the soak did, in a sentence, and every fault that it found. */
export interface Report {
  readonly says: string
  readonly faults: readonly string[]
}
