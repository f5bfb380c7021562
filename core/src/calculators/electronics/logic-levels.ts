/** Input levels of the logic that a line drives: TTL data books; CMOS at 30 and 70 % of its supply. */
export const LOGIC = {
  ttl: { label: 'TTL', low: 0.8, high: 2 },
  cmos: { label: 'CMOS, 5 V', low: 1.5, high: 3.5 },
} as const
export type LogicFamily = keyof typeof LOGIC
/** A lit phototransistor never gets below this, V (from memory). */
export const SATURATED = 0.1
