import { ParameterError } from '../../base/errors'
import { errorBound, oneIn, spaced } from '../../base/numbers'
import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/** Events expected at most, 95 % sure, where none was seen: −ln 0.05 (Poisson), the rule of three. */
const NONE_SEEN = -Math.log(0.05)
const hours = (s: number) => s / 3600

function judge(v: Values): CalculatorResult {
  const [ran, planned] = [num(v, 'ran'), num(v, 'planned')]
  const [starts, failedStarts, sectors, errors] = [
    maybe(v, 'starts'),
    maybe(v, 'failedStarts') ?? 0,
    maybe(v, 'sectors'),
    maybe(v, 'errors') ?? 0,
  ]
  if (starts !== undefined && failedStarts > starts)
    throw new ParameterError(`${failedStarts} of ${starts} starts cannot have failed`, 'no more than were tried', {
      field: 'failedStarts',
    })
  if (sectors !== undefined && errors > sectors)
    throw new ParameterError(`${errors} of ${sectors} sectors cannot have failed`, 'no more than were read', {
      field: 'errors',
    })
  const stops = maybe(v, 'stops') ?? 0
  const lines: CalculatorLine[] = [
    { label: 'Ran', value: hours(ran), unit: 'h', note: `of ${plain(hours(planned))} h planned` },
  ]
  if (stops === 0)
    lines.push({
      label: 'A stop comes at most once in',
      value: hours(ran) / NONE_SEEN,
      unit: 'h',
      note: '95 % sure, from none seen',
    })
  if (starts)
    lines.push({
      label: 'Starts that fail, at most',
      value: errorBound(failedStarts, starts) * 100,
      unit: '%',
      note: `${failedStarts} of ${starts}, 95 % sure`,
    })
  if (sectors)
    lines.push({
      label: 'Sectors that fail, at most',
      value: errorBound(errors, sectors) * 1e6,
      unit: 'of a million',
      note: `${errors} of ${spaced(sectors)}: 1 in ${spaced(Math.floor(1 / errorBound(errors, sectors)))}, 95 % sure`,
    })
  return {
    call: callOf(ran, planned, stops, failedStarts, errors, sectors, maybe(v, 'late')),
    lines,
    observations: [
      {
        key: 'soak.ran',
        label: 'Soak',
        value: Number(hours(ran).toFixed(2)),
        unit: 'h',
        how: [
          `${stops} stops`,
          ...(starts ? [`${starts} starts, ${failedStarts} failed`] : []),
          ...(sectors ? [`${spaced(sectors)} sectors, ${errors} failed`] : []),
        ].join('; '),
      },
    ],
  }
}

function callOf(
  ran: number,
  planned: number,
  stops: number,
  failedStarts: number,
  errors: number,
  sectors: number | undefined,
  late: number | undefined,
): Call {
  if (stops > 0)
    return {
      kind: 'mend',
      reasons: [`It stopped ${stops === 1 ? 'once' : `${stops} times`} in ${plain(hours(ran))} h.`],
      next: 'What is hot, and what did the supply do? Two faults are common.',
    }
  if (failedStarts > 0)
    return {
      kind: 'mend',
      reasons: [`${failedStarts} ${failedStarts === 1 ? 'start' : 'starts'} failed.`],
      next: 'Belt, motor bearings, supply at start-up.',
    }
  if (errors > 0 && late !== undefined && late * 2 > errors && errors >= 4)
    return {
      kind: 'mend',
      reasons: [`${late} of ${errors} errors came in the second half: it gets worse as it warms.`],
      next: 'Look at joints and capacitors near what is hot; measure warm.',
    }
  if (errors > 0)
    return {
      kind: 'unknown',
      reasons: [`${errors} sectors failed${sectors ? ` of ${spaced(sectors)}` : ''}.`],
      next: 'The same ones each time? Then the disk. Others each time? Then clean, and soak again.',
    }
  if (ran < planned)
    return {
      kind: 'unknown',
      reasons: [`${plain(hours(ran))} of ${plain(hours(planned))} h so far, without a fault.`],
      next: `Let it run another ${plain(hours(planned - ran))} h.`,
    }
  return {
    kind: 'leave',
    reasons: [
      `${plain(hours(ran))} h without a fault${sectors ? `; fewer than ${oneIn(errorBound(0, sectors))} sectors fail` : ''}.`,
    ],
    next: 'Leave it.',
  }
}

/** A long run, closed up. */
export const soakCalculator: Calculator = {
  id: 'soak',
  title: 'Soak',
  station: 'prove',
  group: 'Covers on',
  purpose:
    'What a long run with the covers on shows: hours, starts and sectors with their bounds, and how much longer.',
  fields: [
    {
      key: 'planned',
      label: 'Planned',
      hint: 'such as 4 h, with ten starts (common practice)',
      quantity: 'time',
      required: true,
      plausible: [600, 400_000],
    },
    { key: 'ran', label: 'Ran so far', quantity: 'time', required: true, plausible: [60, 400_000] },
    { key: 'stops', label: 'Stops by itself', quantity: 'count' },
    { key: 'starts', label: 'Starts from rest', quantity: 'count' },
    { key: 'failedStarts', label: 'Starts that failed', quantity: 'count' },
    { key: 'sectors', label: 'Sectors read', quantity: 'count' },
    { key: 'errors', label: 'Sectors that failed', quantity: 'count' },
    { key: 'late', label: 'Of them, in the second half', quantity: 'count', rare: true },
  ],
  formulas: [
    'No event in a time: at most 3.0 events in as much time, 95 % sure (Poisson, −ln 0.05). Counts: exact binomial bound (Clopper and Pearson).',
  ],
  judge,
}
