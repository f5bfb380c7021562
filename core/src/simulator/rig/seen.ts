import type { Zone } from '../../drives'
import type { Random } from '../random'
import { operate, readShare, type DiskUnder, type Running } from './operate'
import { GOOD_DISK, isLinked, onBus, type Rig } from './parts'

/** What stands behind an answer: the drive, one run of it, and the reading of a disk in that run. */
interface Sight {
  readonly rig: Rig
  readonly run: Running
  readonly random: Random
  /** Share of the sectors that read. */
  readonly read: (disk: DiskUnder, zone?: Zone, side?: 'lower' | 'upper') => number
}

/** Nine sectors, three times: counted, so that a share is a chance. */
const sectors = (share: number, random: Random): string => {
  let read = 0
  for (let i = 0; i < 27; i++) if (random.next() < share) read++
  return read === 27 ? 'all' : read === 0 ? 'none' : 'some'
}

/** Several tries: a contact that is open now and then shows as that. */
function spinSeen({ rig, random }: Sight): string {
  const turns = Array.from({ length: 5 }, () => operate(rig, random).speed > 0.1)
  return turns.every(Boolean) ? 'yes' : turns.some(Boolean) ? 'sometimes' : 'no'
}

function steadiness({ rig, random }: Sight): string {
  const tries = Array.from({ length: 8 }, () =>
    readShare(rig, operate(rig, random), 'lower', 'outer', rig.parts.disk, random),
  )
  if (tries.every(t => t > 0.95)) return 'always'
  if (tries.every(t => t === 0)) return 'never'
  return Math.max(...tries) - Math.min(...tries) > 0.5 ? 'now and then' : 'always'
}

/** Disks of four other writers, a little off each way, beside the one that lies in it. */
function disksRead({ rig, read }: Sight): string {
  const others = [0, 0.08, -0.08, 0.05].map(writerUm => ({ ...GOOD_DISK, writerUm }))
  const good = others.filter(d => read(d) > 0.9).length
  const here = read(rig.parts.disk) > 0.9
  if (good === others.length) return here ? 'all' : 'some'
  return good === 0 && !here ? 'none' : 'some'
}

function lamp({ rig, run }: Sight): string {
  if (!run.logic || !rig.parts.lamp.alive || run.selected === 'no') return 'none'
  return run.selected === 'always' ? 'always' : 'normal'
}

function runsOn({ rig, run }: Sight): string {
  const told = run.selected === 'always' || rig.parts.motor.boardOn || (isLinked(rig) && run.processor !== 'runs')
  return run.motorTurns && told ? 'runs on' : 'stops'
}

/** A push helps a motor that is fed and too weak to start. */
function pushed({ rig, run, random }: Sight): string {
  const { motor, belt } = rig.parts
  const able = run.motorOn && motor.alive && motor.torque > 0.1 && belt.kind === 'right'
  return run.speed === 0 && able && random.next() < 0.5 ? 'starts' : 'still'
}

function writing({ rig, run, read }: Sight): string {
  const share = read(GOOD_DISK)
  if (!rig.parts.write.alive || run.protect === 'always' || share === 0) return 'no'
  return share < 0.9 || !rig.parts.write.erase ? 'errors' : 'right'
}

function bothWays({ rig, run, random }: Sight): string {
  const [out, back] = ([1, -1] as const).map(from => readShare(rig, run, 'lower', 'inner', GOOD_DISK, random, { from }))
  return Math.abs(out! - back!) > 0.2 ? 'differ' : 'same'
}

function pass({ rig, run }: Sight): string {
  if (run.speed < 0.5 || rig.parts.pass.friction > 1) return 'none'
  return rig.parts.pass.lateTurns > 0.5 ? 'late' : 'right'
}

/** A host tries to write to what turns and answers; anything else it reports before it comes to protection. */
const canWrite = ({ rig, run }: Sight): boolean => run.speed > 0.5 && (!onBus(rig) || run.ready)

/** The latch of a disk change: set without a disk, cleared by a step while the drive knows of one. */
function latched({ rig, run }: Sight, diskInside: boolean): 'active' | 'idle' | null {
  if (!onBus(rig)) return null
  const line = rig.parts.drivers.change ?? 'good'
  if (line !== 'good') return line === 'low' ? 'active' : 'idle'
  const known = rig.parts.diskSwitch.state === 'stuck closed' || (diskInside && run.diskSeen)
  return run.selected === 'no' ? 'idle' : known && run.steps > 0 ? 'idle' : 'active'
}

function withoutDisk(s: Sight): string | null {
  const state = latched(s, false)
  if (state !== 'idle') return state && 'stays'
  return s.rig.parts.diskSwitch.state === 'stuck closed' && (s.rig.parts.drivers.change ?? 'good') === 'good'
    ? 'goes'
    : 'never'
}

function withDisk(s: Sight): string | null {
  const state = latched(s, true)
  return state && (state === 'active' ? 'stays' : 'goes')
}

/** Steps that are missed on the way in are missing on the way out. */
const endStop = ({ run }: Sight): string => (run.steps < 1 ? 'fewer' : 'right')

function speed({ run }: Sight): string {
  if (run.speed < 0.1) return 'none'
  return run.speed < 0.97 ? 'slow' : run.speed > 1.03 ? 'fast' : 'right'
}

