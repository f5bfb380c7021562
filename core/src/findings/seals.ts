import { ADJUSTER_PLACES } from '../drives'
import type { StandingFinding } from './standing'

/** Adjusters that have a seal of their own. */
export const SEALED = ['sensor', 'stepper', 'lower', 'upper'] as const
export type Seal = 'whole' | 'broken' | 'never'
export type Seals = Readonly<Partial<Record<(typeof SEALED)[number], Seal>>>

/**
 * What the seals of the adjusters were seen to be. Screw heads that are marred, where no seal beside them was seen
 * whole, count as a seal that is broken: somebody was at them.
 */
export function sealsOf(findings: readonly StandingFinding[]): Seals {
  const marred = findings.filter(f => f.finding.id === 'screws.marred')
  const state = (adjuster: (typeof SEALED)[number]): Seal | null => {
    const place = ADJUSTER_PLACES[adjuster]
    const here = (f: StandingFinding) => f.place === place || f.place === null
    const f = findings.findLast(x => x.question.id === 'lacquer' && here(x))
    if (f?.finding.id === 'lacquer.broken') return 'broken'
    if (f && f.finding.id !== 'lacquer.never') return 'whole'
    // Marred screws are a sign of the head whose screws they are; said of the whole drive, of none in particular.
    if (marred.some(m => m.place === place)) return 'broken'
    return f ? 'never' : null
  }
  return Object.fromEntries(SEALED.flatMap(a => (state(a) ? [[a, state(a)]] : [])))
}

/** Chance beforehand that an adjuster was moved, by its seal (from memory of what comes across a bench). */
export const MOVED: Readonly<Record<Seal, number>> = { whole: 0.004, never: 0.04, broken: 0.2 }
