import type { Call } from '../../base/observations'
import type { Calculator, CalculatorResult, Values } from '../calculator'

const PAIRS = ['ab', 'bc', 'ac'] as const
type Pair = (typeof PAIRS)[number]

export interface SwitchMap {
  readonly common: string
  readonly closed: string
  readonly open: string
}

/**
 * Which pin of a three-pin changeover switch is which, from continuity between each pair at rest and pressed.
 * @returns the maps that agree with what was measured: one when it is settled, none when the readings contradict
 */
export function mapSwitch(rest: Partial<Record<Pair, boolean>>, pressed: Partial<Record<Pair, boolean>>): SwitchMap[] {
  const pins = ['a', 'b', 'c']
  const pair = (x: string, y: string) => [x, y].sort().join('') as Pair
  const all = pins.flatMap(common =>
    pins
      .filter(p => p !== common)
      .map(closed => ({ common, closed, open: pins.find(p => p !== common && p !== closed)! })),
  )
  return all.filter(m =>
    PAIRS.every(
      p =>
        (rest[p] ?? p === pair(m.common, m.closed)) === (p === pair(m.common, m.closed)) &&
        (pressed[p] ?? p === pair(m.common, m.open)) === (p === pair(m.common, m.open)),
    ),
  )
}

const said = (v: Values, when: string) =>
  Object.fromEntries(PAIRS.flatMap(p => (v[`${when}-${p}`] === undefined ? [] : [[p, v[`${when}-${p}`] === 'yes']])))

function judge(v: Values): CalculatorResult {
  const maps = mapSwitch(said(v, 'rest'), said(v, 'pressed'))
  const name = (p: string) => p.toUpperCase()
  const call: Call =
    maps.length === 0
      ? {
          kind: 'unknown',
          reasons: [
            'These readings contradict each other for a changeover switch.',
            'Two pairs closed at once, or none in one state, is a bad contact or a switch of another kind.',
          ],
          next: 'Work it ten times, then measure all six again.',
        }
      : maps.length > 1
        ? {
            kind: 'unknown',
            reasons: [`${maps.length} ways of wiring agree with what was measured.`],
            next: nextPair(v, maps),
          }
        : {
            kind: 'leave',
            reasons: [
              `Common is ${name(maps[0]!.common)}; normally closed ${name(maps[0]!.closed)}, normally open ${name(maps[0]!.open)}.`,
            ],
            next: 'Wire common and normally closed, as these switches usually are (common practice).',
          }
  return {
    call,
    lines: maps.map((m, i) => ({
      label: maps.length > 1 ? `Way ${i + 1}` : 'Pins',
      value: `common ${name(m.common)}, closed ${name(m.closed)}, open ${name(m.open)}`,
      unit: '',
    })),
    observations: [
      {
        key: 'switch.map',
        label: 'Switch',
        value:
          maps.length === 1
            ? `common ${name(maps[0]!.common)}, closed ${name(maps[0]!.closed)}, open ${name(maps[0]!.open)}`
            : maps.length
              ? 'not settled'
              : 'contradictory',
        unit: '',
        how: 'continuity at rest and pressed',
      },
    ],
  }
}

/** The pair whose reading splits what is left most evenly. */
function nextPair(v: Values, maps: readonly SwitchMap[]): string {
  const open = (['rest', 'pressed'] as const).flatMap(when =>
    PAIRS.filter(p => v[`${when}-${p}`] === undefined).map(p => ({ when, p })),
  )
  const closedIn = (m: SwitchMap, when: string, p: Pair) =>
    [m.common, when === 'rest' ? m.closed : m.open].sort().join('') === p
  const best = open
    .map(o => ({ ...o, yes: maps.filter(m => closedIn(m, o.when, o.p)).length }))
    .sort((a, b) => Math.abs(a.yes - maps.length / 2) - Math.abs(b.yes - maps.length / 2))[0]
  return best
    ? `Measure ${best.p.toUpperCase().split('').join(' to ')} ${best.when === 'rest' ? 'at rest' : 'pressed'}: it separates them best.`
    : 'Measure again.'
}

const yesNo = [
  { value: 'yes', label: 'closed' },
  { value: 'no', label: 'open' },
]

/** A switch with three pins that nobody knows. */
export const switchCalculator: Calculator = {
  id: 'switch',
  title: 'Switch',
  station: 'electronics',
  group: 'Switches',
  purpose: 'Which pin of an unknown three-pin switch is which, from continuity.',
  fields: (['rest', 'pressed'] as const).flatMap(when =>
    PAIRS.map(p => ({
      key: `${when}-${p}`,
      label: `${p.toUpperCase().split('').join(' to ')}, ${when === 'rest' ? 'at rest' : 'pressed'}`,
      choices: yesNo,
    })),
  ),
  formulas: [
    'A changeover switch joins common to normally closed at rest, and to normally open when pressed; never both.',
  ],
  judge,
}
