import { isHigh, type HostDrivenLine, type HostDrivenLines, type Translated } from './host-driven-lines'
import { levelsFrom, pulsesAt } from './synthetic'

const PHASES = ['phase-0', 'phase-1', 'phase-2', 'phase-3'] as const satisfies readonly HostDrivenLine[]

/** So many half tracks outward without one inward are a homing against the end stop (from memory: 40 tracks). */
const HOMING = 2 * 34
/** A change of phases within this time belongs to the same moment, s. */
const TOGETHER_S = 1e-7

/**
 * Steps, direction and track zero of a drive whose stepper phases the host drives (from memory): four phases of half a
 * track each, the energised one draws the carriage; a phase beside the last one moves it by half a track, the opposite
 * one does not say which way. There is no track-zero sensor: a long run outward ends at the stop, and that is zero.
 */
export function linesFromPhases(lines: HostDrivenLines): Translated {
  const changes = [...new Set(PHASES.flatMap(p => [...lines[p]!.times]))].sort((a, b) => a - b)
  const steps: number[] = []
  const directions: { at: number; low: boolean }[] = []
  const zero: { at: number; low: boolean }[] = []
  let [outward, left] = [0, 0]
  let last: number | null = null
  for (const t of changes) {
    const on = PHASES.flatMap((p, i) => (isHigh(lines[p], t + TOGETHER_S) ? [i] : []))
    if (on.length !== 1) continue
    const [phase] = on
    const way = last === null ? 0 : (phase! - last + 4) & 3
    last = phase!
    if (way !== 1 && way !== 3) continue
    const inward = way === 1
    outward = inward ? 0 : outward + 1
    // Whole tracks lie at every second phase; the heads leave the track with the half step before.
    if ((phase! & 1) === 1) left = t
    else {
      const from = Math.max(left, steps.at(-1) ?? 0)
      directions.push({ at: from - TOGETHER_S, low: inward })
      steps.push(from)
    }
    if (outward >= HOMING) zero.push({ at: t + TOGETHER_S, low: true })
    else if (inward && (phase! & 1) === 0) zero.push({ at: t + TOGETHER_S, low: false })
  }
  return {
    lines: { step: pulsesAt(steps), direction: levelsFrom(directions), 'track-0': levelsFrom(zero) },
    // Steps against the stop go nowhere: where the carriage stood before is not known by counting back.
    knownFromS: zero.find(z => z.low)?.at ?? null,
  }
}
