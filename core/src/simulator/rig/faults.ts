import type { MechanismId } from '../../drives'
import type { Random } from '../random'
import type { Rig, RigParts } from './parts'

/** One way in which a rig breaks: what changes of its parts, with a severity drawn anew each time. */
export interface RigFault {
  readonly id: string
  readonly on: (rig: Rig) => boolean
  readonly break: (p: RigParts, random: Random) => void
}

const between = (r: Random, low: number, high: number) => low + (high - low) * r.next()
const one = <T>(r: Random, ...of: T[]): T => of[Math.floor(r.next() * of.length)]!
const any = () => true
const only =
  (...ids: MechanismId[]) =>
  (rig: Rig) =>
    ids.includes(rig.mechanism)
const not =
  (...ids: MechanismId[]) =>
  (rig: Rig) =>
    !ids.includes(rig.mechanism)
const belt = (rig: Rig) => rig.has.has('belt')
const floppy = not('cartridge')
const stepped = not('cartridge', 'quick-disk')
const selected = not('cartridge', 'quick-disk', '5.25in-serial')
const indexed = selected
const serial = only('5.25in-serial')
const own = (rig: Rig) => rig.has.has('own-processor')
const eject = only('3.5in-eject')
const switched = only('3.5in', '3.5in-eject')

const f = (id: string, on: RigFault['on'], change: RigFault['break']): RigFault => ({ id, on, break: change })

