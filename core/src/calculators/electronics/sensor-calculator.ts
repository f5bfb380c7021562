import type { Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'
import { LOGIC, SATURATED } from './logic-levels'

/** Common practice: a detector freed from its pull-up passes at least 0.2 mA lit; one that passed 6 µA was dead. */
const GOOD_A = 0.2e-3
const DEAD_A = 20e-6
function judge(v: Values): CalculatorResult {
  const supply = maybe(v, 'supply') ?? 5
  const pull = num(v, 'pull')
  const lit = num(v, 'lit')
  const dark = maybe(v, 'dark') ?? 0
  const logic = LOGIC[v.logic === 'cmos' ? 'cmos' : 'ttl']
  const litV = Math.max(SATURATED, supply - lit * pull)
  const darkV = Math.max(0, supply - dark * pull)
  const marginLow = logic.low - litV
  const marginHigh = darkV - logic.high
  /** How many times weaker it may become before the lit level is no sure low. */
  const spare = (lit * pull) / (supply - logic.low)
  const led = ledOf(v, supply)
  const lines: CalculatorLine[] = [
    { label: 'Level when lit', value: litV, unit: 'V', note: `${logic.label} takes ${logic.low} V and less as low` },
    {
      label: 'Level when shaded',
      value: darkV,
      unit: 'V',
      note: `${logic.label} takes ${logic.high} V and more as high`,
    },
    { label: 'Margin, lit', value: marginLow, unit: 'V' },
    { label: 'Margin, shaded', value: marginHigh, unit: 'V' },
    { label: 'Light to spare', value: spare, unit: '×', note: 'under 1 it fails; under 2 it will' },
    ...led.lines,
  ]
  return {
    call: led.call ?? callOf(lit, marginLow, marginHigh, spare),
    lines,
    observations: [
      {
        key: 'sensor.spare',
        label: 'Sensor, light to spare',
        value: Number(spare.toFixed(2)),
        unit: '×',
        how: `${(lit * 1000).toFixed(3)} mA lit into ${pull} Ω`,
      },
      {
        key: 'sensor.lit',
        label: 'Detector, lit',
        value: Number((lit * 1000).toFixed(4)),
        unit: 'mA',
        how: 'freed from its pull-up',
      },
    ],
  }
}

function ledOf(v: Values, supply: number): { lines: CalculatorLine[]; call: Call | null } {
  const [drop, series] = [maybe(v, 'led'), maybe(v, 'series')]
  if (v.camera === 'dark')
    return {
      lines: [],
      call: {
        kind: 'mend',
        reasons: ['The LED does not glow in a camera in the dark.'],
        next: 'Measure its drop: open, or no current through its resistor.',
      },
    }
  if (drop === undefined) return { lines: [], call: null }
  const lines: CalculatorLine[] = series
    ? [{ label: 'LED current', value: ((supply - drop) / series) * 1000, unit: 'mA' }]
    : []
  if (drop < 0.9)
    return {
      lines,
      call: {
        kind: 'mend',
        reasons: [`The LED drops ${drop} V: a good one drops 1.1 to 1.3 V (common practice).`],
        next: 'It is shorted, or no current flows: measure at its resistor.',
      },
    }
  if (drop > 1.6)
    return {
      lines,
      call: {
        kind: 'mend',
        reasons: [`The LED drops ${drop} V: a good one drops 1.1 to 1.3 V (common practice).`],
        next: 'It is open, or this is not an infrared LED.',
      },
    }
  return { lines, call: null }
}

function callOf(lit: number, marginLow: number, marginHigh: number, spare: number): Call {
  if (lit < DEAD_A)
    return {
      kind: 'mend',
      reasons: [`It passes ${(lit * 1e6).toFixed(0)} µA with the light on it: dead.`],
      next: 'Replace it; one from a ball mouse can serve.',
    }
  if (marginHigh < 0)
    return {
      kind: 'mend',
      reasons: ['Shaded, the line never gets high: the detector leaks, or room light reaches it.'],
      next: 'Shade it by hand and measure again.',
    }
  if (marginLow < 0)
    return {
      kind: 'mend',
      reasons: ['Lit, the line never gets low enough: the detector is too weak for this pull-up.'],
      next: 'Clean lens and slot; then replace it, or raise the pull-up.',
    }
  if (lit < GOOD_A)
    return {
      kind: 'mend',
      reasons: [
        `It passes ${(lit * 1000).toFixed(2)} mA; 0.2 mA is the least of a good one (common practice).`,
        `The line still works, with light to spare of ${spare.toFixed(1)} ×.`,
      ],
      next: 'Clean lens and slot, measure again; replace it where it stays weak.',
    }
  if (spare < 2)
    return {
      kind: 'unknown',
      reasons: [`The line works, but with ${spare.toFixed(1)} × the light it needs it fails as the LED ages.`],
      next: 'Clean lens and slot; measure again when warm.',
    }
  return {
    kind: 'leave',
    reasons: [`Sure on both levels, with ${spare.toFixed(1)} × the light it needs.`],
    next: 'Leave it.',
  }
}

/** An optical sensor: levels lit and shaded, and what is to spare before it fails. */
export const sensorCalculator: Calculator = {
  id: 'sensor',
  title: 'Optical sensor',
  station: 'electronics',
  group: 'Sensors',
  purpose: 'Whether a sensor is sure of its levels, and how weak it may still become.',
  fields: [
    {
      key: 'lit',
      zero: true,
      label: 'Detector current, lit',
      hint: 'freed from its pull-up',
      quantity: 'current',
      required: true,
      plausible: [1e-6, 0.02],
    },
    { key: 'dark', zero: true, label: 'Detector current, shaded', quantity: 'current', plausible: [0, 1e-4] },
    { key: 'pull', label: 'Pull-up', quantity: 'resistance', required: true, plausible: [1000, 200_000] },
    {
      key: 'logic',
      label: 'Logic it drives',
      choices: [
        { value: 'ttl', label: 'TTL' },
        { value: 'cmos', label: 'CMOS, 5 V' },
      ],
    },
    { key: 'supply', rare: true, label: 'Supply', quantity: 'voltage', plausible: [4, 13] },
    { key: 'led', zero: true, label: 'LED drop', quantity: 'voltage', plausible: [0.5, 3] },
    { key: 'series', rare: true, label: 'LED resistor', quantity: 'resistance', plausible: [50, 2000] },
    {
      key: 'camera',
      rare: true,
      label: 'Seen through a camera in the dark',
      choices: [
        { value: 'glows', label: 'it glows' },
        { value: 'dark', label: 'dark' },
      ],
    },
  ],
  formulas: [
    'Level lit = supply − current × pull-up, not below 0.1 V; shaded likewise.',
    'Light to spare = lit current × pull-up ÷ (supply − low level).',
    'TTL: low up to 0.8 V, high from 2.0 V (data books).',
  ],
  judge,
}
