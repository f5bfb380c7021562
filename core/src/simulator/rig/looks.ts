import type { Random } from '../random'
import { onBus, type Optic, type Rig } from './parts'

const swing = (o: Optic): number => o.ledMa * o.clear * o.gain
const sensor = (o: Optic): string => (swing(o) > 0.3 ? 'good' : swing(o) > 0.04 ? 'weak' : 'same')
const ohms = (x: number): string => (x < 1.5 ? 'short' : x > 5000 ? 'open' : 'right')

type Look = (rig: Rig, random: Random) => string | null

/** What is looked at, felt or measured without running it. */
export const LOOKS: Readonly<Record<string, Look>> = {
  'found.belt': ({ parts, has }) => {
    if (!has.has('belt')) return null
    return { right: 'belt.sound', slack: 'belt.slack', gone: 'belt.gone', rotten: 'belt.goo' }[parts.belt.kind]
  },
  'found.residue': ({ parts, has }) =>
    has.has('belt') ? (parts.belt.residue ? 'residue.black' : 'residue.clean') : null,
  'found.spindle': ({ parts }) =>
    parts.spindle.runout > 0.3 ? 'spindle.wobble' : parts.spindle.drag > 0.9 ? 'spindle.rough' : 'spindle.free',
  'found.motor': ({ parts }) => (parts.motor.rough > 0.4 ? 'motor.rough' : 'motor.free'),
  'found.grease': ({ parts }) => (parts.carriage.crust ? 'grease.set' : 'grease.soft'),
  'found.travel': ({ parts, mechanism }) => {
    if (mechanism === 'cartridge') return null
    const drag = mechanism === 'quick-disk' ? parts.pass.friction : parts.carriage.friction
    return drag > 1.6 ? 'travel.stuck' : drag > 0.8 ? 'travel.tight' : 'travel.free'
  },
  'found.flag': rig => (!onBus(rig) ? null : rig.parts.zero.flag === 'gone' ? 'flag.snapped' : 'flag.whole'),
  'found.headclean': ({ parts, mechanism }) =>
    mechanism === 'cartridge' ? null : parts.lower.crust || parts.upper.crust ? 'headclean.brown' : 'headclean.clean',
  'found.heads': ({ parts }) =>
    parts.lower.torn || parts.upper.torn || parts.servo.torn ? 'heads.torn' : 'heads.whole',
  'heads.which': ({ parts, twoHeads }) =>
    twoHeads ? (parts.lower.torn ? 'lower' : parts.upper.torn ? 'upper' : 'neither') : null,
  'read.both-same': ({ parts, twoHeads }) => (twoHeads ? (Math.abs(parts.carriage.offUm) > 0.2 ? 'yes' : 'no') : null),
  'sweep.lower.centre': ({ parts }) => (Math.abs(parts.lower.offUm + parts.carriage.offUm) > 0.2 ? 'off' : 'right'),
  'sweep.upper.centre': ({ parts, twoHeads }) =>
    twoHeads ? (Math.abs(parts.upper.offUm + parts.carriage.offUm) > 0.2 ? 'off' : 'right') : null,
  azimuth: () => 'right',
  'found.band': ({ has }) => (has.has('band') ? 'band.flat' : null),
  'found.lacquer': ({ parts }, random) => {
    const moved = [parts.lower.offUm, parts.upper.offUm, parts.carriage.offUm, parts.zero.off].some(x => x !== 0)
    return moved && random.next() < 0.8 ? 'lacquer.broken' : 'lacquer.whole'
  },
  'found.screws': () => 'screws.clean',
  'index.timing': rig => (onBus(rig) ? 'right' : null),
  'see.overwrite': ({ parts }) => (parts.write.erase ? 'clean' : 'old data remain'),
  'see.head-load': () => 'right',
  'warm.changes': () => 'same',
  covers: () => 'same',
  // Nobody is there to be asked.
  'history.inside': () => null,
  'capacitor.reading': () => 'right',
  'found.caps': () => 'caps.sound',
  'found.smell': ({ parts }) => (parts.board.hot ? 'smell.burnt' : 'smell.none'),
  'found.corrosion': () => 'corrosion.none',
  'found.chips': () => 'chips.sound',
  'found.pins': () => 'pins.straight',
  'found.rattle': () => 'rattle.none',
  'found.gears': ({ parts, mechanism }) =>
    mechanism === '3.5in-eject'
      ? !parts.eject.teeth
        ? 'gears.teeth'
        : !parts.eject.tab
          ? 'gears.tab'
          : 'gears.whole'
      : null,
  'found.pin': ({ parts, mechanism }) =>
    mechanism === '3in' ? (parts.protect.pin ? 'pin.there' : 'pin.missing') : null,
  'found.arm': ({ parts, mechanism }) =>
    mechanism === '3.5in' || mechanism === '3.5in-eject'
      ? parts.loading.armThere
        ? 'arm.there'
        : 'arm.missing'
      : null,
  'found.loading': ({ parts }) => (parts.loading.friction > 1 ? 'loading.stiff' : 'loading.free'),
  'found.shorts': ({ parts }) =>
    Math.min(parts.power.short5Ohm, parts.power.short12Ohm) < 3.5
      ? 'shorts.found'
      : parts.power.short5Ohm < 20
        ? 'shorts.low'
        : 'shorts.none',
  'found.disk': () => null,
  'see.load': ({ parts }) => (parts.loading.friction > 1.5 ? 'no' : parts.loading.friction > 1 ? 'stiff' : 'goes'),
  'see.seat': ({ parts }) => (parts.spindle.clamp < 0.6 || parts.spindle.runout > 0.4 ? 'off centre' : 'true'),
  'see.eject': ({ parts, mechanism }) => {
    if (mechanism !== '3.5in-eject') return parts.loading.friction > 1.4 ? 'half' : 'right'
    const { teeth, tab, torque, driver } = parts.eject
    if (!driver || !teeth) return 'no'
    return !tab || torque < 0.25 ? 'half' : torque < 0.5 ? 'half' : 'right'
  },
  'see.eject-motor': ({ parts, mechanism }) =>
    mechanism === '3.5in-eject' ? (!parts.eject.driver ? 'still' : parts.eject.torque < 0.5 ? 'weak' : 'runs') : null,
  'eject.volts': ({ parts, mechanism }) =>
    mechanism === '3.5in-eject' ? (parts.eject.driver ? 'right' : 'none') : null,
  'see.marks': ({ parts }) =>
    parts.lower.torn || parts.upper.torn || parts.servo.torn || !parts.loading.armThere ? 'marked' : 'clean',
  noise: ({ parts, mechanism }, random) => {
    if (mechanism === 'cartridge' && (parts.servo.torn || parts.servo.cartridgeTorn)) return 'click'
    if (parts.motor.rough > 0.4 || parts.spindle.drag > 0.9) return random.next() < 0.6 ? 'squeal' : 'grinding'
    return parts.eject.teeth ? 'quiet' : random.next() < 0.5 ? 'click' : 'quiet'
  },
  'ohms.motor': ({ parts }, random) =>
    parts.motor.lead.open > 0 && random.next() < parts.motor.lead.open ? 'open' : parts.motor.alive ? 'right' : 'open',
  // Bent, a broken lead parts where it is not parted at rest.
  'ohms.motor-lead': ({ parts: { motor } }, random) =>
    motor.lead.open > 0 && random.next() < Math.max(motor.lead.open, motor.lead.moved) ? 'open' : 'right',
  'ohms.stepper': () => 'right',
  'ohms.lower.read': ({ parts }) => ohms(parts.lower.coilOhm),
  'ohms.upper.read': ({ parts, twoHeads }) => (twoHeads ? ohms(parts.upper.coilOhm) : null),
  'ohms.5v': ({ parts }) => (parts.power.short5Ohm < 5 ? 'short' : 'right'),
  'ohms.12v': ({ parts }) => (parts.power.short12Ohm < 5 ? 'short' : 'right'),
  'ohms.fuse': ({ parts }) => (parts.power.fuse5 && parts.power.fuse12 ? 'right' : 'open'),
  'supply.5v.ripple': ({ parts }) => (parts.supply.rippleV > 0.1 ? 'high' : 'right'),
  'sensor.index': ({ parts }) => sensor(parts.index),
  'sensor.track-0': ({ parts }) => (parts.zero.flag === 'gone' ? 'same' : sensor(parts.zero)),
  'sensor.protect': ({ parts }) => sensor(parts.protect),
  'sensor.index.camera': ({ parts }) => (parts.index.ledMa > 1 ? 'glows' : 'dark'),
  'sensor.track-0.camera': ({ parts }) => (parts.zero.ledMa > 1 ? 'glows' : 'dark'),
  'switch.disk-in': ({ parts }) => parts.diskSwitch.state,
  'switch.protect': ({ parts, mechanism }) => (mechanism === '3in' ? 'follows' : parts.protectSwitch.state),
  'switch.density': ({ parts }) => parts.densitySwitch.state,
  'straps.looked': ({ parts }) => (!parts.straps.fitted ? 'missing' : parts.straps.number ? 'right' : 'other'),
  'see.cable': ({ parts }) => parts.cable.plugged,
  'see.other-number': ({ parts }) => (parts.straps.number ? 'no answer' : 'answers'),
  'host.setup': ({ parts }) => (parts.host.settings ? 'right' : 'other'),
  'disk.match': () => 'same',
  'processor.reset': ({ parts }) => (parts.processor.reset ? 'good' : 'held'),
  'processor.clock': ({ parts }) => (parts.processor.clock ? 'good' : 'still'),
  'processor.irq': ({ parts: { processor: p } }) =>
    p.clock && p.reset && p.cpu ? (p.port ? 'good' : 'held') : 'still',
  'processor.select': ({ parts: { processor: p } }) => (p.decoder && p.cpu && p.clock && p.reset ? 'good' : 'still'),
  'processor.bus': ({ parts: { processor: p } }) =>
    p.addressOpen ? 'between' : p.dataStuck ? 'stuck' : p.cpu && p.clock && p.reset ? 'good' : 'still',
  'serial.attention.drive': ({ parts }) => (parts.processor.receiver ? 'high' : 'low'),
  'serial.data.drive': ({ parts }) => (parts.processor.busHeld ? 'low' : 'high'),
  'serial.clock.drive': () => 'high',
}
