import type { Random } from '../random'
import { RIG_FAULTS } from './faults'
import { measure } from './measure'
import { soundParts, type Rig } from './parts'

/** What a sound drive answers; anything else is what its owner complains of. */
const SOUND: Readonly<Record<string, string>> = {
  'see.lamp': 'normal',
  'see.host': 'yes',
  'see.select': 'yes',
  'see.spin': 'yes',
  'see.motor-off': 'stops',
  'speed.mean': 'right',
  'speed.variation': 'steady',
  'see.ready': 'yes',
  'see.step': 'yes',
  'see.home': 'found',
  'see.pass': 'right',
  'see.click': 'no',
  'read.lower.outer': 'all',
  'read.lower.inner': 'all',
  'read.upper.outer': 'all',
  'read.upper.inner': 'all',
  'see.steady': 'always',
  'see.write': 'right',
  'see.protect': 'both',
  'see.disk-in': 'yes',
  'see.density': 'right',
  'see.load': 'goes',
  'see.eject': 'right',
  'see.marks': 'clean',
}

/** What a drive does wrong, by the check that sees it. */
export function problemsOf(rig: Rig, random: Random): Map<string, string> {
  const out = new Map<string, string>()
  for (const [check, sound] of Object.entries(SOUND)) {
    const seen = measure(rig, check, random)
    if (seen !== null && seen !== sound) out.set(check, seen)
  }
  return out
}

export const works = (rig: Rig, random: Random): boolean => problemsOf(rig, random).size === 0

/** Sets what changed from sound back, of some parts or of some of their fields. */
function renew(rig: Rig, ...fields: readonly string[]): void {
  const sound = soundParts() as unknown as Record<string, Record<string, unknown>>
  const parts = rig.parts as unknown as Record<string, Record<string, unknown>>
  for (const field of fields) {
    const [part, name] = field.split('.') as [string, string | undefined]
    if (name) parts[part]![name] = sound[part]![name]
    else parts[part] = sound[part]!
  }
}

/** Fields that a fault changes: found by breaking a sound drive with it a few times. */
function fieldsOf(id: string, random: Random): string[] {
  const fault = RIG_FAULTS.find(f => f.id === id)
  if (!fault) return []
  const sound = soundParts() as unknown as Record<string, Record<string, unknown>>
  const out = new Set<string>()
  for (let i = 0; i < 6; i++) {
    const broken = soundParts()
    fault.break(broken, random)
    for (const [part, fields] of Object.entries(broken as unknown as Record<string, Record<string, unknown>>))
      for (const [name, value] of Object.entries(fields))
        if (JSON.stringify(value) !== JSON.stringify(sound[part]![name])) out.add(`${part}.${name}`)
  }
  return [...out]
}

/** Faults that one and the same work cures. */
const SAME_CURE: Readonly<Record<string, string>> = { 'heads.off-together': 'stepper.moved' }

/** Mends one fault, whether the drive has it or not. @returns whether anything was there to mend */
export function mendFault(rig: Rig, id: string, random: Random): boolean {
  const before = JSON.stringify(rig.parts)
  renew(rig, ...fieldsOf(SAME_CURE[id] ?? id, random))
  return JSON.stringify(rig.parts) !== before
}

/** Whoever wants to know whether something helped tries more than once. */
const TRIES = 3

/** What is wrong in any of a few tries, by the check that sees it. */
export const seenInTries = (rig: Rig, random: Random): Map<string, string> =>
  new Map(Array.from({ length: TRIES }, () => [...problemsOf(rig, random)]).flat())

/** What came of something that was done. */
export type Outcome = 'cures' | 'better' | 'same'

