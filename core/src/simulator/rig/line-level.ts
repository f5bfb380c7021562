import type { Random } from '../random'
import { operate, type Running } from './operate'
import { onBus, type Rig } from './parts'

/** Share of its speed at which a head’s signal still makes pulses (from memory). */
const TURNING = 0.3

/** A line behind its receiver: what reaches the plug, passes the strap, and is passed on. */
function behindReceiver(rig: Rig, line: string, random: Random): string {
  const heard = (rig.parts.receivers[line] ?? 'good') === 'good' && lineLevel(rig, `line.${line}`, random) === 'right'
  const { straps } = rig.parts
  const addressed = line === 'select' ? straps.number && straps.fitted : operate(rig, random).selected !== 'no'
  return heard && addressed ? 'right' : 'still'
}

/** Whether pulses come: from a disk that turns, however slowly, on any track. */
const pulses = ({ parts }: Rig, { ready, logic, selected, speed }: Running): boolean =>
  parts.amplifier.alive && (ready || (logic && selected !== 'no' && speed > TURNING))

/** A line at the drive, by its driver and by what it carries. */
export function lineLevel(rig: Rig, check: string, random: Random): string | null {
  const behind = /^line\.([a-z0-9-]+)\.behind$/.exec(check)?.[1]
  if (behind) return onBus(rig) ? behindReceiver(rig, behind, random) : null
  const line = /^line\.([a-z0-9-]+)$/.exec(check)?.[1]
  if (!line || line === 'stuck') return null
  if (!onBus(rig)) return null
  const driver = rig.parts.drivers[line] ?? rig.parts.receivers[line] ?? 'good'
  if (driver === 'low') return 'stuck low'
  if (driver === 'open' && rig.parts.drivers[line]) return 'stuck high'
  const run = operate(rig, random)
  if (line === 'index') return run.index ? 'right' : 'still'
  if (line === 'track-0') return run.home === 'found' ? 'right' : 'still'
  if (line === 'read-data') return pulses(rig, run) ? 'right' : 'still'
  if (line === 'write-protect') return run.protect === 'both' ? 'right' : 'still'
  if (line === 'ready') return run.ready ? 'right' : 'still'
  // What the host makes reaches the drive by the cable; the drive's supply has no part in it.
  const { cable, host } = rig.parts
  return host.alive && cable.plugged === 'right' && (cable.wire !== line || random.next() >= cable.contact.open)
    ? 'right'
    : 'still'
}
