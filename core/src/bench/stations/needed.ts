import { findingsNamed } from '../../findings'
import { GOAL_IDS, type GoalId, type RouteId } from '../../log'
import type { GateState } from './gate-state'
import type { GateId } from './gates'
import type { Step } from './station'

/** Where nobody said how far a drive is to be brought: it is to read the disks of others. */
export const USUAL_GOAL: GoalId = 'trusted'

/** Steps that a level takes, by the lowest level that takes them. */
const FROM: Readonly<Record<string, GoalId>> = {
  'first-power.bare': 'turns',
  'first-power.sacrifice': 'turns',
  'first-power.protect': 'own',
  'speed.capture': 'turns',
  'prove.change': 'own',
  'prove.write': 'own',
  'prove.read': 'trusted',
  'prove.cross': 'others',
  'prove.close': 'turns',
  'prove.closed': 'turns',
  'prove.pin': 'turns',
  'align.sweep': 'trusted',
  'align.evidence': 'standard',
  'release.read': 'turns',
  'release.card': 'turns',
}

/** Losing the pin is a mistake that is made before anybody thinks of it. */
const ALWAYS: ReadonlySet<string> = new Set(['open.pin'])

/** Gates in the way of what a goal takes. */
const GATES_FOR: Readonly<Record<GoalId, readonly GateId[]>> = {
  turns: ['first-power', 'insert-disk', 'close-up'],
  own: ['first-power', 'insert-disk', 'close-up'],
  trusted: ['first-power', 'insert-disk', 'insert-good-disk', 'close-up'],
  others: ['first-power', 'insert-disk', 'insert-good-disk', 'close-up'],
  standard: ['first-power', 'insert-disk', 'insert-good-disk', 'touch-sealed', 'close-up'],
}

/** What a drive is worked on for. */
export interface Aim {
  readonly route?: RouteId
  readonly goal?: GoalId | null
}

/**
 * Which steps a drive needs. An overhaul needs all; on the way from its complaint it needs the looks that its gates
 * ask for, what answers something that was found, and the tests of the level that it is brought to.
 */
export function neededBy({ route = 'overhaul', goal }: Aim, gates: readonly GateState[]): (step: Step) => boolean {
  if (route === 'overhaul') return () => true
  const level = goal ?? USUAL_GOAL
  const wanted = new Set<GateId>(GATES_FOR[level])
  const asked = new Set(
    gates.filter(g => wanted.has(g.gate.id)).flatMap(g => g.gate.conditions.flatMap(c => c.question ?? [])),
  )
  return step => {
    const from = FROM[step.id]
    if (from) return GOAL_IDS.indexOf(from) <= GOAL_IDS.indexOf(level)
    return (
      ALWAYS.has(step.id) ||
      findingsNamed(step.when).length > 0 ||
      (step.asks ?? []).some(question => asked.has(question))
    )
  }
}
