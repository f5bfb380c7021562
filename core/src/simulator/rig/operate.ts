import { hasOffsetCost, offsetCost } from '../../calculators/alignment'
import { pitchUm, type Zone } from '../../drives'
import type { Random } from '../random'
import { isLinked, onBus, type Contact, type Optic, type Rig, type RigHead } from './parts'

/** What a drive does, worked out from its parts. */
export interface Running {
  readonly v5: number
  readonly v12: number
  readonly amps5: number
  readonly amps12: number
  readonly logic: boolean
  readonly processor: 'runs' | 'still' | 'flashes'
  readonly link: 'good' | 'none' | 'hangs'
  readonly selected: 'yes' | 'no' | 'always'
  readonly motorOn: boolean
  /** Whether the motor itself turns. */
  readonly motorTurns: boolean
  /** Speed over nominal; 0 where it stands. */
  readonly speed: number
  /** Variation of the speed, zero to peak, %. */
  readonly uneven: number
  /** Volts between light and shade at each sensor's output. */
  readonly indexV: number
  readonly zeroV: number
  readonly protectV: number
  readonly index: boolean
  readonly diskSeen: boolean
  readonly ready: boolean
  /** Whether the phases of the stepper are driven. */
  readonly pushed: boolean
  /** Share of the steps that the carriage makes. */
  readonly steps: number
  readonly home: 'found' | 'never' | 'knocks'
  /** Steps by which track zero is off. */
  readonly zeroOff: number
  readonly protect: 'both' | 'always' | 'never'
  readonly servo: 'locks' | 'clicks' | 'none'
}

/** Contact is closed in this trial. */
const closed = (c: Contact, moved: boolean, random: Random): boolean => random.next() >= (moved ? c.moved : c.open)

/** 5 V that logic still works at (common practice), and what it and the motor draw, A. */
const LEAST_V = 4.5
const LOGIC_A = 0.45
const MOTOR_A = 0.6
/** Swing that a sensor's receiver can tell, V. */
const TOLD_V = 1.2
const PULL_UP_V = 5

/** Volts between light and shade: light makes current, and the pull-up makes volts of it. */
const swingOf = (o: Optic): number => Math.min(PULL_UP_V - 0.2, (o.ledMa * o.clear * o.gain * PULL_UP_V) / 0.55)

const switched = ({ mechanism }: Rig) => mechanism === '3.5in' || mechanism === '3.5in-eject'
const twelveVolts = ({ mechanism }: Rig) => !['3.5in', 'cartridge', 'quick-disk'].includes(mechanism)

/** Supply under load: what a short, an open fuse and a bad plug leave of it. */
function powered(rig: Rig, moved: boolean, random: Random) {
  const { supply, power, powerPlug } = rig.parts
  const plug = closed(powerPlug, moved, random)
  const rail = (emf: number, ohm: number, load: number, short: number, fuse: boolean) => {
    if (!plug || !fuse) return { volts: 0, amps: 0 }
    const shorted = Number.isFinite(short) ? emf / (ohm + short) : 0
    const amps = Math.min(5, load + shorted)
    return { volts: amps >= 5 ? 0.3 : Math.max(0, emf - amps * ohm), amps }
  }
  const five = rail(supply.v5, supply.ohm5, LOGIC_A + 0.2, power.short5Ohm, power.fuse5)
  const twelve = twelveVolts(rig)
    ? rail(supply.v12, supply.ohm12, MOTOR_A, power.short12Ohm, power.fuse12)
    : { volts: 12, amps: 0 }
  return { five, twelve }
}

function processorOf(rig: Rig, logic: boolean, moved: boolean, random: Random): Running['processor'] {
  if (!rig.has.has('own-processor')) return logic ? 'runs' : 'still'
  const p = rig.parts.processor
  const starts = p.reset && p.clock && p.cpu && p.decoder && !p.addressOpen && !p.dataStuck
  if (!logic || !starts || !closed(p.seated, moved, random)) return 'still'
  // A program that starts tests its memories, and tells what fails by its lamp; without a program there is nothing.
  if (!p.rom) return random.next() < 0.4 ? 'flashes' : 'still'
  return p.ram ? 'runs' : random.next() < 0.6 ? 'flashes' : 'still'
}