/** Faults by the ids under which they are known. Severities are drawn evenly from ranges from memory. */
export const RIG_FAULTS: readonly RigFault[] = [
  f('supply.missing', any, (p, r) => Object.assign(p.supply, one(r, { v5: 0 }, { v12: 0 }))),
  f('supply.low', any, (p, r) => {
    if (r.next() < 0.6) p.supply.ohm5 = between(r, 0.7, 1.6)
    else p.supply.ohm12 = between(r, 2, 6)
  }),
  f('supply.noisy', any, (p, r) => (p.supply.rippleV = between(r, 0.25, 0.9))),
  f('fuse.open', any, (p, r) => {
    if (r.next() < 0.65) p.power.fuse5 = false
    else p.power.fuse12 = false
  }),
  f('capacitor.shorted', any, (p, r) => {
    if (r.next() < 0.7) p.power.short5Ohm = between(r, 0.3, 2)
    else p.power.short12Ohm = between(r, 0.3, 3)
    p.board.hot = r.next() < 0.6
  }),
  f('logic-chip.shorted', any, (p, r) => {
    p.board.alive = false
    p.board.hot = true
    p.power.short5Ohm = between(r, 3, 9)
  }),
  f('lamp.dead', not('quick-disk'), p => (p.lamp.alive = false)),
  f('power-cable.crimp', any, (p, r) => Object.assign(p.powerPlug, { open: between(r, 0.2, 0.9), moved: 0.8 })),
  f('interface-cable.reversed', selected, p => (p.cable.plugged = 'reversed')),
  f('interface-cable.shifted', selected, p => (p.cable.plugged = 'shifted')),
  f('interface-cable.crimp', any, (p, r) => {
    p.cable.wire = one(r, 'read-data', 'select', 'step', 'index')
    Object.assign(p.cable.contact, { open: between(r, 0.3, 0.9), moved: 0.8 })
  }),
  f('straps.wrong', selected, p => (p.straps.number = false)),
  f('strap.missing', selected, p => (p.straps.fitted = false)),
  f('host.controller', any, p => (p.host.alive = false)),
  f('host.settings', any, p => (p.host.settings = false)),
  ...['index', 'track-0', 'write-protect', 'read-data'].flatMap(line => [
    f(`line-driver.open:${line}`, selected, p => (p.drivers[line] = 'open')),
    f(`line-driver.shorted:${line}`, selected, p => (p.drivers[line] = 'low')),
  ]),
  ...['select', 'motor', 'step'].map(line =>
    f(`line-receiver.open:${line}`, selected, p => (p.receivers[line] = 'open')),
  ),
  f('processor.dead', own, p => (p.processor.cpu = false)),
  f('address-line.open', own, p => (p.processor.addressOpen = true)),
  f('data-line.stuck', own, p => (p.processor.dataStuck = true)),
  f('program-memory.bad', own, p => (p.processor.rom = false)),
  f('memory.bad', own, p => (p.processor.ram = false)),
  f('port-chip.bad', own, p => (p.processor.port = false)),
  f('clock.dead', own, p => (p.processor.clock = false)),
  f('reset.held', own, p => (p.processor.reset = false)),
  f('decoder.dead', own, p => (p.processor.decoder = false)),
  f('chip.unseated', own, (p, r) => Object.assign(p.processor.seated, { open: between(r, 0.4, 1), moved: 0.5 })),
  f('bus-driver.held', serial, p => (p.processor.busHeld = true)),
  f('bus-receiver.dead', serial, p => (p.processor.receiver = false)),
  f('belt.rotten', belt, (p, r) => Object.assign(p.belt, { kind: 'rotten', grip: between(r, 0, 0.45), residue: true })),
  f('belt.slack', belt, (p, r) => Object.assign(p.belt, { kind: 'slack', grip: between(r, 0.15, 0.6) })),
  f('belt.gone', belt, p => Object.assign(p.belt, { kind: 'gone', grip: 0 })),
  f('spindle-motor.dead', any, p => (p.motor.alive = false)),
  f('spindle-motor.weak', any, (p, r) => (p.motor.torque = between(r, 0.15, 0.45))),
  f('spindle-motor.worn', any, (p, r) => (p.motor.rough = between(r, 0.5, 1))),
  f('spindle-motor-lead.broken', any, (p, r) => Object.assign(p.motor.lead, { open: between(r, 0.5, 1), moved: 0.7 })),
  f('motor-board.dead', not('8in'), (p, r) => {
    if (r.next() < 0.85) p.motor.boardAlive = false
    else p.motor.boardOn = true
  }),
  f('motor-board.trimmer', not('8in', '3.5in', '3.5in-eject', 'cartridge'), (p, r) => {
    p.spindle.setPoint = one(r, 1 + between(r, 0.06, 0.12), 1 - between(r, 0.06, 0.12))
  }),
  f('spindle.dry', any, (p, r) => (p.spindle.drag = between(r, 0.85, 1.4))),
  f('spindle.bent', any, (p, r) => (p.spindle.runout = between(r, 0.5, 1))),
  f('hub.slips', any, (p, r) => (p.spindle.clamp = between(r, 0.1, 0.5))),
  f('rail.gummed', stepped, (p, r) => Object.assign(p.carriage, { friction: between(r, 0.9, 2.5), crust: true })),
  f('stepper.weak', stepped, (p, r) => (p.carriage.force = between(r, 0.2, 0.48))),
  f('stepper-driver.dead', stepped, p => (p.carriage.driver = false)),
  f(
    'screw.play',
    rig => stepped(rig) && rig.has.has('screw'),
    (p, r) => (p.carriage.playUm = between(r, 45, 90)),
  ),
  f('stepper.moved', stepped, (p, r) => (p.carriage.offUm = one(r, 1, -1) * between(r, 0.35, 0.5))),
  f('track-zero-sensor.dead', indexed, p => (p.zero.gain = 0)),
  f('track-zero-sensor.dirty', indexed, (p, r) => (p.zero.clear = between(r, 0.05, 0.3))),
  f('track-zero-sensor.moved', indexed, (p, r) => (p.zero.off = one(r, 1, 2, -1, -2))),
  f('track-zero-flag.missing', indexed, p => (p.zero.flag = 'gone')),
  f('index-sensor.dead', indexed, p => (p.index.gain = 0)),
  f(
    'index-sensor.dirty',
    rig => indexed(rig) && !switched(rig),
    (p, r) => (p.index.clear = between(r, 0.05, 0.3)),
  ),
  f('protect-sensor.dead', only('8in', '5.25in-48', '5.25in-96', '5.25in-serial'), p => (p.protect.gain = 0)),
  f('protect-switch.stuck', only('3.5in', '3.5in-eject'), (p, r) => {
    p.protectSwitch.state = one(r, 'stuck open', 'stuck closed')
  }),
  f('protect-pin.missing', only('3in'), p => (p.protect.pin = false)),
  f('disk-in-switch.stuck', switched, (p, r) => (p.diskSwitch.state = one(r, 'stuck open', 'stuck closed'))),
  f('density-switch.stuck', switched, (p, r) => (p.densitySwitch.state = one(r, 'stuck open', 'stuck closed'))),
  ...(['lower', 'upper'] as const).flatMap(side => {
    const there = (rig: Rig) => floppy(rig) && (side === 'lower' || rig.twoHeads)
    return [
      f(`${side}-head.dirty`, there, (p, r) => Object.assign(p[side], { dirtUm: between(r, 0.55, 2), crust: true })),
      f(`${side}-head.dead`, there, (p, r) =>
        Object.assign(p[side], { coilOhm: one(r, Infinity, Infinity, 0.5), share: 0 }),
      ),
      f(`${side}-head.torn`, there, p => Object.assign(p[side], { share: 0, torn: true })),
      f(
        `${side}-head.off-track`,
        rig => there(rig) && stepped(rig),
        (p, r) => (p[side].offUm = one(r, 1, -1) * between(r, 0.38, 0.5)),
      ),
    ]
  }),
  f('head-plug.loose', floppy, (p, r) => Object.assign(p.headPlug, { open: between(r, 0.4, 1), moved: 0.5 })),
  f('read-amplifier.dead', floppy, p => (p.amplifier.alive = false)),
  f('write-driver.dead', any, p => (p.write.alive = false)),
  f('eject-gear.stripped', eject, p => (p.eject.teeth = false)),
  f('gear-housing.loose', eject, p => (p.eject.tab = false)),
  f('eject-motor.weak', eject, (p, r) => (p.eject.torque = between(r, 0.1, 0.4))),
  f('eject-board.dead', eject, p => (p.eject.driver = false)),
  f('door.stiff', any, (p, r) => (p.loading.friction = between(r, 1.1, 2))),
  f('shutter-arm.missing', switched, p => (p.loading.armThere = false)),
  f('disk.worn', floppy, (p, r) => (p.disk.wornShare = between(r, 0.1, 0.6))),
  f('disk.blank', floppy, p => (p.disk.blank = true)),
  f(
    'writer.off-track',
    rig => floppy(rig) && stepped(rig),
    (p, r) => {
      p.disk.writerUm = one(r, 1, -1) * between(r, 0.38, 0.5)
    },
  ),
  f('cartridge-heads.torn', only('cartridge'), p => (p.servo.torn = true)),
  f('cartridge.torn', only('cartridge'), p => (p.servo.cartridgeTorn = true)),
  f('servo-board.dead', only('cartridge'), p => (p.servo.locks = false)),
  f('pass-start.moved', only('quick-disk'), (p, r) => (p.pass.lateTurns = between(r, 1, 3))),
  f('pass-start.gummed', only('quick-disk'), (p, r) => Object.assign(p.pass, { friction: between(r, 1.1, 2) })),
]
