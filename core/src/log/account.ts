/** What is entered about money and hours. Amounts in the workshop's currency; `null` where not known. */
export interface Account {
  /** Paid for it, postage included. */
  readonly paid: number | null
  /** Parts still to buy. */
  readonly parts: number | null
  /** What it fetches working, and as parts. */
  readonly working: number | null
  readonly asParts: number | null
  /** Hours spent so far. */
  readonly hours: number | null
  /** What an hour of yours is to bring; 0 for love. */
  readonly hourRate: number | null
  /** Chance of success, 0 to 1, where you know better than the usual one. */
  readonly chance: number | null
  /** Repair even at a loss beyond its price. */
  readonly matters: boolean
}

export const NO_ACCOUNT: Account = {
  paid: null,
  parts: null,
  working: null,
  asParts: null,
  hours: null,
  hourRate: null,
  chance: null,
  matters: false,
}
