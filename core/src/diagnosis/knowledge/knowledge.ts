import { QUESTIONS } from '../../findings'
import { compareOf, ELSEWHERE, swapOf, TREATMENTS } from './actions'
import { CARRIAGE } from './carriage'
import { COMPLAINTS } from './complaints'
import { HEADS } from './heads'
import { INTERFACE } from './interface'
import { LAMP_CHECK } from './lamp-codes'
import { LOADING } from './loading'
import { MEDIA } from './media'
import { PROCESSOR } from './processor'
import { questionChecks } from './questions'
import { READING_CHECKS } from './readings'
import { SENSORS } from './sensors'
import { SPINDLE } from './spindle'
import { SUPPLY } from './supply'
import { SYMPTOMS } from './symptoms'
import { FUNCTIONS } from './functions'
import type { Check, Fault, Knowledge, Part, Subsystem } from './types'

/** One file a subsystem. */
export const SUBSYSTEMS: Readonly<Record<string, Subsystem>> = {
  'supply and logic': SUPPLY,
  'own processor': PROCESSOR,
  spindle: SPINDLE,
  'carriage and home': CARRIAGE,
  'heads and read channel': HEADS,
  'loading and eject': LOADING,
  'sensors and switches': SENSORS,
  'interface and host': INTERFACE,
  'disk, writer, cartridge and quick disk': MEDIA,
}

const all = <T>(of: (s: Subsystem) => readonly T[]): T[] => Object.values(SUBSYSTEMS).flatMap(of)

/** Parts that no file of a subsystem could name first. */
const SHARED: readonly Part[] = [
  { id: 'disk-remains', label: 'What lies in the slot' },
  { id: 'carriage-lock', label: 'Transport lock' },
]

export const PARTS: readonly Part[] = [...new Map([...all(s => s.parts), ...SHARED].map(p => [p.id, p])).values()]
export const FAULTS: readonly Fault[] = all(s => s.faults)

/** What the program comes with; lamps tell by model, so that a workshop writes its own. */
export const BUILT_IN: Knowledge = { functions: FUNCTIONS, parts: PARTS, faults: FAULTS, lampCodes: [] }

/** Everything that gives evidence, on all drives. */
export const CHECKS: readonly Check[] = [
  ...SYMPTOMS,
  ...READING_CHECKS,
  LAMP_CHECK,
  ...questionChecks(QUESTIONS, FAULTS),
  ...ELSEWHERE,
  ...PARTS.map(swapOf),
  ...PARTS.map(compareOf),
  ...TREATMENTS,
]

const byId = <T extends { readonly id: string }>(all: readonly T[]): ((id: string) => T | undefined) => {
  const known = new Map(all.map(x => [x.id, x]))
  return id => known.get(id)
}

/** A fault that the program comes with, a check or a complaint by its id; undefined where there is none. */
export const findFault = byId(FAULTS)
export const findCheck = byId(CHECKS)
export const findComplaint = byId(COMPLAINTS)
