import { median } from '../../base/numbers'
import { followPhase, SHORTEST, type PhaseRate } from './follow-phase'
import { partsAt, powerOf } from './harmonics'
import { aboutItsCourse, type Series } from './series'

export interface PeriodSearch {
  readonly slowestHz: number
  readonly fastestHz: number
  /** Multiples of the rhythm that count as it: a short mark has many, a row of bars one. */
  readonly harmonics: number
  /** What is expected: where several rhythms explain the series, the nearest to one of these is meant. */
  readonly expectedHz?: readonly number[]
}

/** The rough search looks at so much, s: the rest only makes it finer. */
const ROUGH_S = 20
/** Steps of the search in a width of the highest harmonic's line. */
const FINE = 3
/** A rhythm holds so many times the power of the middle one of all that were tried. */
const ABOVE_CHANCE = 5
/** A single line among thousands reaches more by chance than a sum of several does. */
const ABOVE_CHANCE_ALONE = 30
/** A rhythm that holds so much of the best one's power explains the series too. */
const AS_GOOD = 0.8

/**
 * The rhythm of a series, though each single time is uncertain: first the one that holds most power (a periodogram of
 * several harmonics), then how its phase runs on, stretch by stretch, which says how sure it is.
 * @returns null where no rhythm stands out, or it lasts too short
 */
export function findPeriod(series: Series, search: PeriodSearch): PhaseRate | null {
  const { timesS } = series
  const { slowestHz, fastestHz, harmonics } = search
  if (timesS.length < 4 * harmonics || !(fastestHz > slowestHz)) return null
  const spanS = timesS.at(-1)! - timesS[0]!
  if (spanS * slowestHz < SHORTEST) return null
  const flat = aboutItsCourse(series, 2 / slowestHz)
  const roughHz = roughly(flat, search)
  return roughHz === null ? null : followPhase(flat, roughHz, harmonics)
}

interface Tried {
  readonly hz: number
  readonly power: number
}

/** The rhythm that holds most power, Hz; null where none holds more than chance gives. */
function roughly(series: Series, { slowestHz, fastestHz, harmonics, expectedHz = [] }: PeriodSearch): number | null {
  const { timesS } = series
  const spanS = Math.min(ROUGH_S, timesS.at(-1)! - timesS[0]!)
  const middle = (timesS[0]! + timesS.at(-1)!) / 2
  const from = timesS.findIndex(t => t >= middle - spanS / 2)
  const end = timesS.findIndex(t => t > middle + spanS / 2)
  const to = end < 0 ? timesS.length : end
  const step = 1 / (spanS * harmonics * FINE)
  const tried: Tried[] = []
  for (let hz = slowestHz; hz <= fastestHz; hz += step)
    tried.push({ hz, power: powerOf(partsAt(series, hz, harmonics, from, to)) })
  const best = tried.reduce((a, b) => (b.power > a.power ? b : a))
  const aboveChance = best.power / Math.max(median(tried.map(t => t.power)), 1e-30)
  if (!(aboveChance > (harmonics > 1 ? ABOVE_CHANCE : ABOVE_CHANCE_ALONE))) return null
  // Half and a third of a rhythm can explain the same: the one that is expected is meant.
  const off = ({ hz }: Tried) => Math.min(...expectedHz.map(e => Math.abs(Math.log(hz / e))))
  const peaks = tried.filter(
    ({ power }, i) =>
      power > AS_GOOD * best.power && power >= (tried[i - 1]?.power ?? 0) && power > (tried[i + 1]?.power ?? 0),
  )
  const chosen = expectedHz.length ? peaks.reduce((a, b) => (off(b) < off(a) - 0.02 ? b : a), best) : best
  return chosen.hz
}
