import { upperFirst, type Call } from '../../base/observations'
import { maybe, type Field, type Calculator, type CalculatorResult, type Values } from '../calculator'

const CRITERIA = {
  effort: 'effort',
  risk: 'risk',
  cost: 'cost',
  back: 'the way back',
  sure: 'certainty of the parts',
} as const
type Criterion = keyof typeof CRITERIA
const WEIGHTS: Readonly<Record<Criterion, number>> = { effort: 2, risk: 3, cost: 2, back: 2, sure: 3 }

interface Option {
  readonly id: string
  readonly label: string
  readonly marks: Readonly<Record<Criterion, number>>
}

/** 1 for nothing of it, towards 0 as there is more; half at `half`. */
const less = (x: number, half: number) => half / (half + x)

/** The ways that are open, each marked 0 (bad) to 1 (good). A swap brings its donor's faults; parts bring theirs. */
export function repairOptions(v: Values): Option[] {
  const hours = (key: string, usual: number) => maybe(v, key) ?? usual
  // What is dead or dangerous cannot be left as it is.
  const stuck = v.fault === 'dead' || v.fault === 'dangerous'
  const leave: Option[] = [
    {
      id: 'leave',
      label: 'leave it as it is',
      marks: {
        effort: 1,
        risk: 0.6,
        cost: 1,
        back: 1,
        sure: 0.5,
      },
    },
  ]
  const out: Option[] = stuck ? [] : leave
  if (v.motor && v.motor !== 'none') {
    out.push({
      id: 'motor',
      label: 'swap the motor',
      marks: {
        effort: less(hours('hoursMotor', 1.5), 2),
        risk: 0.8,
        cost: less(maybe(v, 'priceMotor') ?? 0, 15),
        back: 0.9,
        sure: v.motor === 'alike' ? 0.9 : v.motor === 'differs' ? 0.45 : 0.6,
      },
    })
  }
  if (v.mechanism && v.mechanism !== 'none') {
    out.push({
      id: 'mechanism',
      label: 'swap the whole mechanism',
      marks: {
        effort: less(hours('hoursMechanism', 1), 2),
        risk: v.connectors === 'differ' ? 0.3 : 0.55,
        cost: less(maybe(v, 'priceMechanism') ?? 0, 15),
        back: 0.7,
        sure: v.mechanism === 'proved' ? 0.95 : 0.4,
      },
    })
  }
  if (v.donor && v.donor !== 'none') {
    // Taking parts from a good drive costs a good drive.
    out.push({
      id: 'donor',
      label: 'take parts from a donor',
      marks: {
        effort: less(hours('hoursDonor', 2), 2),
        risk: 0.6,
        cost: v.donor === 'good' ? 0.2 : 0.9,
        back: v.donor === 'good' ? 0.3 : 0.8,
        sure: v.donor === 'good' ? 0.8 : 0.55,
      },
    })
  }
  return out
}

const weightsOf = (v: Values) =>
  Object.fromEntries(Object.keys(CRITERIA).map(c => [c, maybe(v, `w-${c}`) ?? WEIGHTS[c as Criterion]])) as Record<
    Criterion,
    number
  >

function judge(v: Values): CalculatorResult {
  const weights = weightsOf(v)
  const total = Object.values(weights).reduce((a, b) => a + b, 0) || 1
  const scored = repairOptions(v)
    .map(o => ({
      ...o,
      score: ((Object.keys(CRITERIA) as Criterion[]).reduce((s, c) => s + weights[c] * o.marks[c], 0) / total) * 100,
    }))
    .sort((a, b) => b.score - a.score)
  const [best, second] = scored
  return {
    call: best ? callOf(best, second, weights, v) : nothingAtHand(v),
    lines: scored.map(o => ({
      label: upperFirst(o.label),
      value: Math.round(o.score),
      unit: 'of 100',
      note: (Object.keys(CRITERIA) as Criterion[])
        .map(c => `${CRITERIA[c]} ${(o.marks[c] * 10).toFixed(0)} × ${weights[c]}`)
        .join(', '),
    })),
    observations: [
      {
        key: 'repair.way',
        label: 'Way of repair',
        value: best?.label ?? 'not known',
        unit: '',
        how: `${scored.length} ways scored by ${Object.values(CRITERIA).join(', ')}`,
      },
    ],
  }
}

