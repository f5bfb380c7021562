import { ParameterError } from '../../base/errors'
import { errorBound, fisherFewer, oneIn, spaced, trialsFor } from '../../base/numbers'
import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

const of = (v: Values, errors: string, sectors: string): readonly [number, number] => {
  const [e, n] = [num(v, errors), num(v, sectors)]
  if (n < 1) throw new ParameterError('no sector was read', 'one or more', { field: sectors })
  if (e > n)
    throw new ParameterError(`${e} of ${n} sectors cannot have failed`, 'no more than were read', { field: errors })
  return [e, n]
}

function judgeClaim(v: Values): CalculatorResult {
  const [errors, sectors] = of(v, 'errors', 'sectors')
  const confidence = v.confidence === '99' ? 0.99 : 0.95
  const wanted = num(v, 'wanted')
  if (wanted < 2)
    throw new ParameterError(`1 in ${wanted} is not an error-rate limit`, 'at least 1 in 2', { field: 'wanted' })
  const bound = errorBound(errors, sectors, confidence)
  const needed = trialsFor(errors, 1 / wanted, confidence)
  const more = Math.max(0, needed - sectors)
  const bits = maybe(v, 'bytes')
  const perSecond = maybe(v, 'rate')
  const lines: CalculatorLine[] = [
    {
      label: 'Sectors that fail, at most',
      value: `1 in ${spaced(Math.floor(1 / bound))}`,
      unit: '',
      note: `${confidence * 100} % sure, from ${errors} of ${spaced(sectors)}`,
    },
    { label: 'Read in all, for the limit', value: Number.isFinite(needed) ? needed : 'never', unit: 'sectors' },
    ...(more > 0 && perSecond
      ? [{ label: 'That takes', value: more / perSecond / 60, unit: 'min', note: 'without a further error' }]
      : []),
    ...(bits
      ? [
          { label: 'Bits read', value: sectors * bits * 8, unit: '' },
          ...(errors === 0
            ? [
                {
                  label: 'Bits that fail, at most',
                  value: `1 in ${spaced(Math.floor((sectors * bits * 8) / -Math.log(1 - confidence)))}`,
                  unit: '',
                  note: 'if errors came bit by bit; they come in bursts',
                },
              ]
            : []),
        ]
      : []),
  ]
  const call: Call =
    more === 0
      ? {
          kind: 'leave',
          reasons: [
            `Fewer than ${oneIn(bound)} sectors fail, ${confidence * 100} % sure: the limit of 1 in ${spaced(wanted)} holds.`,
          ],
          next: 'Say it with its bound.',
        }
      : {
          kind: 'unknown',
          reasons: [`What was read allows 1 in ${spaced(Math.floor(1 / bound))}, not 1 in ${spaced(wanted)}.`],
          next: `Read ${spaced(more)} sectors more without an error${perSecond ? `: ${plain(Number((more / perSecond / 60).toPrecision(2)))} min` : ''}.`,
        }
  return {
    call,
    lines,
    observations: [
      {
        key: 'claim.bound',
        label: 'Sectors that fail, at most',
        value: Number((bound * 1e6).toPrecision(3)),
        unit: 'of a million',
        how: `${errors} of ${spaced(sectors)}, ${confidence * 100} % sure, Clopper and Pearson`,
      },
    ],
  }
}

/** Error-rate limit from counts to be claimed, and how much more a stronger claim takes. */
export const claimCalculator: Calculator = {
  id: 'claim',
  title: 'Error-rate limit from counts',
  station: 'prove',
  group: 'Counts',
  purpose: 'The bound that sectors read and failed allow, and how many more a stricter limit takes.',
  fields: [
    { key: 'sectors', label: 'Sectors read', quantity: 'count', required: true },
    { key: 'errors', label: 'Of these, failed', quantity: 'count', required: true },
    { key: 'wanted', label: 'To be claimed: fewer than 1 in', quantity: 'count', required: true },
    {
      key: 'confidence',
      label: 'How sure',
      choices: [
        { value: '95', label: '95 %' },
        { value: '99', label: '99 %' },
      ],
    },
    { key: 'rate', label: 'Sectors a second', hint: 'for how long it takes', quantity: 'number', plausible: [5, 200] },
    { key: 'bytes', label: 'Bytes of a sector', quantity: 'count', rare: true },
  ],
  formulas: [
    'Upper bound: Clopper and Pearson; with no error 1 − (1 − confidence)^(1/n), about 3/n at 95 %.',
    'Bits: −ln(1 − confidence)/n where no error was seen.',
  ],
  judge: judgeClaim,
}

function judgeBeforeAfter(v: Values): CalculatorResult {
  const [[e0, n0], [e1, n1]] = [of(v, 'errorsBefore', 'sectorsBefore'), of(v, 'errorsAfter', 'sectorsAfter')]
  const better = fisherFewer(e0, n0, e1, n1)
  const worse = fisherFewer(e1, n1, e0, n0)
  const share = (e: number, n: number) => `${e} of ${spaced(n)}, ${plain(Number(((100 * e) / n).toPrecision(2)))} %`
  const luck = (p: number) => (p < 0.001 ? 'less than 1 in 1000' : `1 in ${Math.round(1 / p)}`)
  const call: Call =
    better < 0.05
      ? {
          kind: 'leave',
          reasons: [`Fewer fail than before, and not by luck: that would come ${luck(better)}.`],
          next: 'It helped. Say what was done.',
        }
      : worse < 0.05
        ? {
            kind: 'mend',
            reasons: [`More fail than before, and not by luck: that would come ${luck(worse)}.`],
            next: 'Undo it, or look at what was touched.',
          }
        : {
            kind: 'unknown',
            reasons: ['The counts are too alike to tell whether it helped.'],
            next: e0 === 0 ? 'Nothing failed before: count on a disk that did fail.' : 'Read more of the same disk.',
          }
  return {
    call,
    lines: [
      { label: 'Failed before', value: share(e0, n0), unit: '' },
      { label: 'Failed after', value: share(e1, n1), unit: '' },
      { label: 'So few after, by luck', value: better * 100, unit: '%' },
    ],
    observations: [
      {
        key: 'before-after',
        label: 'Failed, before and after',
        value: `${e0} of ${spaced(n0)}, then ${e1} of ${spaced(n1)}`,
        unit: '',
        how: `by luck ${luck(Math.min(better, 1))}, Fisher’s exact test`,
      },
    ],
  }
}

/** Whether what was done helped. */
export const beforeAfterCalculator: Calculator = {
  id: 'before-after',
  title: 'Before and after',
  station: 'prove',
  group: 'Counts',
  purpose:
    'Whether what was done helped, or whether luck explains it: failed sectors before and after, of the same disk.',
  fields: [
    { key: 'sectorsBefore', label: 'Sectors read before', quantity: 'count', required: true },
    { key: 'errorsBefore', label: 'Failed before', quantity: 'count', required: true },
    { key: 'sectorsAfter', label: 'Sectors read after', quantity: 'count', required: true },
    { key: 'errorsAfter', label: 'Failed after', quantity: 'count', required: true },
  ],
  formulas: ['Fisher’s exact test, one-sided: the chance of so few failures after, if they fell by luck.'],
  judge: judgeBeforeAfter,
}
