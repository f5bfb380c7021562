import { ParameterError } from '../../base/errors'
import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/**
 * Where a track-zero sensor trips by its tab: an edge at an angle comes into the beam sooner the higher it stands.
 * Worked out from one
 * tab to another of known height.
 * @param extraMm how much higher than the right one
 * @param slopeDeg angle of the leading edge to the way it travels: 90 is square
 * @returns how much sooner it trips, mm of carriage travel
 */
export const tripsSooner = (extraMm: number, slopeDeg: number): number =>
  slopeDeg >= 90 ? 0 : extraMm / Math.tan((slopeDeg * Math.PI) / 180)

function judge(v: Values): CalculatorResult {
  const [own, right, pitch] = [num(v, 'own'), num(v, 'right'), num(v, 'pitch')]
  const slope = maybe(v, 'slope') ?? 45
  if (slope <= 0 || slope > 90)
    throw new ParameterError(`an edge at ${slope}°`, 'above 0 and at most 90', { field: 'slope' })
  const beam = maybe(v, 'beam')
  const short = maybe(v, 'beamHeight')
  const sooner = tripsSooner(own - right, slope)
  const cylinders = sooner / pitch
  const lines: CalculatorLine[] = [
    { label: own >= right ? 'Higher by' : 'Lower by', value: Math.abs(own - right), unit: 'mm' },
    {
      label: cylinders >= 0 ? 'Trips early by' : 'Trips late by',
      value: Math.abs(cylinders),
      unit: 'cylinders',
      note: `${plain(Math.abs(sooner))} mm of travel`,
    },
  ]
  if (beam !== undefined && short !== undefined)
    lines.push({
      label: 'Covers the beam by',
      value: Math.max(0, Math.min(beam, own - short)),
      unit: 'mm',
      note: `of ${plain(beam)} mm`,
    })
  return {
    call: callOf(own, right, cylinders, beam !== undefined && short !== undefined ? (own - short) / beam : null),
    lines,
    observations: [
      {
        key: 'align.tab',
        label: 'Tab trips',
        value: Number(cylinders.toFixed(2)),
        unit: 'cylinders early',
        how: `calipers, ${plain(own)} mm against ${plain(right)} mm`,
      },
    ],
  }
}

function callOf(own: number, right: number, cylinders: number, covers: number | null): Call {
  const by = `${plain(Math.abs(own - right))} mm`
  if (covers !== null && covers < 1)
    return {
      kind: 'mend',
      reasons: [
        `The tab covers ${Math.max(0, Math.round(covers * 100))} % of the beam only: it may never trip, or be triggered by room light.`,
      ],
      next: `Shim it up, or build it higher by ${plain((1 - covers) * 1)} of the beam’s height.`,
    }
  // Detents stand a cylinder apart, and the sensor should trip half way between: a quarter is still safe (common
  // practice).
  if (Math.abs(cylinders) <= 0.25)
    return {
      kind: 'leave',
      reasons: [
        `The tab is ${by} ${own >= right ? 'higher' : 'lower'} than it should be: ${plain(Math.abs(cylinders))} of a cylinder.`,
      ],
      next: 'Leave it; home ten times, and read cylinder 0.',
    }
  return cylinders > 0
    ? {
        kind: 'nudge',
        reasons: [`The tab stands ${by} too high: the sensor trips ${plain(cylinders)} cylinders early.`],
        next: `File ${by} off it, in small strokes, and read cylinder 0 between them.`,
      }
    : {
        kind: 'nudge',
        reasons: [`The tab stands ${by} too low: the sensor trips ${plain(-cylinders)} cylinders late.`],
        next: `Shim it by ${by}: one layer of card is about 0.25 mm (common practice).`,
      }
}

/** A track-zero tab that was rebuilt or bent, by calipers. */
export const tabCalculator: Calculator = {
  id: 'tab',
  title: 'Track-zero tab',
  station: 'align',
  group: 'Track zero',
  purpose: 'Whether a tab of another height trips the sensor early or late, and how much to file or shim.',
  fields: [
    { key: 'own', label: 'Height of this tab', quantity: 'length', required: true, plausible: [1, 25] },
    {
      key: 'right',
      label: 'Height it should have',
      hint: 'of an identical drive’s, or before it broke',
      quantity: 'length',
      required: true,
      plausible: [1, 25],
    },
    {
      key: 'pitch',
      label: 'Pitch of the tracks',
      hint: '0.529 at 48 tpi, 0.265 at 96, 0.1875 at 135',
      quantity: 'length',
      required: true,
      plausible: [0.1, 0.6],
    },
    {
      key: 'slope',
      label: 'Angle of its leading edge, degrees',
      hint: '45 if not given; 90 is square',
      quantity: 'count',
      plausible: [10, 90],
    },
    { key: 'beam', label: 'Height of the beam', quantity: 'length', rare: true, plausible: [0.2, 3] },
    {
      key: 'beamHeight',
      label: 'Lower edge of the beam above the tab’s foot',
      quantity: 'length',
      rare: true,
      zero: true,
      plausible: [0, 25],
    },
  ],
  formulas: [
    'Trips sooner by extra height ÷ tan(angle of the leading edge); over the pitch of the tracks it is in cylinders. A square edge trips at the same place whatever its height.',
  ],
  judge,
}
