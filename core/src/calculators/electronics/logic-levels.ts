/** What an input asks of whatever drives it, beside its two thresholds. */
export interface LogicInput {
  readonly label: string
  /** Taken as low up to here, as high from here, V. */
  readonly low: number
  readonly high: number
  /**
   * The resistor inside a bipolar input that pulls the line up while it is low, Ω: as drawn in the data books
   * (typical), and the one that gives their largest input current at 0.4 V. Missing where the input takes no current.
   */
  readonly inside?: { readonly typical: number; readonly least: number }
  /** Current into the input while it is high, A, at most. */
  readonly intoHigh: number
}

/**
 * Input levels and currents of the logic that a line drives. TTL data books: standard 1.6 mA out of a low input at
 * most, 40 µA into a high one; low-power Schottky 0.4 mA and 20 µA; the Schmitt trigger's sure thresholds 0.5 and
 * 1.9 V. CMOS at 30 and 70 % of its supply. All from memory of the data books.
 */
export const LOGIC = {
  ttl: { label: 'standard TTL', low: 0.8, high: 2, inside: { typical: 4000, least: 2440 }, intoHigh: 40e-6 },
  ls: { label: 'low-power Schottky TTL', low: 0.8, high: 2, inside: { typical: 20_000, least: 9750 }, intoHigh: 20e-6 },
  schmitt: {
    label: 'low-power Schottky, Schmitt trigger',
    low: 0.5,
    high: 1.9,
    inside: { typical: 20_000, least: 9750 },
    intoHigh: 20e-6,
  },
  cmos: { label: 'CMOS or comparator, 5 V', low: 1.5, high: 3.5, intoHigh: 1e-6 },
} as const satisfies Record<string, LogicInput>
export type LogicFamily = keyof typeof LOGIC

/** What is assumed of an input that nobody named: TTL's levels, and no current. */
export const UNNAMED_INPUT: LogicInput = { label: 'TTL', low: LOGIC.ttl.low, high: LOGIC.ttl.high, intoHigh: 0 }

/** The family that was chosen; null where none was. */
export const logicOf = (choice: unknown): LogicInput | null =>
  typeof choice === 'string' && choice in LOGIC ? LOGIC[choice as LogicFamily] : null

/** A lit phototransistor never gets below this, V (from memory). */
export const SATURATED = 0.1