/** Nothing to repair it with: what is dangerous is stopped, the rest is not known. */
const nothingAtHand = (v: Values): Call => ({
  kind: v.fault === 'dangerous' ? 'stop' : 'unknown',
  reasons: ['No motor, mechanism or donor is at hand to weigh.'],
  next: 'Say what could be had, and for how much.',
})

/** At most three sentences: what, why it wins, what would change it. */
function callOf(
  best: Option & { score: number },
  second: (Option & { score: number }) | undefined,
  weights: Record<Criterion, number>,
  v: Values,
): Call {
  const kind = best.id === 'leave' ? 'leave' : 'mend'
  if (!second)
    return best.id === 'leave'
      ? nothingAtHand(v)
      : {
          kind,
          reasons: [`${upperFirst(best.label)}: it is the only way at hand.`],
          next: 'Go that way, and measure the speed afterwards.',
        }
  const gains = (Object.keys(CRITERIA) as Criterion[])
    .map(c => ({ c, by: weights[c] * (best.marks[c] - second.marks[c]) }))
    .sort((a, b) => b.by - a.by)
  const close = best.score - second.score < 5
  const against = gains.at(-1)!
  return {
    kind: close ? 'unknown' : kind,
    reasons: [
      `${upperFirst(best.label)}: it wins over “${second.label}” by ${CRITERIA[gains[0]!.c]}.`,
      ...(against.by < 0 ? [`Against it speaks ${CRITERIA[against.c]}.`] : []),
    ],
    next: close
      ? 'The two are close: choose by what you cannot undo.'
      : best.id === 'donor' && v.donor === 'good'
        ? 'Never take parts from a good drive while a broken one has them.'
        : 'Go that way, and measure the speed afterwards.',
  }
}

const weight = (c: Criterion): Field => ({
  key: `w-${c}`,
  label: `Weight of ${CRITERIA[c]}`,
  hint: `${WEIGHTS[c]} where nothing is said`,
  quantity: 'count',
  rare: true,
  plausible: [0, 10],
})

/** Motor, mechanism, donor, or leave it: scored openly. */
export const optionsCalculator: Calculator = {
  id: 'options',
  title: 'Which way',
  station: 'drive-train',
  group: 'Motor',
  purpose: 'Swap the motor, the mechanism, take parts, or leave it: scored with its weights in sight.',
  fields: [
    {
      key: 'fault',
      label: 'What is wrong',
      choices: [
        { value: 'weak', label: 'weak or noisy' },
        { value: 'dead', label: 'it does not turn' },
        { value: 'dangerous', label: 'it may damage disks' },
      ],
    },
    {
      key: 'motor',
      label: 'A motor',
      choices: [
        { value: 'alike', label: 'alike, compared' },
        { value: 'differs', label: 'differs' },
        { value: 'unknown', label: 'not compared' },
        { value: 'none', label: 'none' },
      ],
    },
    {
      key: 'mechanism',
      label: 'A whole mechanism',
      choices: [
        { value: 'proved', label: 'proved' },
        { value: 'unknown', label: 'not tried' },
        { value: 'none', label: 'none' },
      ],
    },
    {
      key: 'connectors',
      label: 'Its connectors',
      choices: [
        { value: 'same', label: 'the same' },
        { value: 'differ', label: 'differ' },
      ],
    },
    {
      key: 'donor',
      label: 'A donor',
      choices: [
        { value: 'broken', label: 'broken elsewhere' },
        { value: 'good', label: 'a good drive' },
        { value: 'none', label: 'none' },
      ],
    },
    { key: 'priceMotor', label: 'Price of the motor', quantity: 'count' },
    { key: 'priceMechanism', label: 'Price of the mechanism', quantity: 'count' },
    ...(Object.keys(CRITERIA) as Criterion[]).map(weight),
  ],
  formulas: [
    'Score = Σ weight × mark ÷ Σ weight; marks 0 to 10 from hours (5 at 2 h), price (5 at 15) and what was said of the parts. Weights and marks are from memory; change the weights.',
  ],
  judge,
}
