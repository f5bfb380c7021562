import type { CallKind, Observation } from '../../base/observations'
import type { SpeedMeasurement } from './measure-speed'
import type { SpeedVerdict } from './judge-speed'

/** The answer of `wobrin speed --json`: plain data, stable names. */
export interface SpeedReport {
  readonly call: CallKind
  readonly reasons: readonly string[]
  readonly next: string
  readonly rpm: { readonly mean: number; readonly low95: number | null; readonly high95: number | null } | null
  readonly revolutions: number
  readonly pulsesPerTurn: number
  readonly variation: { readonly peakPercent: number; readonly rmsPercent: number } | null
  readonly driftRpmPerMinute: number | null
  readonly components: readonly { readonly hz: number; readonly peakPercent: number; readonly likely: string | null }[]
  readonly discarded: readonly { readonly atS: number; readonly why: string }[]
}

const round = (x: number, decimals: number) => Number(x.toFixed(decimals))

/** Puts a measurement and its verdict into the report's form, figures rounded to what they can carry. */
export function speedReport(m: SpeedMeasurement | null, verdict: SpeedVerdict): SpeedReport {
  const edge = (x: number | null) => (x === null || !Number.isFinite(x) ? null : round(x, 3))
  return {
    call: verdict.kind,
    reasons: verdict.reasons,
    next: verdict.next,
    rpm: m && { mean: round(m.rpm.mean, 3), low95: edge(m.rpm.low95), high95: edge(m.rpm.high95) },
    revolutions: m?.revolutions ?? 0,
    pulsesPerTurn: m?.pulsesPerTurn ?? 1,
    variation: m && { peakPercent: round(m.variation.peakPercent, 3), rmsPercent: round(m.variation.rmsPercent, 3) },
    driftRpmPerMinute: m && m.drift.significant ? round(m.drift.endRpmPerMinute, 2) : null,
    components:
      m?.components.map(c => ({ hz: round(c.hz, 3), peakPercent: round(c.peakPercent, 3), likely: c.likely })) ?? [],
    discarded: m?.discarded.map(d => ({ atS: round(d.atS, 4), why: d.why })) ?? [],
  }
}

/** Half-width of the mean's 95 % interval, r/min; null where there is none. */
export function speedUncertainty(m: SpeedMeasurement): number | null {
  const { low95, high95 } = m.rpm
  if (low95 === null || high95 === null || !Number.isFinite(high95)) return null
  return (high95 - low95) / 2
}

/** The measurement as the observations that the log keeps. */
export function speedObservations(m: SpeedMeasurement, source: string): Observation[] {
  const how = `${m.revolutions} revolutions, ${m.pulsesPerTurn === 1 ? 'one pulse a revolution' : `${m.pulsesPerTurn} pulses a revolution`}, ${source}`
  const observations: Observation[] = [
    {
      key: 'speed.mean',
      label: 'Spindle speed',
      value: m.rpm.mean,
      unit: 'r/min',
      uncertainty: speedUncertainty(m) ?? undefined,
      how,
    },
    {
      key: 'speed.variation.peak',
      label: 'Speed variation, zero to peak',
      value: m.variation.peakPercent,
      unit: '%',
      how,
    },
    { key: 'speed.variation.rms', label: 'Speed variation, r.m.s.', value: m.variation.rmsPercent, unit: '%', how },
    {
      key: 'speed.turn-to-turn',
      label: 'Turn against turn, zero to peak',
      value: m.variation.turnToTurnPercent,
      unit: '%',
      how,
    },
  ]
  if (m.variation.withinTurnPercent !== null) {
    observations.push({
      key: 'speed.within-turn',
      label: 'Within a revolution, zero to peak',
      value: m.variation.withinTurnPercent,
      unit: '%',
      how,
    })
  }
  if (m.drift.significant) {
    observations.push({
      key: 'speed.drift',
      label: 'Drift at the end',
      value: m.drift.endRpmPerMinute,
      unit: 'r/min per minute',
      how,
    })
  }
  return observations
}