function headers({ run, read }: Sight): string {
  if (run.zeroOff !== 0) return 'other'
  return read(GOOD_DISK) === 0 ? 'none' : 'same'
}

const band = (volts: number, nominal: number): string =>
  volts < nominal * 0.2 ? 'missing' : volts < nominal * 0.95 ? 'low' : 'right'

/** What is seen of a drive that runs, by check. */
const SEEN: Readonly<Record<string, (s: Sight) => string | null>> = {
  'see.lamp': lamp,
  'see.flash': ({ run }) => (run.processor === 'flashes' ? 'yes' : 'no'),
  'see.host': ({ rig, run }) => {
    if (!isLinked(rig)) return null
    return { good: 'yes', hangs: 'hangs', none: 'no' }[run.link]
  },
  'see.select': ({ rig, run }) => (onBus(rig) ? run.selected : null),
  'see.spin': spinSeen,
  'see.motor-off': runsOn,
  'see.motor-runs': ({ run }) => (run.motorTurns ? 'runs' : 'still'),
  'motor.volts': ({ rig, run }) => (run.motorOn && rig.parts.motor.boardAlive ? 'right' : 'none'),
  'motor.enable': ({ rig, run }) => (run.motorOn && !rig.parts.motor.boardOn ? 'right' : 'still'),
  'stepper.phases': ({ rig, run }) =>
    rig.mechanism === 'cartridge' || rig.mechanism === 'quick-disk' ? null : run.pushed ? 'switch' : 'still',
  'motor.pushed': pushed,
  'speed.mean': speed,
  'speed.variation': ({ run }) => (run.speed < 0.1 ? 'none' : run.uneven > 2 ? 'uneven' : 'steady'),
  'see.ready': ({ rig, run }) => (onBus(rig) ? (run.ready ? 'yes' : 'no') : null),
  'see.index': ({ rig, run }) => (onBus(rig) ? (run.index ? 'yes' : 'no') : null),
  'see.step': ({ run }) => (run.steps === 0 ? 'no' : run.steps < 1 ? 'misses' : 'yes'),
  'see.home': ({ rig, run }) => (onBus(rig) ? run.home : null),
  'see.header': headers,
  'see.protect': ({ run }) => run.protect,
  'protect.blocks': s => (canWrite(s) ? (s.run.protect === 'never' ? 'written' : 'refused') : null),
  'protect.allows': s => (canWrite(s) ? (s.run.protect === 'always' ? 'refused' : 'written') : null),
  'change.without-disk': withoutDisk,
  'change.with-disk': withDisk,
  'see.end-stop': endStop,
  'see.click': ({ run }) => (run.servo === 'clicks' ? 'yes' : 'no'),
  'see.disk-in': ({ rig, run }) =>
    rig.parts.diskSwitch.state === 'stuck closed' ? 'always' : run.diskSeen ? 'yes' : 'never',
  'see.density': ({ rig }) => (rig.parts.densitySwitch.state === 'follows' ? 'right' : 'wrong'),
  'see.pass': pass,
  'see.steady': steadiness,
  'see.write': writing,
  'see.format': s => (writing(s) !== 'no' && s.run.index && s.read(GOOD_DISK) > 0.5 ? 'yes' : 'no'),
  'disks.share': disksRead,
  'disk.elsewhere': ({ rig: { parts } }) =>
    parts.disk.blank || parts.disk.wornShare > 0.15 || parts.disk.writerUm !== 0 ? 'fails' : 'reads',
  'seek.both-ways': bothWays,
  'supply.5v': ({ run }) => band(run.v5, 5),
  // Before the cable: what the supply makes under what the drive draws.
  'supply.source': ({ rig, run }) => {
    const { v5, v12, ohm5, ohm12 } = rig.parts.supply
    const seen = [band(v5 - run.amps5 * ohm5, 5), band(v12 - run.amps12 * ohm12, 12)]
    return seen.includes('missing') ? 'missing' : seen.includes('low') ? 'low' : 'right'
  },
  'supply.12v': ({ run }) => band(run.v12, 12),
  'see.draw': ({ run }) => (run.amps5 > 1.5 || run.amps12 > 2 ? 'too much' : 'right'),
  'current.12v.spin': ({ run }) => (run.amps12 > 1.3 ? 'high' : run.amps12 < 0.05 ? 'low' : 'right'),
  'see.hot': ({ rig, run }) => (rig.parts.board.hot && run.amps5 + run.amps12 > 0.1 ? 'hot' : 'cool'),
  'line.stuck': ({ run }) => (run.link === 'hangs' ? 'yes' : 'no'),
}

const ZONE = /^read\.(lower|upper)\.(outer|middle|inner)$/

/** What somebody sees of a drive that runs; null where its physics does not reach. */
export function seenOf(rig: Rig, check: string, random: Random): string | null {
  const run = operate(rig, random)
  const read: Sight['read'] = (disk, zone = 'outer', side = 'lower') => readShare(rig, run, side, zone, disk, random)
  const zone = ZONE.exec(check)
  if (!zone) return SEEN[check]?.({ rig, run, random, read }) ?? null
  const side = zone[1] as 'lower' | 'upper'
  return side === 'upper' && !rig.twoHeads ? null : sectors(read(rig.parts.disk, zone[2] as Zone, side), random)
}
