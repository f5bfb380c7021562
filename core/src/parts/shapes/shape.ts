/** How a measure of another part must stand to the one that is wanted. */
export type MeasureRule =
  /** The same word or number. */
  | { readonly rule: 'same' }
  /** Within a share of it. */
  | { readonly rule: 'near'; readonly share: number }
  | { readonly rule: 'at least' }
  | { readonly rule: 'at most' }

/** One thing that tells whether a part fits. */
export type Measure = MeasureRule & {
  readonly id: string
  readonly label: string
  /** Unit of a number; empty for words. */
  readonly unit: string
  /** Words that it can be; numbers where there are none, and any words where the list is empty. */
  readonly words?: readonly string[]
  /** Without it nobody can say that a part fits. */
  readonly must?: true
}

/** What makes a part fit drives of other models: its measures. */
export interface Shape {
  readonly label: string
  readonly measures: readonly Measure[]
  /** Calculator that compares two of them to the last size; left out where there is none. */
  readonly calculator?: string
}

/** Measures of one part, by their ids. */
export type Measures = Readonly<Record<string, number | string>>
