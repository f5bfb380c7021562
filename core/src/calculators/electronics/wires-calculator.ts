import { byText } from '../../base/order'
import { ParameterError } from '../../base/errors'
import { gravestOf, plain, type Point, upperFirst } from '../../base/observations'
import {
  maybe,
  num,
  type Row,
  type Calculator,
  type CalculatorLine,
  type CalculatorResult,
  type Values,
} from '../calculator'
import { leadResistance, MOST_LOST } from './lead-calculator'

/** What a wire in a loom carries without getting warm, A/mm² (from memory). */
const DENSITY = 5
/** Cut so much longer: joints, and a bend at each end (from memory). */
const SPARE = 1.1

/** What to cut: wires of one area and colour together, mm. */
export function cutList(
  rows: readonly { readonly area: number; readonly colour: string; readonly length: number }[],
): { readonly area: number; readonly colour: string; readonly pieces: number; readonly total: number }[] {
  const groups = new Map<string, { area: number; colour: string; pieces: number; total: number }>()
  for (const r of rows) {
    const key = `${r.area.toFixed(4)} ${r.colour.toLowerCase()}`
    const g = groups.get(key) ?? { area: r.area, colour: r.colour, pieces: 0, total: 0 }
    g.pieces++
    g.total += Math.ceil(r.length * SPARE - 1e-6)
    groups.set(key, g)
  }
  return [...groups.values()].sort((a, b) => b.area - a.area || byText(a.colour, b.colour))
}

function judge(_: Values, rows: readonly Row[]): CalculatorResult {
  const wires = rows.map(r => ({
    name: upperFirst((r.name as string | undefined) ?? `wire ${r.row}`),
    colour: (r.colour as string | undefined) ?? 'any colour',
    length: num(r, 'length'),
    area: num(r, 'wire'),
    amps: maybe(r, 'current') ?? 0,
    volts: maybe(r, 'rail') ?? 5,
  }))
  const twice = wires.find((w, i) => wires.findIndex(x => x.name === w.name) !== i)
  if (twice) throw new ParameterError(`${twice.name} stands twice in the list`, 'each wire once', { field: 'wires' })
  const found = wires.flatMap((w): Point[] => {
    const lost = (leadResistance(w.length, w.area) * w.amps) / w.volts
    const want = Math.max((w.area * lost) / MOST_LOST, w.amps / DENSITY)
    if (w.amps > w.area * DENSITY)
      return [
        {
          kind: 'stop',
          says: `${w.name}: ${plain(w.amps)} A make ${plain(w.area)} mm² warm.`,
          next: `Take ${plain(want)} mm² or more for ${w.name}.`,
        },
      ]
    return lost > MOST_LOST
      ? [
          {
            kind: 'mend',
            says: `${w.name} loses ${(lost * 100).toFixed(1)} % of ${plain(w.volts)} V.`,
            next: `Take ${plain(want)} mm² or more for ${w.name}.`,
          },
        ]
      : []
  })
  const colours = wires.map(w => w.colour).filter(c => c !== 'any colour')
  if (new Set(colours.map(c => c.toLowerCase())).size < colours.length)
    found.push({
      kind: 'unknown',
      says: 'Two wires have one colour.',
      next: 'Tag both ends of each: colours will not tell them apart.',
    })
  const cuts = cutList(wires)
  return {
    call: gravestOf(found, {
      kind: 'leave',
      reasons: [`${wires.length} wires, all thick enough.`],
      next: 'Cut, tag both ends, and check the continuity of each before it is plugged in.',
    }),
    lines: wires.map((w): CalculatorLine => ({
      label: w.name,
      value: leadResistance(w.length, w.area) * w.amps * 1000,
      unit: 'mV',
      note: `${w.colour}, ${plain(w.length)} mm of ${plain(w.area)} mm²${w.amps ? `, ${plain(w.amps)} A` : ', signal'}`,
    })),
    table: {
      title: 'To cut',
      columns: ['Pieces', 'Wire', 'Colour', 'In all'],
      rows: cuts.map(c => [c.pieces, `${plain(c.area)} mm²`, c.colour, `${(c.total / 1000).toFixed(2)} m`]),
    },
    observations: [
      {
        key: 'wires',
        label: 'Wires',
        value: wires.length,
        unit: '',
        how: `${(cuts.reduce((s, c) => s + c.total, 0) / 1000).toFixed(2)} m to cut`,
      },
    ],
  }
}

/** A loom's wires: how thick, how long, what colour. */
export const wiresCalculator: Calculator = {
  id: 'wires',
  title: 'Wire list',
  station: 'electronics',
  group: 'Wiring',
  purpose: 'Every wire of a loom with gauge, length and colour: is it thick enough, and what is to cut.',
  fields: [],
  list: {
    key: 'wires',
    title: 'Wires',
    one: 'wire',
    most: 40,
    required: true,
    fields: [
      { key: 'name', label: 'From and to', words: true },
      { key: 'colour', label: 'Colour', words: true },
      { key: 'length', label: 'Length', quantity: 'length', required: true, plausible: [10, 2000] },
      { key: 'wire', label: 'Wire', quantity: 'wire', required: true, plausible: [0.03, 4] },
      { key: 'current', label: 'Current', quantity: 'current', zero: true, plausible: [0.01, 5] },
      { key: 'rail', label: 'Rail', quantity: 'voltage', plausible: [3, 24] },
    ],
  },
  formulas: [
    `Lost = 2 × length ÷ (58 m/Ω·mm² × area) × current, at most ${MOST_LOST * 100} % of the supply voltage; at most ${DENSITY} A/mm² in a loom; cut ${Math.round((SPARE - 1) * 100)} % longer (all from memory).`,
    'Gauge: diameter = 0.127 mm × 92^((36 − n)/39) (ASTM B258).',
  ],
  judge,
}