/** What treatments and swaps do to the parts. */
const ACTIONS: Readonly<Record<string, (rig: Rig, random: Random) => void>> = {
  'after.clean.heads': ({ parts }) => {
    for (const head of [parts.lower, parts.upper]) Object.assign(head, { dirtUm: head.dirtUm * 0.03, crust: false })
  },
  'after.clean.sensors': ({ parts }) => {
    for (const optic of [parts.zero, parts.index, parts.protect]) optic.clear = Math.max(optic.clear, 0.9)
  },
  'after.clean.switches': ({ parts }, random) => {
    for (const s of [parts.protectSwitch, parts.diskSwitch, parts.densitySwitch])
      if (random.next() < 0.6) s.state = 'follows'
  },
  'after.clean.grease': ({ parts }) => {
    Object.assign(parts.carriage, { friction: Math.min(parts.carriage.friction, 0.45), crust: false })
    parts.loading.friction = Math.min(parts.loading.friction, 0.4)
    parts.pass.friction = Math.min(parts.pass.friction, 0.5)
  },
  'after.free.carriage': ({ parts }) => {
    parts.carriage.friction = Math.min(parts.carriage.friction, 0.55)
    parts.pass.friction = Math.min(parts.pass.friction, 0.6)
  },
  'after.free.spindle': ({ parts }) => {
    parts.spindle.drag = Math.min(parts.spindle.drag, 0.4)
  },
  'after.reseat.plugs': rig => {
    renew(rig, 'headPlug')
    if (rig.parts.cable.plugged === 'shifted') rig.parts.cable.plugged = 'right'
  },
  'after.reseat.chips': rig => renew(rig, 'processor.seated'),
  'after.fit.belt': rig => renew(rig, 'belt'),
  'after.set.trimmer': rig => renew(rig, 'spindle.setPoint'),
  'after.set.track-zero-sensor': rig => renew(rig, 'zero.off'),
  'after.set.lower-head': rig => renew(rig, 'lower.offUm'),
  'after.set.upper-head': rig => renew(rig, 'upper.offUm'),
  'after.another.disk': rig => renew(rig, 'disk'),
  'after.another.cable': rig => renew(rig, 'cable'),
  'swap.interface-cable': rig => renew(rig, 'cable'),
  'swap.supply': rig => renew(rig, 'supply'),
  'swap.disk': rig => renew(rig, 'disk'),
  'swap.spindle-motor': rig => renew(rig, 'motor.alive', 'motor.torque', 'motor.rough', 'motor.lead'),
  'swap.motor-board': rig => renew(rig, 'motor.boardAlive', 'motor.boardOn', 'spindle.setPoint'),
  'swap.processor': rig => renew(rig, 'processor.cpu', 'processor.addressOpen'),
  'swap.memory': rig => renew(rig, 'processor.ram'),
  'swap.program-memory': rig => renew(rig, 'processor.rom'),
  'swap.port-chip': rig => renew(rig, 'processor.port'),
  'swap.bus-driver': rig => renew(rig, 'processor.busHeld'),
  'swap.bus-receiver': rig => renew(rig, 'processor.receiver'),
  'swap.servo-board': rig => renew(rig, 'servo.locks'),
  'swap.eject-motor': rig => renew(rig, 'eject.torque'),
}

/**
 * Does something to a drive and tries it again: whether it works now, works better, or is as before. What was done
 * stays done. Null where the physics does not know the action.
 */
export function tryOut(rig: Rig, action: string, random: Random): string | null {
  const elsewhere = action === 'drive.elsewhere' || action === 'host.other-drive'
  if (elsewhere || action === 'after.another.host') {
    const trial = { ...rig, parts: structuredClone(rig.parts) }
    const outside = ['host', 'cable', 'supply', 'disk']
    renew(
      trial,
      ...(action === 'host.other-drive' ? Object.keys(rig.parts).filter(p => !outside.includes(p)) : outside),
    )
    const cured = works(trial, random)
    return elsewhere ? (cured ? 'works' : 'same') : cured ? 'cures' : 'same'
  }
  const act = ACTIONS[action]
  if (!act) return null
  return outcomeOf(rig, () => act(rig, random), random)
}

/** Does something and tells what came of it: better where one of the problems is gone. */
export function outcomeOf(rig: Rig, act: () => unknown, random: Random): Outcome {
  const before = seenInTries(rig, random)
  act()
  const after = seenInTries(rig, random)
  if (after.size === 0) return 'cures'
  return [...before.keys()].some(check => !after.has(check)) ? 'better' : 'same'
}

/**
 * Does the work that cures a fault, by what the parts of the drive are, and tries the drive again.
 * @param together faults that the same work cures
 */
export const cureFault = (rig: Rig, together: readonly string[], random: Random): Outcome =>
  outcomeOf(rig, () => together.forEach(id => mendFault(rig, id, random)), random)