/** One trial: which contacts are closed in it. */
interface Trial {
  readonly rig: Rig
  readonly random: Random
  readonly logic: boolean
  readonly v12: number
  readonly joint: boolean
  readonly wire: (name: string) => boolean
}

function linkOf({ rig, wire }: Trial, processor: Running['processor']): Running['link'] {
  const { parts } = rig
  if (parts.processor.busHeld) return 'hangs'
  if (!isLinked(rig)) return 'good'
  const talks = processor === 'runs' && parts.processor.receiver && parts.processor.port
  return talks && parts.host.alive && wire('select') ? 'good' : 'none'
}

function selectionOf({ rig, logic, wire }: Trial, link: Running['link']): Running['selected'] {
  const { cable, straps, receivers, host } = rig.parts
  if (!logic) return 'no'
  if (isLinked(rig) || rig.mechanism === 'quick-disk') return link === 'good' ? 'yes' : 'no'
  if (cable.plugged === 'reversed' || receivers.select === 'low') return 'always'
  const reaches = cable.plugged === 'right' && wire('select') && host.alive
  return reaches && straps.number && straps.fitted && (receivers.select ?? 'good') === 'good' ? 'yes' : 'no'
}

/** Whether the motor is told to turn: by the host, by a switch of its own, or by a port that rests high after reset. */
function motorTold(
  t: Trial,
  processor: Running['processor'],
  selected: Running['selected'],
  diskSeen: boolean,
): boolean {
  const { rig, logic, v12 } = t
  if (!logic || v12 < 8) return false
  if (rig.parts.motor.boardOn) return true
  if (rig.has.has('own-processor') && processor !== 'runs') return rig.mechanism === '5.25in-serial'
  const heard = selected === 'always' || (selected === 'yes' && (rig.parts.receivers.motor ?? 'good') === 'good')
  return heard && (!switched(rig) || diskSeen)
}

function diskNoticed({ rig, random }: Trial): boolean {
  const { state } = rig.parts.diskSwitch
  if (!switched(rig) || state === 'follows') return true
  return state === 'stuck closed' || (state === 'now and then' && random.next() < 0.5)
}

function indexSeen({ rig, random, wire }: Trial, speed: number, volts: number): boolean {
  if (speed <= 0.2) return false
  if (!onBus(rig)) return true
  const told = volts > TOLD_V * (0.8 + 0.4 * random.next())
  return told && (rig.parts.drivers.index ?? 'good') === 'good' && wire('index')
}

/** Whether the stepper is driven, and the share of its steps that the carriage makes. */
function stepping({ rig, logic, v12, joint, wire }: Trial, selected: Running['selected']) {
  const { carriage, receivers, board } = rig.parts
  const told = wire('step') && (receivers.step ?? 'good') === 'good' && (joint || board.joints !== 'step')
  const pushes = carriage.driver && v12 > 8 && logic && selected !== 'no' && told
  const reserve = (carriage.force * Math.min(1, v12 / 12)) / carriage.friction
  return { pushed: pushes, steps: !pushes || reserve < 1 ? 0 : reserve < 1.35 ? 0.9 : 1 }
}

/**
 * Runs a drive once: from the supply to the servo.
 * @param moved somebody presses its plugs and boards meanwhile
 */
