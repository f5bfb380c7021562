import { above, mean, sampleDeviation } from '../../base/numbers'
import { plain, type Call } from '../../base/observations'
import {
  maybe,
  num,
  type Row,
  type Calculator,
  type CalculatorLine,
  type CalculatorResult,
  type Values,
} from '../calculator'

/**
 * Chance that one homing ends a track off, by the scatter of many: beyond half a pitch the stepper falls into the
 * next detent.
 */
export const homeMisses = (sdMm: number, pitchMm: number): number => (sdMm <= 0 ? 0 : 2 * above(pitchMm / 2 / sdMm))

function judge(v: Values, rows: readonly Row[]): CalculatorResult {
  const pitch = num(v, 'pitch')
  const at = rows.map(r => num(r, 'at'))
  const gap = maybe(v, 'stop')
  const lines: CalculatorLine[] = [{ label: 'Homings', value: at.length, unit: '' }]
  const centre = at.length ? mean(at) : 0
  const sd = at.length > 1 ? sampleDeviation(at) : 0
  const drift = at.length > 5 ? mean(at.slice(-3)) - mean(at.slice(0, 3)) : 0
  if (at.length > 1) {
    lines.push({
      label: 'Scatter, one deviation',
      value: sd * 1000,
      unit: 'µm',
      note: `${plain((sd / pitch) * 100)} % of a pitch`,
    })
    lines.push({ label: 'Furthest apart', value: (Math.max(...at) - Math.min(...at)) * 1000, unit: 'µm' })
  }
  if (Math.abs(drift) > 0)
    lines.push({
      label: 'From the first to the last',
      value: drift * 1000,
      unit: 'µm',
      note: 'warming up, or slipping',
    })
  if (gap !== undefined)
    lines.push({
      label: 'Stop beyond cylinder 0',
      value: gap / pitch,
      unit: 'pitches',
      note: 'more than its swing, less than two',
    })
  const jumped = at.filter(x => Math.abs(x - centre) > pitch * 0.6).length
  return {
    call: callOf(at.length, sd, pitch, drift, jumped, gap),
    lines,
    observations: [
      {
        key: 'align.home',
        label: 'Home scatters by',
        value: Number((sd * 1000).toFixed(1)),
        unit: 'µm',
        how: `${at.length} homings`,
      },
    ],
  }
}

function callOf(n: number, sd: number, pitch: number, drift: number, jumped: number, gap?: number): Call {
  if (gap !== undefined && gap < 0.1 * pitch)
    return {
      kind: 'nudge',
      reasons: [`The stop is ${plain(gap)} mm beyond cylinder 0: the carriage strikes it when it swings in.`],
      next: 'Set the stop back to about one pitch.',
    }
  if (gap !== undefined && gap > 2.5 * pitch)
    return {
      kind: 'unknown',
      reasons: [`The stop is ${plain(gap / pitch)} pitches beyond cylinder 0: the stepper may lose itself out there.`],
      next: 'Compare with an identical drive; about one pitch is usual (from memory).',
    }
  if (n < 5)
    return {
      kind: 'unknown',
      reasons: [`${n} homings tell little of how home repeats.`],
      next: 'Home ten times from different cylinders, and read the dial each time.',
    }
  if (jumped)
    return {
      kind: 'mend',
      reasons: [`${jumped} of ${n} homings ended a whole track away.`],
      next: 'Steps are lost, or the sensor switches at a detent: look at guide rail and flag.',
    }
  if (Math.abs(drift) > 0.15 * pitch)
    return {
      kind: 'unknown',
      reasons: [`Home wanders by ${plain(Math.abs(drift) * 1000)} µm from the first homings to the last.`],
      next: 'Warm it up, then home ten times again; if it still goes, something slips.',
    }
  const misses = homeMisses(sd, pitch)
  if (sd > 0.08 * pitch)
    return {
      kind: 'mend',
      reasons: [
        `Home scatters by ${plain(sd * 1000)} µm, ${plain((sd / pitch) * 100)} % of a pitch${misses > 1e-6 ? `: one homing in ${plain(1 / misses)} ends a track off` : ''}.`,
      ],
      next: 'Clean and oil the guide rail; look for play between screw or band and carriage.',
    }
  return {
    kind: 'leave',
    reasons: [`${n} homings scatter by ${plain(sd * 1000)} µm, ${plain((sd / pitch) * 100)} % of a pitch.`],
    next: 'Leave it.',
  }
}

/** Whether home is the same place every time, and where the carriage stops. */
export const homeCalculator: Calculator = {
  id: 'home',
  title: 'Homing repeatability',
  station: 'align',
  group: 'Track zero',
  purpose:
    'Whether homing ends at the same place every time, from many homings on a dial gauge or by lobes, and where the stop stands.',
  fields: [
    { key: 'pitch', label: 'Pitch of the tracks', quantity: 'length', required: true, plausible: [0.1, 0.6] },
    { key: 'stop', label: 'Stop beyond cylinder 0', quantity: 'length', zero: true, plausible: [0, 2] },
  ],
  list: {
    key: 'homing',
    title: 'Homings, from different cylinders',
    one: 'homing',
    most: 30,
    required: true,
    fields: [
      { key: 'at', label: 'Carriage at', quantity: 'length', required: true, signed: true, plausible: [-2, 60] },
    ],
  },
  formulas: [
    'Scatter: standard deviation of the homings. A homing ends a track off when it is more than half a pitch away: twice the normal tail beyond half the pitch.',
  ],
  judge,
}
