import type { SurfaceBar } from '../../../src/log'
import type { SurfaceEvidence } from '../../../src/instruments/alignment'
import { Random } from '../../../src/simulator'

/**
 * Surfaces of drives whose physics is another than the judge's: the law by which a head loses its signal beside the
 * track, how noise grows, how dirt costs and where sectors begin to fail are all drawn at random for each drive, and
 * nothing of the judge's own formulas is used. Track and pitch are a 3.5-inch drive's (from memory).
 */
export type Truth = 'sound' | 'upper off' | 'both off' | 'dirty' | 'weak' | 'disk'
export const TRUTHS: readonly Truth[] = ['sound', 'upper off', 'both off', 'dirty', 'weak', 'disk']

const TRACK_UM = 115
const PITCH_UM = 187.5
const [SECTORS, LAST] = [9, 79]

export interface OtherCase {
  readonly truth: Truth
  /** How far the head or heads stand off, µm, where that is the truth. */
  readonly offUm: number
  readonly evidence: SurfaceEvidence
}

export function otherCase(truth: Truth, seed: number): OtherCase {
  const random = new Random(seed)
  const between = (low: number, high: number) => low + (high - low) * random.next()
  const normal = () => random.gaussian()
  // How the signal falls beside the track, and how far the head still finds its edge.
  const [bend, reach] = [between(0.8, 2.2), TRACK_UM * between(0.85, 1.2)]
  // Jitter of a full signal, how it grows as the signal falls, and towards the hub.
  const [jitter, grows, inner] = [between(0.055, 0.095), between(0.8, 1.2), between(1.2, 1.9)]
  const shift = between(0.02, 0.1)
  const [failsAt, softly] = [between(0.2, 0.34), between(0.02, 0.05)]
  const offUm = between(0.42, 0.8) * TRACK_UM * (random.next() < 0.5 ? 1 : -1)
  const which: 0 | 1 = random.next() < 0.5 ? 0 : 1
  const [dirtUm, perUm] = [between(0.25, 0.8), between(0.7, 1.3)]
  const amplitude = between(0.35, 0.6)
  const patches = Array.from({ length: 4 }, () => Math.floor(between(0, LAST)))

  const own = (head: 0 | 1, cylinder: number): { off: number; signal: number } => {
    const hub = cylinder / LAST
    const isOff = truth === 'both off' || (truth === 'upper off' && head === 1)
    const off = isOff ? offUm + 3 * normal() : 3 * normal()
    let signal = Math.max(0, 1 - (Math.abs(off) / reach) ** bend)
    // Short waves suffer first: by so many times a micrometre of dirt, more towards the hub.
    if (truth === 'dirty' && head === which) signal *= Math.exp(-dirtUm * perUm * (0.8 + 0.9 * hub))
    if (truth === 'weak' && head === which) signal *= amplitude
    if (truth === 'disk')
      signal *= patches.some(p => Math.abs(p - cylinder) < 6) ? between(0.2, 0.6) : between(0.7, 0.9)
    return { off, signal }
  }
  const bars: SurfaceBar[] = []
  for (const head of [0, 1] as const)
    for (const share of [0, 0.12, 0.25, 0.4, 0.55, 0.7, 0.85, 1]) {
      const cylinder = Math.round(share * LAST)
      const { off, signal } = own(head, cylinder)
      const noise = (jitter * (1 + (inner - 1) * share)) / Math.max(0.02, signal) ** grows
      const margin = 1 - 2.5 * noise - shift * share + 0.02 * normal()
      const failing = 1 / (1 + Math.exp((margin - failsAt) / softly))
      const good = Array.from({ length: SECTORS }, () => random.next() >= failing).filter(Boolean).length
      const foreign = Math.abs(off) > 0.72 * PITCH_UM ? SECTORS : 0
      bars.push({
        cylinder,
        head,
        margin: margin > 0.02 && good > 0 ? margin : null,
        good: foreign ? 0 : good,
        bad: foreign ? 0 : SECTORS - good,
        missing: foreign ? SECTORS : 0,
        wrongCylinder: foreign,
      })
    }
  const swings = ([0, 1] as const).map(head => {
    const { off, signal } = own(head, 40)
    const sd = between(0.002, 0.005)
    // The eccentricity of the disk moves a head that is off up and down its slope.
    const slope = Math.abs(off) > 20 ? (2.5 * jitter * bend) / (reach * Math.max(0.2, signal) ** 2) : 0
    return { size: Math.hypot(slope * between(3, 14) + sd * normal(), sd * normal()), sd }
  })
  return { truth, offUm, evidence: { bars, homeOff: 0, rateOff: null, swings } }
}