export function operate(rig: Rig, random: Random, moved = false): Running {
  const { parts } = rig
  const { five, twelve } = powered(rig, moved, random)
  const t: Trial = {
    rig,
    random,
    logic: five.volts > LEAST_V && parts.board.alive,
    v12: twelve.volts,
    joint: closed(parts.board.joint, moved, random),
    wire: name => parts.cable.wire !== name || closed(parts.cable.contact, moved, random),
  }
  const processor = processorOf(rig, t.logic, moved, random)
  const link = linkOf(t, processor)
  const selected = selectionOf(t, link)
  const diskSeen = diskNoticed(t)
  const motorOn = motorTold(t, processor, selected, diskSeen)
  const lead = closed(parts.motor.lead, moved, random)
  const fed = motorOn && parts.motor.boardAlive && lead && (t.joint || parts.board.joints !== 'motor')
  const strength = fed && parts.motor.alive ? parts.motor.torque * (t.v12 / 12) : 0
  const { speed, uneven, motorTurns } = turning(rig, strength)
  const indexV = swingOf(parts.index)
  const index = indexSeen(t, speed, indexV)
  const { pushed, steps } = stepping(t, selected)
  const zeroV = parts.zero.flag === 'gone' ? 0 : swingOf(parts.zero)
  const dragged = strength > 0 ? 0.3 * Math.min(3, parts.spindle.drag / 0.35) : 0
  return {
    v5: five.volts,
    v12: t.v12,
    amps5: five.amps,
    amps12: twelve.amps + dragged,
    logic: t.logic,
    processor,
    link,
    selected,
    motorOn,
    motorTurns,
    speed,
    uneven,
    indexV,
    zeroV,
    protectV: swingOf(parts.protect),
    index,
    diskSeen,
    ready: index && speed > 0.93 && diskSeen,
    pushed,
    steps,
    home: homeOf(rig, steps, zeroV),
    zeroOff: parts.zero.off + (parts.zero.flag === 'bent' ? 1 : 0),
    protect: protectOf(rig),
    servo: servoOf(rig, speed),
  }
}

/** Torque against drag, and what a belt passes on. */
function turning(rig: Rig, strength: number): Pick<Running, 'speed' | 'uneven' | 'motorTurns'> {
  const { spindle, belt, motor } = rig.parts
  const hasBelt = rig.has.has('belt') && !(rig.has.has('direct') && belt.kind === 'right')
  const motorTurns = strength > 0.12 + 0.1 * motor.rough
  const passed = hasBelt ? Math.min(strength, belt.grip) : strength
  if (!motorTurns || passed < spindle.drag * 0.45) return { speed: 0, uneven: 0, motorTurns }
  const sag = Math.max(0, 1 - passed / (spindle.drag * 1.05)) * 0.6
  const slip = hasBelt && belt.grip < 1 ? (1 - belt.grip) * 0.09 : 0
  const uneven =
    0.5 +
    4.5 * motor.rough +
    5 * spindle.runout +
    (hasBelt && belt.kind !== 'right' ? 5 * (1 - belt.grip) : 0) +
    (belt.residue ? 2 : 0) +
    3 * (1 - spindle.clamp)
  return { speed: spindle.setPoint * (1 - sag - slip), uneven, motorTurns }
}

function homeOf(rig: Rig, steps: number, zeroV: number): Running['home'] {
  if (rig.mechanism === 'cartridge' || rig.mechanism === 'quick-disk') return 'found'
  if (steps === 0) return 'never'
  if (rig.mechanism === '5.25in-serial') return 'found'
  const line = rig.parts.drivers['track-0'] ?? 'good'
  if (line === 'low') return 'found'
  return zeroV > TOLD_V && line === 'good' ? 'found' : 'knocks'
}

/** Dark at the sensor is what a covered place is: protected on 5.25-inch, writable on 8-inch (common practice). */
function protectOf(rig: Rig): Running['protect'] {
  const { protect, protectSwitch, drivers } = rig.parts
  const line = drivers['write-protect'] ?? 'good'
  if (line === 'low') return 'always'
  if (line === 'open') return 'never'
  if (rig.mechanism === '3in') return protect.pin ? 'both' : 'always'
  if (switched(rig)) {
    // Pressed is a closed hole: writable.
    if (protectSwitch.state === 'stuck closed') return 'never'
    return protectSwitch.state === 'stuck open' ? 'always' : 'both'
  }
  if (swingOf(protect) > TOLD_V) return 'both'
  return rig.mechanism === '8in' ? 'never' : 'always'
}

