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

/** How often a measurement shows what its cause does not usually show: a slip, a second fault, an odd board. */
const SLIP = 0.05

/**
 * Chance that a suspect shows an outcome. What it usually shows shares 95 % alike; one that may show anything spreads
 * itself over all outcomes, and pays for that against one that says what comes.
 */
export function chanceOf<T extends string>(suspect: Suspect<T>, probe: Probe<T>, outcome: string): number {
  const n = probe.outcomes.length
  const shows = suspect.shows[probe.id]
  if (!shows || shows.length >= n) return 1 / n
  return shows.includes(outcome) ? (1 - SLIP) / shows.length : SLIP / (n - shows.length)
}

export interface Weighed<T extends string> extends Suspect<T> {
  /** Chance that it is this one, 0 to 1, of those in the list. */
  readonly share: number
  /** Measurements that speak against it. */
  readonly against: readonly T[]
}

/** Suspects by their chance after everything that was measured, the likeliest first (Bayes' rule). */
export function weighed<T extends string>(
  suspects: readonly Suspect<T>[],
  probes: readonly Probe<T>[],
  measured: Readonly<Partial<Record<T, string>>>,
): Weighed<T>[] {
  const seen = probes.filter(p => measured[p.id] !== undefined)
  const weights = suspects.map(s => seen.reduce((w, p) => w * chanceOf(s, p, measured[p.id]!), s.odds))
  const total = weights.reduce((a, b) => a + b, 0)
  return suspects
    .map((s, i) => ({
      ...s,
      share: weights[i]! / total,
      against: seen.filter(p => s.shows[p.id] && !s.shows[p.id]!.includes(measured[p.id]!)).map(p => p.id),
    }))
    .sort((a, b) => b.share - a.share)
}

/** Bits that a measurement is expected to tell about which suspect it is. */
export function bitsOf<T extends string>(
  suspects: readonly (Suspect<T> & { readonly share?: number })[],
  probe: Probe<T>,
): number {
  const weight = (s: Suspect<T> & { readonly share?: number }) => s.share ?? s.odds
  const total = suspects.reduce((sum, s) => sum + weight(s), 0)
  if (total === 0) return 0
  const bits = (p: number) => (p > 0 ? -p * Math.log2(p) : 0)
  const outcome = (o: string) => suspects.reduce((sum, s) => sum + (weight(s) / total) * chanceOf(s, probe, o), 0)
  // Less what stays open about the outcome even when the suspect is known.
  const known = (s: Suspect<T>) => probe.outcomes.reduce((sum, o) => sum + bits(chanceOf(s, probe, o)), 0)
  const all = probe.outcomes.reduce((sum, o) => sum + bits(outcome(o)), 0)
  return Math.max(0, all - suspects.reduce((sum, s) => sum + (weight(s) / total) * known(s), 0))
}

/** The measurement that tells most for each minute of hands; null where none tells anything worth a minute. */
export function cheapest<T extends string>(
  suspects: readonly (Suspect<T> & { readonly share?: number })[],
  probes: readonly Probe<T>[],
  measured: Readonly<Partial<Record<T, string>>>,
): Probe<T> | null {
  const open = probes
    .filter(p => measured[p.id] === undefined)
    .map(p => ({ p, bits: bitsOf(suspects, p) }))
    .filter(o => o.bits > 0.01)
  return open.sort((a, b) => b.bits / b.p.minutes - a.bits / a.p.minutes)[0]?.p ?? null
}
