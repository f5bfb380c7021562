import { LAYOUTS, layoutsOf, possibleFeatures, type FeatureTag, type MechanismId } from '../../drives'

/** A plug, crimp or joint: how often it is open at rest, and when it is moved or pressed. */
export interface Contact {
  open: number
  moved: number
}

/** An optical sensor: current of its LED, share of the light that comes through, gain of its detector. */
export interface Optic {
  ledMa: number
  clear: number
  gain: number
  /** Where it stands, in steps (track zero) or degrees (index) from where it should. */
  off: number
}

/** A switch: how its contact answers the plunger. */
export interface Contacts {
  state: 'follows' | 'stuck open' | 'stuck closed' | 'now and then'
}

/** One head: coil, dirt, place, and what tore. */
export interface RigHead {
  coilOhm: number
  dirtUm: number
  crust: boolean
  offUm: number
  share: number
  torn: boolean
}

/**
 * A drive on the bench as physical quantities: volts, ohms, torques, forces, micrometres. What it does is worked out
 * from them (`operate.ts`); a fault changes some of them (`faults.ts`). All values are from memory and stand for no
 * make.
 */
export interface RigParts {
  readonly supply: { v5: number; v12: number; ohm5: number; ohm12: number; rippleV: number }
  readonly powerPlug: Contact
  readonly power: { fuse5: boolean; fuse12: boolean; short5Ohm: number; short12Ohm: number; crust: boolean }
  readonly board: { alive: boolean; hot: boolean; joint: Contact; joints: 'motor' | 'data' | 'step'; worn: number }
  readonly lamp: { alive: boolean }
  readonly cable: { plugged: 'right' | 'reversed' | 'shifted'; contact: Contact; wire: string }
  readonly straps: { number: boolean; fitted: boolean }
  readonly terminator: { fitted: boolean }
  readonly drivers: Record<string, 'good' | 'open' | 'low'>
  readonly receivers: Record<string, 'good' | 'open' | 'low'>
  readonly host: { alive: boolean; settings: boolean }
  readonly processor: {
    reset: boolean
    clock: boolean
    cpu: boolean
    rom: boolean
    ram: boolean
    port: boolean
    decoder: boolean
    addressOpen: boolean
    dataStuck: boolean
    seated: Contact
    busHeld: boolean
    receiver: boolean
  }
  readonly motor: {
    alive: boolean
    torque: number
    rough: number
    lead: Contact
    boardAlive: boolean
    boardOn: boolean
  }
  readonly belt: { kind: 'right' | 'slack' | 'rotten' | 'gone'; grip: number; residue: boolean }
  readonly spindle: { drag: number; runout: number; setPoint: number; clamp: number }
  readonly carriage: { force: number; friction: number; driver: boolean; crust: boolean; offUm: number; playUm: number }
  readonly zero: Optic & { flag: 'right' | 'bent' | 'gone' }
  readonly index: Optic
  readonly protect: Optic & { pin: boolean }
  readonly protectSwitch: Contacts
  readonly diskSwitch: Contacts
  readonly densitySwitch: Contacts
  readonly lower: RigHead
  readonly upper: RigHead
  readonly headPlug: Contact
  readonly amplifier: { alive: boolean; noise: number }
  readonly write: { alive: boolean; erase: boolean }
  readonly loading: { friction: number; armThere: boolean; blocked: boolean }
  readonly eject: { teeth: boolean; tab: boolean; torque: number; driver: boolean; switchState: Contacts['state'] }
  readonly disk: { signal: number; wornShare: number; blank: boolean; density: boolean; writerUm: number }
  readonly servo: { locks: boolean; torn: boolean; cartridgeTorn: boolean }
  readonly pass: { friction: number; lateTurns: number }
}

/** A disk that reads everywhere. */
export const GOOD_DISK: RigParts['disk'] = { signal: 1, wornShare: 0, blank: false, density: true, writerUm: 0 }

/** A drive on the bench. */
export interface Rig {
  readonly mechanism: MechanismId
  readonly has: ReadonlySet<FeatureTag>
  readonly cylinders: number
  readonly twoHeads: boolean
  parts: RigParts
}

const contact = (): Contact => ({ open: 0, moved: 0 })
const optic = (): Optic => ({ ledMa: 18, clear: 0.95, gain: 0.04, off: 0 })
const head = (): RigHead => ({ coilOhm: 14, dirtUm: 0, crust: false, offUm: 0, share: 1, torn: false })
const follows = (): Contacts => ({ state: 'follows' })

/** Parts of a sound drive. */
export const soundParts = (): RigParts => ({
  supply: { v5: 5.05, v12: 12.1, ohm5: 0.05, ohm12: 0.1, rippleV: 0.02 },
  powerPlug: contact(),
  power: { fuse5: true, fuse12: true, short5Ohm: Infinity, short12Ohm: Infinity, crust: false },
  board: { alive: true, hot: false, joint: contact(), joints: 'motor', worn: 0 },
  lamp: { alive: true },
  cable: { plugged: 'right', contact: contact(), wire: 'read-data' },
  straps: { number: true, fitted: true },
  terminator: { fitted: true },
  drivers: {},
  receivers: {},
  host: { alive: true, settings: true },
  processor: {
    reset: true,
    clock: true,
    cpu: true,
    rom: true,
    ram: true,
    port: true,
    decoder: true,
    addressOpen: false,
    dataStuck: false,
    seated: contact(),
    busHeld: false,
    receiver: true,
  },
  motor: { alive: true, torque: 1, rough: 0, lead: contact(), boardAlive: true, boardOn: false },
  belt: { kind: 'right', grip: 1, residue: false },
  spindle: { drag: 0.35, runout: 0, setPoint: 1, clamp: 1 },
  carriage: { force: 1, friction: 0.4, driver: true, crust: false, offUm: 0, playUm: 0 },
  zero: { ...optic(), flag: 'right' },
  index: optic(),
  protect: { ...optic(), pin: true },
  protectSwitch: follows(),
  diskSwitch: follows(),
  densitySwitch: follows(),
  lower: head(),
  upper: head(),
  headPlug: contact(),
  amplifier: { alive: true, noise: 1 },
  write: { alive: true, erase: true },
  loading: { friction: 0.3, armThere: true, blocked: false },
  eject: { teeth: true, tab: true, torque: 1, driver: true, switchState: 'follows' },
  disk: { ...GOOD_DISK },
  servo: { locks: true, torn: false, cartridgeTorn: false },
  pass: { friction: 0.4, lateTurns: 0 },
})

/** A sound drive of a type. */
export function soundRig(mechanism: MechanismId): Rig {
  const has = possibleFeatures(mechanism)
  const layout = LAYOUTS[layoutsOf(mechanism)[0] ?? '']
  return { mechanism, has, cylinders: layout?.cylinders ?? 1, twoHeads: has.has('two-heads'), parts: soundParts() }
}

/** Drives that a host drives by the lines of a parallel bus, with sensors for index and track zero. */
export const onBus = ({ mechanism }: Rig): boolean => !['cartridge', 'quick-disk', '5.25in-serial'].includes(mechanism)

/** Drives that answer their host over a link. */
export const isLinked = ({ mechanism }: Rig): boolean => mechanism === '5.25in-serial' || mechanism === 'cartridge'
