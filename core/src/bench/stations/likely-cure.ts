import { findingsNamed } from '../../findings'
import type { GateId } from './gates'
import type { StepState, Walk } from './walk'

/** The gates on the way to a working drive; a sealed adjuster is nobody's usual cure. */
const ON_THE_WAY: readonly GateId[] = ['first-power', 'insert-disk', 'insert-good-disk']
/** What cures more drives than anything else, and is tried where nothing else is known (common practice). */
const USUAL_CURE = ['clean.heads', 'clean.heads-servo', 'open.plugs']
const PROOF = ['prove', 'release']

/**
 * Undone steps that the likely cure of a drive needs: the looks that open its gates, what was found and is to be
 * mended, and the proof afterwards. Where nothing is known to be amiss, cleaning the heads and reseating plugs stand
 * for the cure. What only a thorough overhaul would do as well is left out.
 */
export function likelyCure(w: Walk): StepState[] {
  if (w.progress.outcome !== null) return []
  const faults = w.findings.filter(f => f.finding.call === 'mend' || f.finding.call === 'stop')
  const faultIds = new Set(faults.map(f => f.finding.id))
  const faultQuestions = new Set(faults.map(f => f.question.id))
  const looks = new Set(
    w.gates
      .filter(g => !g.open && ON_THE_WAY.includes(g.gate.id))
      .flatMap(g => g.missing.flatMap(m => m.question ?? [])),
  )
  const needed = (station: string, { step }: StepState): boolean =>
    PROOF.includes(station) ||
    Boolean(step.asks?.some(q => looks.has(q) || (step.untilGood && faultQuestions.has(q)))) ||
    findingsNamed(step.when).some(id => faultIds.has(id)) ||
    (faults.length === 0 && USUAL_CURE.includes(step.id))
  return w.stations.filter(s => !s.finished).flatMap(s => s.steps.filter(st => !st.done && needed(s.station.id, st)))
}

/** Minutes of hands that its proof and its release take. */
export const minutesToProve = (w: Walk): number =>
  w.stations
    .filter(s => PROOF.includes(s.station.id) && !s.finished)
    .flatMap(s => s.steps.filter(x => !x.done))
    .reduce((sum, s) => sum + s.step.hands, 0)

/** Minutes of hands that the likely cure takes. */
export const minutesForCure = (w: Walk): number => likelyCure(w).reduce((sum, s) => sum + s.step.hands, 0)
