import { findFinding, findQuestion, type Finding, type Question } from '../../findings'
import type { GateState } from './gate-state'
import type { GateId } from './gates'

/** One look that a closed safety gate waits for. */
export interface SafetyLook {
  /** Id of the condition. */
  readonly id: string
  readonly question: Question
  /** What “fine” claims; null where a person has to choose in what way it is. */
  readonly fine: Finding | null
  /** Seen only with the covers off. */
  readonly inside: boolean
  /** What was found that keeps the gate closed; null where nobody has looked yet. */
  readonly found: Finding | null
}

/** All that is still to be looked at before the next thing that can do damage. */
export interface SafetySheet {
  readonly gate: GateState
  readonly looks: readonly SafetyLook[]
  /** What keeps it closed beside looks, as whole sentences: something that dries, another gate. */
  readonly beside: readonly string[]
}

/** Gates in the way of power, of a disk, and of a disk that matters. */
const IN_ORDER: readonly GateId[] = ['first-power', 'insert-disk', 'insert-good-disk']

/**
 * The shortest way to open the next closed safety gate: its looks, each with what “fine” would claim. Null where every
 * gate before a good disk is open.
 */
export function safetySheet(gates: readonly GateState[]): SafetySheet | null {
  const gate = IN_ORDER.map(id => gates.find(g => g.gate.id === id)).find(g => g && !g.open)
  if (!gate) return null
  const looks: SafetyLook[] = []
  const beside: string[] = []
  for (const m of gate.missing) {
    const condition = gate.gate.conditions.find(c => c.id === m.id)
    if (!m.question || !condition) {
      beside.push(m.sentence)
      continue
    }
    looks.push({
      id: m.id,
      question: findQuestion(m.question),
      fine: condition.fine ? findFinding(condition.fine).finding : null,
      inside: condition.inside === true,
      found: m.finding,
    })
  }
  return { gate, looks, beside }
}

/** Looks that one tap may call fine: nobody has looked yet, one word says it, and no closed cover is in the way. */
export const claimable = (sheet: SafetySheet, coversOff: boolean): SafetyLook[] =>
  sheet.looks.filter(l => l.fine !== null && l.found === null && (coversOff || !l.inside))
