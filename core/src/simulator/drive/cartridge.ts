import type { Call } from '../../base/observations'
import { Random } from '../random'

/**
 * A removable-cartridge drive: the disk comes to its speed, the heads load, find their servo marks and lock. Where
 * they do not, the drive
 * retracts them and loads again, which is heard as a click. A torn disk hurts the heads that meet it; hurt heads
 * tear the next disk.
 * All values from memory.
 */
export interface CartridgeSpec {
  readonly seed: number
  readonly rpm: number
  /** Signal of the servo marks, share of a good one; below a third the servo cannot lock. */
  readonly servoSignal: number
  /** Heads that are hurt, and a disk that is torn. */
  readonly headsHurt: boolean
  readonly diskTorn: boolean
  /** Loads before the drive gives up. */
  readonly tries: number
}

export const SOUND_CARTRIDGE: CartridgeSpec = {
  seed: 1,
  rpm: 2941,
  servoSignal: 1,
  headsHurt: false,
  diskTorn: false,
  tries: 12,
}

export interface CartridgeEvent {
  readonly atS: number
  readonly what: 'at speed' | 'heads load' | 'locked' | 'click' | 'given up'
}

export interface CartridgeRun {
  readonly events: readonly CartridgeEvent[]
  readonly locked: boolean
  readonly clicks: number
  /** How drive and disk are afterwards. */
  readonly headsHurt: boolean
  readonly diskTorn: boolean
  readonly call: Call
}

/** Puts a cartridge in and lets the drive try. */
export function loadCartridge(spec: CartridgeSpec): CartridgeRun {
  const random = new Random(spec.seed)
  const events: CartridgeEvent[] = []
  let { headsHurt, diskTorn } = spec
  let t = 2.4 * (2941 / spec.rpm) + random.next() * 0.2
  const say = (what: CartridgeEvent['what']) => events.push({ atS: t, what })
  const speedFits = Math.abs(spec.rpm / 2941 - 1) < 0.01
  say('at speed')
  let clicks = 0
  for (let i = 0; i < spec.tries; i++) {
    t += 0.35
    say('heads load')
    // Contact of a hurt head with a disk, or of a head with a torn edge, spreads the harm.
    if (headsHurt && random.next() < 0.4) diskTorn = true
    if (diskTorn && random.next() < 0.4) headsHurt = true
    const signal = spec.servoSignal * (headsHurt ? 0.25 : 1) * (diskTorn ? 0.4 : 1) * (0.92 + 0.16 * random.next())
    t += 0.25
    if (signal > 0.33 && speedFits) {
      say('locked')
      return { events, locked: true, clicks, headsHurt, diskTorn, call: judgeCartridge({ clicks, locked: true }) }
    }
    clicks++
    say('click')
  }
  t += 0.3
  say('given up')
  return { events, locked: false, clicks, headsHurt, diskTorn, call: judgeCartridge({ clicks, locked: false }) }
}

/** What is heard of a cartridge drive says enough: nothing good goes in while it clicks. */
export function judgeCartridge({ clicks, locked }: { readonly clicks: number; readonly locked: boolean }): Call {
  if (clicks >= 3)
    return {
      kind: 'stop',
      reasons: [
        `The heads were drawn back and loaded again ${clicks} times: a steady click.`,
        'It can tear a disk, and a torn disk can wreck the next drive.',
      ],
      next: 'Take the cartridge out, keep it and the drive apart from all others, and look at both edges with a lens.',
    }
  if (!locked)
    return {
      kind: 'mend',
      reasons: ['The heads load, but the servo does not lock.'],
      next: 'Look at the disk’s speed and clean nothing inside by force; try one sacrificial cartridge.',
    }
  if (clicks)
    return {
      kind: 'unknown',
      reasons: [`It clicked ${clicks === 1 ? 'once' : 'twice'} before it locked.`],
      next: 'Load ten times with a sacrificial cartridge, and count.',
    }
  return {
    kind: 'leave',
    reasons: ['The servo locked at the first load.'],
    next: 'Load ten times and count clicks: nothing here is aligned by hand.',
  }
}
