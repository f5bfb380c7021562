/** What came of following every log along its chain. */
export interface LogCheckState {
  readonly running: boolean
  /** When it was done last; null before the first time. */
  readonly at: string | null
  readonly drives: number
  readonly entries: number
  /** Drives that were erased as a whole. */
  readonly erased: number
  /** One sentence for everything that is not as it was written. */
  readonly problems: readonly string[]
}
