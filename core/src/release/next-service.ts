import { byText } from '../base/order'
import { findingsAmong } from '../findings'
import { possibleFeatures, type MechanismId } from '../drives'
import { standingEntries, type LogEntry } from '../log'

/** Something to be done again, some time after the drive was done. */
export interface ServiceDate {
  readonly id: string
  /** Day, ISO 8601. */
  readonly on: string
  readonly what: string
  readonly why: string
}

interface Rule {
  readonly id: string
  readonly months: number
  readonly what: string
  readonly why: string
  readonly when: (found: ReadonlySet<string>, mechanism: MechanismId) => boolean
}

/**
 * Intervals are common practice where the work says so, else from memory; each is what a careful bench keeps to, no
 * law.
 */
const RULES: readonly Rule[] = [
  {
    id: 'oil',
    months: 12,
    what: 'A drop of oil on guide rail and screw',
    why: 'Light oil is renewed every year or so; dust does not cake in it.',
    when: f => f.has('grease.renewed'),
  },
  {
    id: 'belt',
    months: 24,
    what: 'Look at the belt; measure the speed',
    why: 'Rubber ages even at rest. A belt that turns sticky is taken off before the drive is powered.',
    when: f => f.has('belt.new') || f.has('belt.sound'),
  },
  {
    id: 'heads',
    months: 12,
    what: 'Clean the heads if it was used',
    why: 'Old disks shed.',
    when: (_, m) => m !== 'cartridge',
  },
  {
    id: 'capacitors',
    months: 24,
    what: 'Look and smell for leaking capacitors',
    why: 'Those that were sound may not stay so.',
    when: f => !f.has('caps.replaced'),
  },
  {
    id: 'speed',
    months: 12,
    what: 'Measure the speed',
    why: 'A trimmer and a motor drift.',
    when: (_, m) => !possibleFeatures(m).has('servo'),
  },
  {
    id: 'exercise',
    months: 6,
    what: 'Turn it by hand, then run it for ten minutes',
    why: 'What stands still sets; a motor and a carriage that move now and then stay free.',
    when: () => true,
  },
]

const monthsLater = (iso: string, months: number): string => {
  const d = new Date(iso)
  const day = d.getUTCDate()
  d.setUTCDate(1)
  d.setUTCMonth(d.getUTCMonth() + months)
  // The last day of a month that is shorter.
  d.setUTCDate(Math.min(day, new Date(Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + 1, 0)).getUTCDate()))
  return d.toISOString().slice(0, 10)
}

/** When what is due again, soonest first. @param from the day from which it counts, ISO 8601 */
export function nextService(mechanism: MechanismId, log: readonly LogEntry[], from: string): ServiceDate[] {
  if (Number.isNaN(Date.parse(from))) return []
  const found = new Set(findingsAmong(standingEntries(log)).map(f => f.finding.id))
  return RULES.filter(r => r.when(found, mechanism))
    .map(({ id, months, what, why }) => ({ id, on: monthsLater(from, months), what, why }))
    .sort((a, b) => byText(a.on, b.on))
}
