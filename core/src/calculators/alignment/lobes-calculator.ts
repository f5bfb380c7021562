import { ParameterError } from '../../base/errors'
import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/**
 * Radial offset from the two lobes of an analogue alignment track. The pattern runs to and fro across the middle; at
 * its two extremes the
 * head finds bands that stand as far out on either side. With the head in the middle both are alike; a head that
 * stands off finds more of
 * one and less of the other.
 * @param ratio smaller lobe over the larger @param reachMm offset at which the smaller lobe is gone
 */
export const lobeOffset = (ratio: number, reachMm: number): number => (reachMm * (1 - ratio)) / (1 + ratio)

/**
 * Largest offset that the lobes show, mm: as far as the nearer band, and no further than where head and band lie
 * wholly over one another. Beyond it the larger lobe falls too, and the same ratio stands for two offsets.
 */
export const lobeLimit = (headMm: number, bandMm: number, eccentricMm: number): number =>
  eccentricMm - Math.abs(headMm - bandMm) / 2

/** Offset at which one lobe is gone: half of head and band together, less how far out the band stands. */
export const lobeReach = (headMm: number, bandMm: number, eccentricMm: number): number =>
  (headMm + bandMm) / 2 - eccentricMm

function judge(v: Values): CalculatorResult {
  const [first, second] = [num(v, 'first'), num(v, 'second')]
  if (first === 0 && second === 0)
    throw new ParameterError('both lobes are nothing', 'at least one of them', { field: 'second' })
  const [head, band, eccentric] = [num(v, 'head'), maybe(v, 'band') ?? num(v, 'head'), num(v, 'eccentric')]
  const reach = lobeReach(head, band, eccentric)
  if (reach <= 0)
    throw new ParameterError(
      'the pattern stands further out than the head reaches',
      'an eccentricity below half of head and band together',
      { field: 'eccentric' },
    )
  const most = lobeLimit(head, band, eccentric)
  if (most <= 0)
    throw new ParameterError(
      eccentric === 0
        ? 'a pattern without eccentricity has no lobes'
        : 'head and band differ by more than the eccentricity: both lobes stay at their full height',
      'the eccentricity on the alignment disk’s sheet',
      { field: 'eccentric' },
    )
  const ratio = Math.min(first, second) / Math.max(first, second)
  const offset = lobeOffset(ratio, reach)
  // Towards the first lobe is positive.
  const signed = first >= second ? offset : -offset
  const limit = maybe(v, 'limit')
  const lines: CalculatorLine[] = [
    { label: 'Lobe ratio', value: ratio * 100, unit: '%' },
    {
      label: offset > most ? 'Radial offset, at least' : 'Radial offset',
      value: Math.min(offset, most) * 1000,
      unit: 'µm',
      note:
        first === second ? 'neither way' : `towards the ${first > second === (v.outer !== 'second') ? 'edge' : 'hub'}`,
    },
  ]
  const least = limit === undefined ? undefined : (reach - limit) / (reach + limit)
  if (least !== undefined) lines.push({ label: 'Least ratio allowed', value: least * 100, unit: '%' })
  const hysteresis = hysteresisOf(v, reach, signed)
  if (hysteresis) lines.push(hysteresis)
  return {
    call: offset > most ? beyond(most) : callOf(offset, limit, ratio),
    lines,
    observations: [
      {
        key: 'align.radial',
        label: 'Radial offset',
        value: Number((Math.min(offset, most) * 1000).toFixed(1)),
        unit: 'µm',
        how: `lobes ${plain(first)} and ${plain(second)}${offset > most ? '; at least, it may be more' : ''}`,
      },
    ],
  }
}

