/** Where a value comes from. Nothing enters the catalogue without one. */
export type Source =
  | { readonly kind: 'standard'; readonly reference: string }
  | { readonly kind: 'common practice' }
  | { readonly kind: 'from memory'; readonly note?: string }

/** A constant together with its unit and its source. */
export interface Sourced<T = number> {
  readonly value: T
  readonly unit: string
  readonly source: Source
}

export const commonPractice: Source = { kind: 'common practice' }
export const fromMemory: Source = { kind: 'from memory' }
export const standard = (reference: string): Source => ({ kind: 'standard', reference })

/** Shorthand for a catalogue entry: value, unit, source. */
export const sourced = <T>(value: T, unit: string, source: Source): Sourced<T> => ({ value, unit, source })

/** The source in words, as the Handbook prints it. */
export function describeSource(source: Source): string {
  if (source.kind === 'standard') return source.reference
  if (source.kind === 'from memory' && source.note) return `from memory (${source.note})`
  return source.kind
}
