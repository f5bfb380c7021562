/**
 * For answers that take a while: only that to the last question counts, and none once what they were about was put
 * away.
 */
export function latestOnly() {
  let last = 0
  return {
    /** Begins a question. @returns whether its answer still counts */
    ask(): () => boolean {
      const mine = ++last
      return () => mine === last
    },
    /** Answers to what was asked so far count no more. */
    drop(): void {
      last++
    },
  }
}
