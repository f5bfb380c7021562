import { ParameterError } from '../../base/errors'
import { mean, quantile, sampleDeviation } from '../../base/numbers'
import type { Pulleys } from '../../drives'
import { cleanIntervals, type CleanIntervals, type Discarded } from './clean-intervals'
import { findComponents } from './components'
import { fitDrift, type Drift } from './drift'
import { evenOutMarks } from './even-out'
import { findHardSectors } from './hard-sectors'
import { meanSpeed, type MeanSpeed } from './mean-speed'
import { nameComponents, type NamedComponent } from './name-components'
import type { PulseTrain } from './pulse-train'
import { longestRun, removePattern, turnsOf } from './turns'

/** So near, as a share, a speed is taken for one that is right. */
const NEAR = 0.05

export interface MeasureOptions {
  /** Pulses in a turn; found from the nominal speed or a hard-sectored pattern where not given. */
  readonly pulsesPerTurn?: number
  /** Nominal speed, r/min, to guess the pulses in a revolution by. */
  readonly nominalRpm?: number
  /** Other speeds that are right too, r/min: near one of them, one pulse is one revolution. */
  readonly alsoRpm?: readonly number[]
  /** Several marks a turn are evenly placed (a printed disc), so their unevenness is the spindle's. */
  readonly evenMarks?: boolean
  readonly pulleys?: Pulleys
}

export interface Variation {
  /**
   * Largest deviation of the speed from its slow course, zero to peak, %; the 99.5th percentile from 200 intervals
   * on.
   */
  readonly peakPercent: number
  readonly rmsPercent: number
  /** Of whole turns against each other, zero to peak, %. */
  readonly turnToTurnPercent: number
  /** Within single turns, zero to peak, %; null with one pulse a turn, which cannot see it. */
  readonly withinTurnPercent: number | null
}

export interface SpeedMeasurement {
  readonly rpm: MeanSpeed
  /** Whole turns averaged. */
  readonly revolutions: number
  readonly pulsesPerTurn: number
  /** How the number of pulses in a revolution was known. */
  readonly pulsesFrom: 'given' | 'hard sectors' | 'nominal speed' | 'assumed'
  readonly variation: Variation
  readonly drift: Drift
  readonly components: readonly NamedComponent[]
  /** Nothing faster than this can show, Hz. */
  readonly highestHz: number
  readonly discarded: readonly Discarded[]
  /** Share of the intervals in which a pulse was missing or extra, 0 to 1. */
  readonly faultShare: number
  /** Each interval's time and speed, for drawing. */
  readonly series: { readonly timeS: Float64Array; readonly rpm: Float64Array }
  /** From the first to the last pulse, seconds. */
  readonly spanS: number
}

function pulsesInTurn(
  train: PulseTrain,
  usualS: number,
  options: MeasureOptions,
): { train: PulseTrain; pulses: number; from: SpeedMeasurement['pulsesFrom'] } {
  const given = options.pulsesPerTurn
  if (given !== undefined && !(Number.isInteger(given) && given >= 1 && given <= 1000)) {
    throw new ParameterError(`${given} pulses a revolution`, 'a whole number from 1 to 1000', {
      field: 'pulses per revolution',
    })
  }
  const hard = findHardSectors(train)
  if (hard && (given === undefined || given === hard.sectors || given === hard.sectors + 1)) {
    return { train: hard.train, pulses: hard.sectors, from: 'hard sectors' }
  }
  if (given !== undefined)
    return { train: options.evenMarks ? train : evenOutMarks(train, given), pulses: given, from: 'given' }
  const once = options.alsoRpm?.some(rpm => Math.abs(60 / usualS / rpm - 1) < NEAR)
  if (options.nominalRpm && !once) {
    const pulses = Math.max(1, Math.round(60 / usualS / options.nominalRpm))
    if (pulses <= 1000) return { train, pulses, from: pulses === 1 ? 'assumed' : 'nominal speed' }
  }
  return { train, pulses: 1, from: 'assumed' }
}

function variationOf(
  intervals: CleanIntervals,
  deviation: Float64Array,
  turnsS: Float64Array,
  turnTrend: Float64Array,
  marks: number,
): Variation {
  const size = deviation.map(Math.abs)
  const peak = size.length >= 200 ? quantile(size, 0.995) : size.reduce((a, b) => Math.max(a, b), 0)
  const turnToTurn = turnsS.reduce((worst, t, i) => Math.max(worst, Math.abs(60 / t / turnTrend[i]! - 1)), 0)
  let within: number | null = null
  if (marks > 1) {
    const residual: number[] = []
    for (let i = 0; i + marks <= deviation.length; i += marks) {
      if (intervals.mark[i + marks - 1]! - intervals.mark[i]! !== marks - 1) continue
      const turn = deviation.subarray(i, i + marks)
      const m = mean(turn)
      for (const d of turn) residual.push(Math.abs(d - m))
    }
    within = residual.length ? 100 * quantile(residual, residual.length >= 200 ? 0.995 : 1) : null
  }
  return {
    peakPercent: 100 * peak,
    rmsPercent: 100 * sampleDeviation(deviation),
    turnToTurnPercent: 100 * turnToTurn,
    withinTurnPercent: within,
  }
}

/**
 * Measures spindle speed from a train of pulses: mean with its interval, variation, drift and periodic parts.
 * @returns null where fewer than two pulses make even one interval
 * @throws ParameterError for an impossible number of pulses a revolution
 */
export function measureSpeed(input: PulseTrain, options: MeasureOptions = {}): SpeedMeasurement | null {
  const rough = cleanIntervals(input)
  if (rough.lengthS.length === 0) return null
  const usual = quantile(rough.lengthS, 0.5)
  const { train, pulses, from } = pulsesInTurn(input, usual, options)
  const intervals = train === input ? rough : cleanIntervals(train)
  const count = intervals.lengthS.length
  if (count === 0) return null

  const intervalS = mean(intervals.lengthS)
  const turns = turnsOf(intervals, pulses)
  // Fewer marks than one turn still give a speed, with nothing to say how sure.
  const rpm = turns.lengthS.length
    ? { ...meanSpeed(turns.lengthS), mean: 60 / intervalS / pulses }
    : { mean: 60 / intervalS / pulses, low95: null, high95: null }

  const even = options.evenMarks ?? false
  const lengths = pulses > 1 && !even ? removePattern(intervals, pulses) : intervals.lengthS
  const speeds = lengths.map(d => 60 / d / pulses)
  const drift = fitDrift(intervals.startS, speeds)
  const deviation = speeds.map((s, i) => s / drift.trend[i]! - 1)
  const turnDrift = fitDrift(
    turns.startS,
    turns.lengthS.map(t => 60 / t),
  )
  const run = longestRun(intervals, deviation)
  const components = nameComponents(findComponents(run, intervalS), pulses, run.length, options.pulleys)
  const starts = train.starts

  return {
    rpm,
    revolutions: Math.floor(count / pulses),
    pulsesPerTurn: pulses,
    pulsesFrom: from,
    variation: variationOf(intervals, deviation, turns.lengthS, turnDrift.trend, pulses),
    drift,
    components,
    highestHz: 0.5 / intervalS,
    discarded: intervals.discarded,
    faultShare: intervals.faults / (count + intervals.faults),
    series: { timeS: intervals.startS, rpm: speeds },
    spanS: starts[starts.length - 1]! - starts[0]!,
  }
}
