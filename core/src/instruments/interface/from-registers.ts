import { isHigh, type HostDrivenLines, type Translated } from './host-driven-lines'
import { risesOf } from './levels'
import type { BusLines } from './lines'
import { levelsFrom, pulsesAt } from './synthetic'

/**
 * What is written by a strobe: the address is register select, phase 1 and phase 0, the value phase 2. What the sense
 * line shows without a strobe: the address has phase 2 as well (all from memory).
 */
const WRITES = { direction: 0, step: 1, motor: 2 } as const
const READS = { protect: 3, zero: 10, tach: 7 } as const
/** Pulses of the tachometer in a turn (from memory). */
export const TACH_PULSES = 60
/** Sense follows the address within this time, s. */
const FOLLOWS_S = 2e-6

/**
 * Steps, direction, motor, track zero and one index pulse a turn of a drive with a register interface. The index is
 * made of the tachometer, and stands for the speed only: it is not the place of any sector.
 */
export function linesFromRegisters(lines: HostDrivenLines, durationS: number): Translated {
  const bit = (line: keyof HostDrivenLines, t: number) => Number(isHigh(lines[line], t))
  const steps: number[] = []
  const direction: { at: number; low: boolean }[] = []
  const motor: { at: number; low: boolean }[] = []
  for (const t of risesOf(lines.strobe!)) {
    const address = (bit('register', t) << 2) | (bit('phase-1', t) << 1) | bit('phase-0', t)
    const value = bit('phase-2', t)
    // A value of 0 is inward, a step, and motor on.
    if (address === WRITES.direction) direction.push({ at: t, low: value === 0 })
    else if (address === WRITES.step && value === 0) steps.push(t)
    else if (address === WRITES.motor) motor.push({ at: t, low: value === 0 })
  }
  const stretches = addressStretches(lines, durationS)
  const seen = (address: number) =>
    stretches
      .filter(s => s.address === address && s.toS - s.fromS > FOLLOWS_S)
      .map(s => ({ at: s.fromS, low: !isHigh(lines.sense, s.fromS + FOLLOWS_S) }))
  const translated: BusLines = {
    step: pulsesAt(steps),
    direction: levelsFrom(direction),
    ...(motor.length ? { motor: levelsFrom(motor) } : {}),
    'track-0': levelsFrom(zeroStates(seen(READS.zero), steps)),
    ...(seen(READS.protect).length ? { 'write-protect': levelsFrom(seen(READS.protect)) } : {}),
    index: pulsesAt(turnsOf(lines, stretches)),
  }
  return { lines: translated, knownFromS: 0 }
}

/** Track zero is known where it was asked for; a step away ends what was known. */
function zeroStates(asked: readonly { at: number; low: boolean }[], steps: readonly number[]) {
  return [...asked, ...steps.map(t => ({ at: t + 1e-6, low: false }))].sort((a, b) => a.at - b.at)
}

interface Stretch {
  readonly fromS: number
  readonly toS: number
  readonly address: number
}

/** Stretches in which the address lines stand still. */
function addressStretches(lines: HostDrivenLines, durationS: number): Stretch[] {
  const names = ['register', 'phase-2', 'phase-1', 'phase-0'] as const
  const cuts = [0, ...new Set(names.flatMap(n => [...(lines[n]?.times ?? [])])), durationS].sort((a, b) => a - b)
  return cuts.slice(1).flatMap((toS, i) => {
    const fromS = cuts[i]!
    if (toS <= fromS) return []
    const at = fromS + 1e-9
    return [{ fromS, toS, address: names.reduce((sum, n) => (sum << 1) | Number(isHigh(lines[n], at)), 0) }]
  })
}

/** One time for each turn, wherever the tachometer was on the sense line for a whole turn. */
function turnsOf(lines: HostDrivenLines, stretches: readonly Stretch[]): number[] {
  const rises = risesOf(lines.sense!)
  return stretches
    .filter(s => s.address === READS.tach)
    .flatMap(s => {
      const own = rises.filter(t => t > s.fromS && t < s.toS)
      // A mark alone makes no revolution, and would stand beside those of the next stretch.
      if (own.length <= TACH_PULSES) return []
      return Array.from({ length: Math.ceil(own.length / TACH_PULSES) }, (_, k) => own[k * TACH_PULSES]!)
    })
}