/** What both sides of approach differ by. Its sign needs both lobes; a ratio alone gives its least size. */
function hysteresisOf(v: Values, reach: number, signed: number): CalculatorLine | null {
  const [first, second, ratio] = [maybe(v, 'otherFirst'), maybe(v, 'otherSecond'), maybe(v, 'otherSide')]
  if (first !== undefined && second !== undefined && first + second > 0) {
    const other = (reach * (first - second)) / (first + second)
    return {
      label: 'Hysteresis',
      value: (other - signed) * 1000,
      unit: 'µm',
      note: 'from the other side, less from this one; positive is towards the first lobe',
    }
  }
  if (ratio === undefined) return null
  return {
    label: 'Hysteresis, at least',
    value: Math.abs(Math.abs(signed) - lobeOffset(Math.min(1, ratio / 100), reach)) * 1000,
    unit: 'µm',
    note: 'a ratio does not say which lobe was larger: give both lobes',
  }
}

/** Beyond the eccentricity the same ratio stands for two offsets. */
const beyond = (mostMm: number): Call => ({
  kind: 'unknown',
  reasons: [
    `The head stands at least ${plain(mostMm * 1000)} µm off the middle: further out the lobes do not show how far.`,
  ],
  next: 'Move the head towards the larger lobe until both are in sight, and measure again.',
})

function callOf(offset: number, limit: number | undefined, ratio: number): Call {
  const says = `The head stands ${plain(offset * 1000)} µm off the middle of the alignment track.`
  if (limit === undefined)
    return {
      kind: 'unknown',
      reasons: [says],
      next: 'Give the limit of this drive; its maker’s sheet has it, or its narrow track.',
    }
  if (offset <= limit * 0.5)
    return {
      kind: 'leave',
      reasons: [says, `It may stand ${plain(limit * 1000)} µm off.`],
      next: 'Leave it; look at the other head and the other side of approach.',
    }
  if (offset <= limit)
    return {
      kind: 'leave',
      reasons: [says, `That is inside ${plain(limit * 1000)} µm, though not by much.`],
      next: 'Note it; tightening a screw moves more than that.',
    }
  return {
    kind: 'nudge',
    reasons: [`${says.slice(0, -1)}, more than the ${plain(limit * 1000)} µm allowed.`],
    next: `Move the head until the lobes are ${ratio < 0.3 ? 'nearer' : 'alike'}, coming from one side; tighten, and look again.`,
  }
}

/** Lobes of an alignment track, to micrometres. */
export const lobesCalculator: Calculator = {
  id: 'lobes',
  title: 'Lobes of the alignment track',
  station: 'align',
  group: 'Instrument method',
  purpose:
    'How far a head stands off track, from two lobes on a scope, with the pattern’s eccentricity and the widths stated.',
  fields: [
    {
      key: 'first',
      label: 'First lobe',
      hint: 'any unit, the same for both',
      quantity: 'height',
      required: true,
      zero: true,
    },
    { key: 'second', label: 'Second lobe', quantity: 'height', required: true, zero: true },
    {
      key: 'outer',
      label: 'The one from the outer side',
      choices: [
        { value: 'first', label: 'is the first' },
        { value: 'second', label: 'is the second' },
      ],
    },
    { key: 'head', label: 'Width of the head', quantity: 'length', required: true, plausible: [0.05, 0.5] },
    {
      key: 'eccentric',
      label: 'Eccentricity of the pattern',
      quantity: 'length',
      required: true,
      zero: true,
      plausible: [0, 0.4],
    },
    { key: 'limit', label: 'Offset allowed', quantity: 'length', plausible: [0.005, 0.15] },
    {
      key: 'band',
      label: 'Width of the pattern’s band',
      hint: 'as the head, if not given',
      quantity: 'length',
      rare: true,
    },
    { key: 'otherFirst', label: 'First lobe, other approach', quantity: 'height', rare: true, zero: true },
    { key: 'otherSecond', label: 'Second lobe, other approach', quantity: 'height', rare: true, zero: true },
    { key: 'otherSide', label: 'Ratio from the other side', hint: 'its size only', quantity: 'share', rare: true },
  ],
  formulas: [
    'Reach = (head + band) ÷ 2 − eccentricity; offset = reach × (1 − ratio) ÷ (1 + ratio), from the overlap of head and band, up to eccentricity − half the difference of head and band.',
  ],
  judge,
}
