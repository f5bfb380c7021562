/** A speed that was heard or seen, without a signal that times each revolution. */
export interface SensedSpeed {
  /** r/min; null where it cannot be told. */
  readonly rpm: number | null
  /** Half-width of the 95 % interval, r/min. */
  readonly uncertainty: number | null
  readonly revolutions: number
  /** Speeds that explain the same, best first; the one above among them where it is only the likeliest. */
  readonly others: readonly { readonly rpm: number; readonly uncertainty: number; readonly if: string }[]
  /** What was heard or seen, and what it cannot tell. */
  readonly says: readonly string[]
  /** What to do where it tells nothing; empty where it does. */
  readonly next: string
}

/** A speed that could be told. */
export const tellsSpeed = (
  { rpm, uncertainty }: { readonly rpm: number; readonly uncertainty: number },
  revolutions: number,
  says: readonly string[],
): SensedSpeed => ({ rpm, uncertainty, revolutions, others: [], says, next: '' })

export const tellsNothing = (says: string, next: string, others: SensedSpeed['others'] = []): SensedSpeed => ({
  rpm: null,
  uncertainty: null,
  revolutions: 0,
  others,
  says: [says],
  next,
})
