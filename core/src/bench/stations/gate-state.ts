import { holds, type Finding, type Situation, type StandingFinding } from '../../findings'
import { lowerFirst, upperFirst, type Call } from '../../base/observations'
import type { LogEntry } from '../../log'
import { GATES, findGate, type Gate, type GateCondition, type GateId } from './gates'
import { STATIONS } from './stations'

/** Why a gate is not open: something was not looked at yet, or something was found that forbids it. */
export interface Missing {
  readonly id: string
  /** A whole sentence. */
  readonly sentence: string
  readonly kind: 'not-known' | 'forbids'
  /** Question that would settle it, where one does. */
  readonly question: string | null
  readonly finding: Finding | null
}

export interface GateState {
  readonly gate: Gate
  readonly open: boolean
  /** Whether something that was found forbids it, rather than something being unknown yet. */
  readonly forbidden: boolean
  /** Whether it is forbidden by a finding of its own, not merely by a gate before it. */
  readonly forbiddenHere: boolean
  readonly missing: readonly Missing[]
  /** The reason with which it was passed all the same; null where it was not. */
  readonly override: LogEntry | null
  readonly call: Call
}

/** What the record says apart from findings. */
export interface RecordFacts {
  /** Undone things that are neither put back nor left off. */
  readonly toPutBack: number
  /** Waits that still run, in words; `wet` are those that forbid power. */
  readonly waits: readonly string[]
  readonly wet: readonly string[]
  /** Those that forbid a disk. */
  readonly atHeads: readonly string[]
}

/** What was found, and what follows from it, as whole sentences. */
export const sentenceOf = (f: StandingFinding): string =>
  `${f.question.topic}: ${lowerFirst(f.finding.label)}. ${f.finding.means}`

/**
 * The gate that must be open before a question can be answered at all: that of the first step that asks it. A question
 * that some step asks without a gate is behind none.
 */
const BEHIND: ReadonlyMap<string, GateId> = gatesOfQuestions()

function gatesOfQuestions(): Map<string, GateId> {
  const asked = STATIONS.flatMap(s => s.steps).flatMap(step => (step.asks ?? []).map(q => [q, step.gate] as const))
  const behind = new Map<string, GateId>()
  for (const [question, gate] of asked) if (gate && !behind.has(question)) behind.set(question, gate)
  for (const [question, gate] of asked) if (!gate) behind.delete(question)
  return behind
}

function missingOf(
  c: GateCondition,
  found: readonly StandingFinding[],
  record: RecordFacts,
  isShut: (gate: GateId) => boolean,
): Missing[] {
  const notKnown = (sentence: string): Missing[] => [
    { id: c.id, sentence, kind: 'not-known', question: c.question ?? null, finding: null },
  ]
  if (c.record === 'put-back')
    return record.toPutBack
      ? notKnown(`${record.toPutBack} ${record.toPutBack === 1 ? 'thing is' : 'things are'} still to be put back.`)
      : []
  if (c.record === 'nothing-wet') return record.wet.length ? notKnown(`Still waiting: ${record.wet.join(', ')}.`) : []
  if (c.record === 'heads-free')
    return record.atHeads.length ? notKnown(`Still waiting: ${record.atHeads.join(', ')}.`) : []
  if (c.record === 'no-wait') return record.waits.length ? notKnown(`Still waiting: ${record.waits.join(', ')}.`) : []
  const blocks = found.filter(f => c.blockedBy?.includes(f.finding.id))
  if (blocks.length)
    return blocks.slice(-1).map(f => ({
      id: c.id,
      sentence: sentenceOf(f),
      kind: 'forbids' as const,
      question: f.question.id,
      finding: f.finding,
    }))
  const answers = c.question ? found.filter(f => f.question.id === c.question) : []
  if (c.question && answers.length === 0) return notKnown(`Still needed: ${c.need}.`)
  if (c.needs && !answers.some(f => c.needs!.includes(f.finding.id))) {
    const last = answers.at(-1)!
    return [{ id: c.id, sentence: sentenceOf(last), kind: 'forbids', question: c.question!, finding: last.finding }]
  }
  // Nothing that lies behind a closed gate can have been seen: what is filed from there opens nothing.
  const behind = c.question && BEHIND.get(c.question)
  if (behind && isShut(behind))
    return notKnown(
      `Still needed: ${c.need}. What was filed does not count while “${findGate(behind).label}” is closed.`,
    )
  return []
}

/** An override covers what was missing when it was written; a finding made after it closes the gate again. */
function covered(m: Missing, overrides: readonly LogEntry[], found: readonly StandingFinding[]): boolean {
  const since = found.filter(f => m.kind === 'forbids' && f.finding === m.finding).at(-1)?.entry.seq ?? 0
  return overrides.some(o => o.data?.type === 'override' && o.data.missing.includes(m.id) && o.seq > since)
}

/**
 * Every gate that applies to a drive: open or closed, and by what.
 * @param standing entries that still hold
 */
export function gateStates(
  situation: Situation,
  found: readonly StandingFinding[],
  standing: readonly LogEntry[],
  record: RecordFacts,
): GateState[] {
  const states = new Map<GateId, GateState>()
  for (const gate of GATES) {
    if (!holds(gate.when, situation)) continue
    const overrides = standing.filter(e => e.data?.type === 'override' && e.data.gate === gate.id)
    const before: Missing[] = (gate.after ?? []).flatMap(id => {
      const s = states.get(id)
      return s && !s.open
        ? [
            {
              id: `gate:${id}`,
              sentence: `“${findGate(id).label}” is closed.`,
              kind: s.forbidden ? ('forbids' as const) : ('not-known' as const),
              question: null,
              finding: null,
            },
          ]
        : []
    })
    const all = [
      ...before,
      ...gate.conditions
        .filter(c => holds(c.when, situation))
        .flatMap(c => missingOf(c, found, record, id => states.get(id)?.open === false)),
    ]
    const missing = all
      .filter(m => !covered(m, overrides, found))
      .sort((a, b) => Number(b.kind === 'forbids') - Number(a.kind === 'forbids'))
    const override = all.length > missing.length ? overrides.at(-1)! : null
    states.set(gate.id, {
      gate,
      open: missing.length === 0,
      forbidden: missing.some(m => m.kind === 'forbids'),
      forbiddenHere: missing.some(m => m.kind === 'forbids' && !m.id.startsWith('gate:')),
      missing,
      override,
      call: callOf(gate, missing, override),
    })
  }
  return [...states.values()]
}

function callOf(gate: Gate, missing: readonly Missing[], override: LogEntry | null): Call {
  if (missing.length === 0) {
    return {
      kind: 'leave',
      reasons: [
        override
          ? `${gate.label} was opened by hand: ${override.detail}`
          : `${gate.label} is open: ${gate.conditions.length === 1 ? 'its condition is' : 'all its conditions are'} met.`,
      ],
      next: 'Continue with the next step.',
    }
  }
  const first = missing[0]!
  const next = first.finding
    ? first.finding.next
    : first.question
      ? 'Look, and say what you find.'
      : 'Settle that first.'
  return { kind: 'stop', reasons: [upperFirst(gate.because), ...missing.map(m => m.sentence)], next }
}
