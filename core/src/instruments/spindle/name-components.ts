import { turningParts, type Pulleys } from '../../drives'
import { sinc, type Component } from './components'

export interface NamedComponent extends Component {
  /** What turns at this rate, where the drive's pulleys say so; null where nothing known does. */
  readonly likely: string | null
}

/** Belts creep: a part may turn this share slower or faster than its pulleys alone say. */
const SLIP = 0.025

/** Averaging may hide up to this share of a part's depth before its size can no longer be told. */
const VISIBLE = 0.2

/** A rate above half a cycle a mark shows folded back below it. */
function fold(cyclesPerMark: number): number {
  const f = cyclesPerMark % 1
  return f > 0.5 ? 1 - f : f
}

/**
 * Puts names to periodic parts. A part too fast for the marks shows at a folded rate and much reduced; where the
 * pulleys say so, its true rate and depth are put in their place.
 * @param marksPerTurn pulses a turn
 * @param marks number of intervals analysed: it limits how finely rates are told apart
 */
export function nameComponents(
  components: readonly Component[],
  marksPerTurn: number,
  marks: number,
  pulleys?: Pulleys,
): NamedComponent[] {
  const parts = turningParts(pulleys)
    .map(part => ({ name: part.name, rate: part.cyclesPerTurn / marksPerTurn }))
    // One mark a turn meets the spindle always at the same place: its own rate cannot show.
    .filter(part => fold(part.rate) > 1e-9)
  return components
    .map((component): NamedComponent => {
      let best: { name: string; rate: number } | null = null
      let nearest = 1
      for (const part of parts) {
        const tolerance = Math.max(1.5 / marks, SLIP * part.rate)
        const off = Math.abs(component.cyclesPerMark - fold(part.rate)) / tolerance
        // A fast part folds to almost anywhere within its slip: then a match says nothing.
        if (off < nearest && tolerance < 0.05) {
          nearest = off
          best = part
        }
      }
      if (!best) return { ...component, likely: null }
      if (best.rate <= 0.5) return { ...component, likely: best.name }
      const seen = component.peakPercent * sinc(component.cyclesPerMark)
      const left = Math.abs(sinc(best.rate))
      if (left < VISIBLE) return { ...component, likely: `${best.name}, an alias of unknown depth` }
      return {
        cyclesPerMark: best.rate,
        hz: (component.hz / component.cyclesPerMark) * best.rate,
        peakPercent: seen / left,
        likely: `${best.name}, by its alias`,
      }
    })
    .sort((a, b) => b.peakPercent - a.peakPercent)
}
