/** One thing seen or measured, in the one vocabulary that instruments write and the log keeps. */
export interface Observation {
  /** Dotted name from the controlled vocabulary, e.g. `speed.mean`. */
  readonly key: string
  /** The same name for people. */
  readonly label: string
  readonly value: number | string | boolean
  /** SI or trade unit of `value`; empty for a plain count or a word. */
  readonly unit: string
  /** Half-width of the 95 % interval, in `unit`, where one is known. */
  readonly uncertainty?: number
  /** How it was got: instrument, number of turns, file. */
  readonly how: string
}

/** Decimals so that the uncertainty shows one or two figures: 0.043 -> 2, 0.2 -> 1, 3 -> 0. */
function decimalsFor(uncertainty: number): number {
  if (!(uncertainty > 0)) return 2
  return Math.min(4, Math.max(0, Math.ceil(-Math.log10(uncertainty))))
}

/**
 * Value, uncertainty and unit as one string.
 * @example formatObservation({ key: 'speed.mean', label: 'Mean', value: 309.31, unit: 'r/min', uncertainty: 0.21,
 *   how: '' }) // '309.3 ± 0.2 r/min'
 */
export function formatObservation(o: Observation): string {
  if (typeof o.value !== 'number') return [String(o.value), o.unit].filter(Boolean).join(' ')
  if (o.uncertainty === undefined) {
    const text = Number.isInteger(o.value) ? String(o.value) : o.value.toFixed(Math.abs(o.value) < 10 ? 2 : 1)
    return [text.replace('-', '−'), o.unit].filter(Boolean).join(' ')
  }
  const d = decimalsFor(o.uncertainty)
  const shown = Math.max(o.uncertainty, 10 ** -d)
  return [`${o.value.toFixed(d).replace('-', '−')} ± ${shown.toFixed(d)}`, o.unit].filter(Boolean).join(' ')
}
