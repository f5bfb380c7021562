import { ParameterError } from '../../base/errors'
import { plain, upperFirst, type Call } from '../../base/observations'
import {
  maybe,
  num,
  type Row,
  type Calculator,
  type CalculatorLine,
  type CalculatorResult,
  type Values,
} from '../calculator'
import { capacitorCall, nearestE6, ratedFor } from './capacitor-calculator'

interface Judged {
  readonly name: string
  readonly marked: number
  readonly volts: number | undefined
  readonly call: Call
}

/** What to buy for a board: parts of one value and voltage together. */
export function shoppingList(
  parts: readonly { readonly name: string; readonly marked: number; readonly volts: number | undefined }[],
): (readonly [count: number, value: string, volts: string, where: string])[] {
  const groups = new Map<string, { value: number; volts: number | undefined; names: string[] }>()
  for (const p of parts) {
    const value = nearestE6(p.marked)
    const volts = p.volts === undefined ? undefined : ratedFor(p.volts)
    const key = `${plain(value)} ${volts ?? ''}`
    const group = groups.get(key) ?? { value, volts, names: [] }
    group.names.push(p.name)
    groups.set(key, group)
  }
  return [...groups.values()]
    .sort((a, b) => a.value - b.value || (a.volts ?? 0) - (b.volts ?? 0))
    .map(
      g =>
        [
          g.names.length,
          `${plain(g.value)} µF`,
          g.volts === undefined ? 'read it off' : `${plain(g.volts)} V or more`,
          g.names.join(', '),
        ] as const,
    )
}

function judge(v: Values, rows: readonly Row[]): CalculatorResult {
  const names = rows.map(r => r.name as string | undefined).filter(n => n !== undefined)
  const twice = names.find((n, i) => names.indexOf(n) !== i)
  if (twice !== undefined)
    throw new ParameterError(`${twice} stands twice in the list`, 'each place once', { field: 'caps' })
  const judged = rows.map((r): Judged => ({
    name: upperFirst((r.name as string | undefined) ?? `capacitor ${r.row}`),
    marked: num(r, 'marked'),
    volts: maybe(r, 'volts'),
    call: capacitorCall({ ...r, series: v.series }, num(r, 'marked'), (maybe(v, 'tolerance') ?? 20) / 100),
  }))
  const of = (kind: Call['kind']) => judged.filter(j => j.call.kind === kind)
  const [bad, doubtful] = [of('mend'), of('unknown')]
  const list = (js: readonly Judged[]) => js.map(j => j.name).join(', ')
  const call: Call = bad.length
    ? {
        kind: 'mend',
        reasons: [
          `${bad.length} of ${judged.length} want replacing: ${list(bad)}.`,
          ...(doubtful.length ? [`${doubtful.length} cannot be judged in circuit: ${list(doubtful)}.`] : []),
        ],
        next:
          bad.length * 2 >= judged.length
            ? 'Replace all of them while the board is out: the rest is as old.'
            : 'Replace these, and note the series of the rest.',
      }
    : doubtful.length
      ? {
          kind: 'unknown',
          reasons: [`${doubtful.length} of ${judged.length} cannot be judged yet: ${list(doubtful)}.`],
          next: 'Lift one leg of each and measure again, or measure its ESR.',
        }
      : { kind: 'leave', reasons: [`All ${judged.length} are inside what they should be.`], next: 'Leave them.' }
  const lines: CalculatorLine[] = judged.map(j => ({
    label: j.name,
    value: j.call.kind === 'mend' ? 'replace' : j.call.kind === 'unknown' ? 'not known yet' : 'sound',
    unit: '',
    note: j.call.reasons[0],
  }))
  return {
    call,
    lines,
    ...(bad.length
      ? { table: { title: 'To buy', columns: ['Pieces', 'Value', 'Rated', 'For'], rows: shoppingList(bad) } }
      : {}),
    observations: [
      {
        key: 'capacitors.board',
        label: 'Capacitors of the board',
        value: `${bad.length} of ${judged.length} to replace`,
        unit: '',
        how: `${judged.length} measured, ${doubtful.length} undecided`,
      },
    ],
  }
}

/** All capacitors of a board at once, with what to buy. */
export const boardCalculator: Calculator = {
  id: 'board',
  title: 'Board of capacitors',
  station: 'electronics',
  group: 'Capacitors',
  purpose: 'Every capacitor of a board, judged one by one, and what to buy.',
  fields: [
    {
      key: 'series',
      label: 'Their kind',
      choices: [
        { value: 'usual', label: 'usual' },
        { value: 'leaky', label: 'surface mount, early nineties' },
      ],
    },
    {
      key: 'tolerance',
      label: 'Tolerance',
      hint: '20 % where nothing is marked',
      quantity: 'share',
      plausible: [1, 50],
    },
  ],
  list: {
    key: 'caps',
    title: 'Capacitors',
    one: 'capacitor',
    most: 60,
    required: true,
    fields: [
      { key: 'name', label: 'Place', words: true },
      { key: 'marked', label: 'Marked', quantity: 'capacitance', required: true, plausible: [0.01, 10_000] },
      { key: 'volts', label: 'Rated', quantity: 'voltage', plausible: [4, 450] },
      { key: 'reading', label: 'Reads', quantity: 'capacitance', zero: true, plausible: [0.001, 20_000] },
      { key: 'esr', label: 'ESR', quantity: 'resistance', plausible: [0.01, 100] },
      {
        key: 'where',
        label: 'Measured',
        choices: [
          { value: 'out', label: 'leg lifted' },
          { value: 'in', label: 'in circuit' },
        ],
      },
      {
        key: 'leaks',
        label: 'Leaks',
        choices: [
          { value: 'no', label: 'no' },
          { value: 'yes', label: 'yes' },
        ],
      },
    ],
  },
  answers: { leave: 'caps-kind.measured', mend: 'caps.low' },
  filledBy: { 'caps-kind.early-smd': { series: 'leaky' } },
  formulas: [
    'Each as the Capacitor instrument judges it; what is to buy is put together by E6 value (IEC 60063) and the next rated voltage.',
  ],
  judge,
}
