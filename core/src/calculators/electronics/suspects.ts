/**
 * Something that may be at fault, with what each measurement would show if it were. What is left out may show
 * anything.
 */
export interface Suspect<T extends string> {
  readonly id: string
  readonly label: string
  readonly cure: string
  /** How often it is this one, against the others (from memory). */
  readonly odds: number
  readonly shows: Readonly<Partial<Record<T, readonly string[]>>>
}

export interface Probe<T extends string> {
  readonly id: T
  /** Minutes of hands. */
  readonly minutes: number
  readonly outcomes: readonly string[]
}

/** Suspects that agree with everything that was measured. */
export function agreeing<T extends string>(
  suspects: readonly Suspect<T>[],
  measured: Readonly<Partial<Record<T, string>>>,
): Suspect<T>[] {
  return suspects.filter(s =>
    (Object.entries(measured) as [T, string][]).every(([t, is]) => s.shows[t]?.includes(is) ?? true),
  )
}

/** Bits that a measurement is expected to tell about which suspect it is. */
export function bitsOf<T extends string>(suspects: readonly Suspect<T>[], probe: Probe<T>): number {
  const total = suspects.reduce((s, x) => s + x.odds, 0)
  if (total === 0) return 0
  // One that shows nothing certain shows each outcome alike.
  const likely = (s: Suspect<T>, o: string) => {
    const can = s.shows[probe.id] ?? probe.outcomes
    return can.includes(o) ? 1 / can.length : 0
  }
  let bits = 0
  for (const o of probe.outcomes) {
    const p = suspects.reduce((sum, s) => sum + (s.odds / total) * likely(s, o), 0)
    if (p > 0) bits -= p * Math.log2(p)
  }
  // Less what stays open about the outcome even when the suspect is known.
  for (const s of suspects)
    for (const o of probe.outcomes) {
      const q = likely(s, o)
      if (q > 0) bits += (s.odds / total) * q * Math.log2(q)
    }
  return Math.max(0, bits)
}

/** The measurement that tells most for each minute of hands; null where none tells anything. */
export function cheapest<T extends string>(
  suspects: readonly Suspect<T>[],
  probes: readonly Probe<T>[],
  measured: Readonly<Partial<Record<T, string>>>,
): Probe<T> | null {
  const open = probes
    .filter(p => measured[p.id] === undefined)
    .map(p => ({ p, worth: bitsOf(suspects, p) / p.minutes }))
  const best = open.sort((a, b) => b.worth - a.worth)[0]
  return best && best.worth > 1e-9 ? best.p : null
}
