import { wiggleChance } from '../../calculators/electronics'
import type { Call } from '../../base/observations'

/** A stretch in which one wire was moved. */
export interface WireMoved {
  readonly wire: string
  readonly fromS: number
  readonly toS: number
}

/** How one wire did. */
export interface WireErrors extends WireMoved {
  readonly errors: number
  readonly seconds: number
  readonly chance: number
}

export interface WiggleResult {
  readonly call: Call
  readonly rest: { readonly errors: number; readonly seconds: number }
  readonly wires: readonly WireErrors[]
}

/** So unlikely by chance, among all wires tried, that the wire is named. */
const SURE = 0.01

/**
 * The wiggle test against time: errors that came while a wire was moved against those at rest, each wire by the
 * exact test of two
 * Poisson rates.
 * @param errors times of the errors, s @param readS how long was read in all
 */
export function judgeWiggle(errors: readonly number[], moved: readonly WireMoved[], readS: number): WiggleResult {
  const during = (m: WireMoved) => errors.filter(t => t >= m.fromS && t < m.toS).length
  const byWire = new Map<string, { errors: number; seconds: number; fromS: number; toS: number }>()
  for (const m of moved) {
    const w = byWire.get(m.wire) ?? { errors: 0, seconds: 0, fromS: m.fromS, toS: m.toS }
    byWire.set(m.wire, {
      errors: w.errors + during(m),
      seconds: w.seconds + m.toS - m.fromS,
      fromS: w.fromS,
      toS: m.toS,
    })
  }
  const seconds = readS - moved.reduce((s, m) => s + m.toS - m.fromS, 0)
  const rest = { errors: errors.filter(t => !moved.some(m => t >= m.fromS && t < m.toS)).length, seconds }
  const wires = [...byWire].map(([wire, w]): WireErrors => ({
    wire,
    ...w,
    chance: wiggleChance(w.errors, w.seconds, rest.errors, Math.max(0.1, seconds), byWire.size),
  }))
  return { call: callOf(wires, rest), rest, wires }
}

function callOf(wires: readonly WireErrors[], rest: { readonly errors: number; readonly seconds: number }): Call {
  if (wires.length === 0)
    return {
      kind: 'unknown',
      reasons: ['No wire was moved yet.'],
      next: 'Read for some seconds at rest, then move one wire at a time at its plug.',
    }
  if (rest.seconds < 1)
    return {
      kind: 'unknown',
      reasons: ['There is no time at rest to compare with.'],
      next: 'Leave all wires alone for some seconds while it reads.',
    }
  const [worst, second] = [...wires].sort((a, b) => a.chance - b.chance)
  const what = (w: WireErrors) => `${w.errors} ${w.errors === 1 ? 'error' : 'errors'} in ${w.seconds.toFixed(1)} s`
  if (worst!.chance >= SURE) {
    return worst!.errors > rest.errors
      ? {
          kind: 'unknown',
          reasons: [`No wire stands out yet: ${worst!.wire} made ${what(worst!)}, which chance can do.`],
          next: `Move ${worst!.wire} again, for longer.`,
        }
      : {
          kind: 'leave',
          reasons: ['No wire makes errors when it is moved.'],
          next: 'Test again when warm, with the covers on.',
        }
  }
  const both = second && second.chance < SURE
  return {
    kind: 'mend',
    reasons: [
      both
        ? `${worst!.wire} and ${second.wire} make errors when they are moved: what they share is loose.`
        : `The ${worst!.wire} wire makes errors when it is moved: ${what(worst!)}, ${rest.errors} in ${rest.seconds.toFixed(1)} s at rest.`,
    ],
    next: both
      ? 'Look at the plug or the ground that they share.'
      : 'Remake its crimp or joint: one that pierced the sheath fails years later.',
  }
}