function servoOf(rig: Rig, speed: number): Running['servo'] {
  const { servo } = rig.parts
  if (speed < 0.9) return 'none'
  if (servo.torn || servo.cartridgeTorn) return 'clicks'
  return servo.locks ? 'locks' : 'none'
}

const CYLINDER: Readonly<Record<Zone, number>> = { outer: 0, middle: 0.5, inner: 1 }

/** What a read needs of the disk that lies in it. */
export interface DiskUnder {
  readonly signal: number
  readonly wornShare: number
  readonly blank: boolean
  readonly density: boolean
  readonly writerUm: number
}

/**
 * Share of the sectors of a zone that one head reads in one try.
 * @param from the side from which the carriage came: play takes a part of the way
 */
export function readShare(
  rig: Rig,
  run: Running,
  side: 'lower' | 'upper',
  zone: Zone,
  disk: DiskUnder,
  random: Random,
  options: { readonly moved?: boolean; readonly from?: 1 | -1 } = {},
): number {
  const { parts } = rig
  const { moved = false, from = 1 } = options
  const there = rig.mechanism === 'cartridge' ? run.servo === 'locks' : run.steps > 0 && run.home === 'found'
  if (!heard(rig, run, moved, random) || !there || run.zeroOff !== 0) return 0
  if (Math.abs(run.speed - 1) >= 0.055 || (onBus(rig) && !run.ready)) return 0
  if (disk.blank || !disk.density || !parts.amplifier.alive || !closed(parts.headPlug, moved, random)) return 0
  if (rig.mechanism === 'quick-disk' && (parts.pass.lateTurns > 0.5 || parts.pass.friction > 1)) return 0
  const rough = run.uneven > 4 ? Math.max(0, 1 - (run.uneven - 4) / 5) : 1
  const lost = run.steps < 1 ? 0.5 : 1
  const ripple = parts.supply.rippleV > 0.2 ? 1 + parts.supply.rippleV * 2 : 1
  const share = headShare(rig, parts[side], zone, disk, parts.amplifier.noise * ripple, from)
  return share * rough * lost * (1 - disk.wornShare)
}

/** Whether what the head reads would reach a host that wants it. */
function heard(rig: Rig, run: Running, moved: boolean, random: Random): boolean {
  const { drivers, cable, board, host } = rig.parts
  const wired =
    (drivers['read-data'] ?? 'good') === 'good' &&
    cable.plugged === 'right' &&
    (cable.wire !== 'read-data' || closed(cable.contact, moved, random)) &&
    (board.joints !== 'data' || closed(board.joint, moved, random))
  return wired && run.logic && run.link !== 'none' && run.selected !== 'no' && host.alive && host.settings
}

/** By the published losses of spacing and offset, and the statistics of jitter, where the type has tracks. */
function headShare(rig: Rig, head: RigHead, zone: Zone, disk: DiskUnder, noise: number, from: 1 | -1): number {
  if (head.torn || head.share === 0 || !(head.coilOhm > 1 && head.coilOhm < 1000)) return 0
  if (!hasOffsetCost(rig.mechanism)) return head.dirtUm > 0.5 ? Math.max(0, 1 - head.dirtUm / 1.2) : 1
  const { carriage } = rig.parts
  const shares = head.offUm + carriage.offUm + disk.writerUm
  const offsetUm = shares * pitchUm(rig.mechanism) + (from < 0 ? carriage.playUm : 0)
  const cylinder = Math.round(CYLINDER[zone] * (rig.cylinders - 1))
  const amplitude = (head.share * disk.signal) / noise
  return 1 - offsetCost(rig.mechanism, { cylinder, offsetUm, spacingUm: head.dirtUm, amplitude }).failing
}
