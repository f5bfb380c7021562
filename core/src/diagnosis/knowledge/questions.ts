import type { Question } from '../../findings'
import type { Check, CheckNeed, Fault } from './types'

/** Chance that a question is answered well where nothing that it sees is at fault (from memory). */
const CLEAN = 0.98

/** Looked at from outside, without opening. */
const OUTSIDE = new Set(['smell', 'storage', 'rattle', 'loading', 'missing', 'history', 'mains', 'disk', 'click'])
const RUNNING = new Set(['power', 'sacrifice', 'protect', 'seconddisk', 'closed', 'evidence'])

const needsOf = (question: string): CheckNeed[] =>
  RUNNING.has(question) ? ['power', 'disk'] : OUTSIDE.has(question) ? [] : ['open']

/**
 * Every question of the vocabulary that a fault shows itself by, as a check: its answers are its findings. Where
 * nothing is at fault a good answer comes mostly, and each other one now and then.
 */
export function questionChecks(questions: readonly Question[], faults: readonly Fault[]): Check[] {
  const asked = new Set(faults.flatMap(f => Object.keys(f.shows)))
  return questions
    .filter(q => asked.has(`found.${q.id}`))
    .map(q => {
      const good = q.findings.filter(f => f.call === 'leave')
      const bad = q.findings.filter(f => f.call !== 'leave')
      const base = Object.fromEntries(
        q.findings.map(f => {
          if (good.length === 0 || bad.length === 0) return [f.id, 1 / q.findings.length]
          return [f.id, f.call === 'leave' ? CLEAN / good.length : (1 - CLEAN) / bad.length]
        }),
      )
      return {
        id: `found.${q.id}`,
        title: q.ask,
        answers: q.findings.map(f => f.id),
        words: Object.fromEntries(q.findings.map(f => [f.id, f.label])),
        kind: 'finding' as const,
        minutes: q.sense === 'measured' ? 4 : 1.5,
        needs: needsOf(q.id),
        source: 'hand' as const,
        base,
        opens: { kind: 'finding' as const, id: q.id },
        ...(q.when ? { when: q.when } : {}),
        ...(q.several ? { several: true as const } : {}),
      }
    })
}
