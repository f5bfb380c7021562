import type { Features, MechanismId } from '../../drives'
import { holds, situationOf } from '../../findings'
import { BUILT_IN, CHECKS } from '../knowledge/knowledge'
import { lampCheck, type LampCheck } from '../knowledge/lamp-codes'
import type { Check, DriveFunction, Fault, Knowledge } from '../knowledge/types'
import { onceForEachKind } from './once-for-each-kind'

/** What is diagnosed. */
export interface DiagnosedDrive {
  readonly mechanism: MechanismId
  readonly features?: Features | null
  /** Year of make, where it is known. */
  readonly year?: number | null
  /** Its model, where it is known: lamps tell by model. */
  readonly model?: string
}

/** Checks of a drive by their ids, with whatever else is known of each. */
export interface HasChecks<C extends { readonly check: Check } = { readonly check: Check }> {
  readonly checks: ReadonlyMap<string, C>
}

/** What a drive has, without the chances that weighing needs: a page asks for no more, and chances take a while. */
export interface There extends HasChecks {
  readonly functions: readonly DriveFunction[]
  readonly faults: readonly Fault[]
  readonly faultById: ReadonlyMap<string, Fault>
}

const once = onceForEachKind<There>()

/** Functions, faults and checks of a drive; found once for each kind. */
export function thereOn(drive: DiagnosedDrive, knowledge: Knowledge = BUILT_IN): There {
  const lamp = lampCheck(knowledge.lampCodes, drive.model)
  const kind = [drive.mechanism, drive.features, lamp && drive.model]
  return once(knowledge, kind, () => found(drive, knowledge, lamp))
}

function found(drive: DiagnosedDrive, knowledge: Knowledge, lamp: LampCheck | null): There {
  const situation = situationOf(drive, [])
  const functions = knowledge.functions.filter(f => holds(f.when, situation))
  const faults = knowledge.faults
    .filter(f => holds(f.when, situation))
    .map(f => (lamp?.shows[f.id] ? { ...f, shows: { ...f.shows, [lamp.check.id]: lamp.shows[f.id]! } } : f))
  const has = new Set(functions.map(f => f.id))
  const checks = (lamp ? CHECKS.map(c => (c.id === lamp.check.id ? lamp.check : c)) : CHECKS).filter(
    c => holds(c.when, situation) && (!c.sees || has.has(c.sees.function)),
  )
  return {
    functions,
    faults,
    faultById: new Map(faults.map(f => [f.id, f])),
    checks: new Map(checks.map(check => [check.id, { check }])),
  }
}
