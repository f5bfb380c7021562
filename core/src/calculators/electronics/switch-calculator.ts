import type { Call } from '../../base/observations'
import type { Calculator, CalculatorLine, CalculatorResult, Field, Values } from '../calculator'
import { contactsOf, pairsOf, PINS, type Contacts, type Pair } from './switch-contacts'

const STATES = ['rest', 'pressed'] as const
const MOST_PINS = PINS.length
const pinsSaid = (pair: Pair) => pair.toUpperCase().split('').join(' to ')
const stateSaid = (when: 'rest' | 'pressed') => (when === 'rest' ? 'at rest' : 'pressed')

const said = (v: Values, when: string) =>
  Object.fromEntries(
    pairsOf(MOST_PINS).flatMap(p => (v[`${when}-${p}`] === undefined ? [] : [[p, v[`${when}-${p}`] === 'yes']])),
  )

/** Pins that are to be looked at: those that were said, at least those that a reading names. */
function pinCount(v: Values): number {
  const named = pairsOf(MOST_PINS).filter(p => STATES.some(s => v[`${s}-${p}`] !== undefined))
  const least = Math.max(2, ...named.map(p => PINS.findIndex(pin => pin === p[1]) + 1))
  return Math.max(least, v.pins === undefined ? 3 : Number(v.pins))
}

/** The contacts in a sentence: a changeover, two round a common middle pin, or each by its pins. */
export function contactsSaid(contacts: Contacts): string {
  const kind = (k: string) => [...contacts.joined].filter(([, j]) => j === k).map(([p]) => p)
  const [nc, no] = [kind('normally closed'), kind('normally open')]
  const shared = (a: Pair, b: Pair) => [...a].find(p => b.includes(p))
  const other = (pair: Pair, pin: string) => [...pair].find(p => p !== pin)!.toUpperCase()
  if (nc.length === 1 && no.length === 1) {
    const common = shared(nc[0]!, no[0]!)
    if (common)
      return `Changeover: common is ${common.toUpperCase()}, normally closed ${other(nc[0]!, common)}, normally open ${other(no[0]!, common)}.`
  }
  const each = [
    ...nc.map(p => `${pinsSaid(p)} opens when pressed`),
    ...no.map(p => `${pinsSaid(p)} closes when pressed`),
    ...kind('always').map(p => `${pinsSaid(p)} are joined always`),
  ]
  return each.length ? `${each.join('; ')}.` : 'No pair of pins is ever joined: the switch is open in both states.'
}

function judge(v: Values): CalculatorResult {
  const count = pinCount(v)
  const contacts = contactsOf(said(v, 'rest'), said(v, 'pressed'), count)
  const { contradictions, open } = contacts
  const sentence = contactsSaid(contacts)
  const works = [...contacts.joined.values()].some(j => j === 'normally closed' || j === 'normally open')
  const call = callOf(contacts, sentence, works)
  return {
    call,
    lines: [...contacts.joined].map(([pair, j]): CalculatorLine => ({
      label: pinsSaid(pair),
      value: j === 'never' ? 'no contact' : j === 'always' ? 'joined in both states' : j,
      unit: '',
    })),
    observations: [
      {
        key: 'switch.map',
        label: 'Switch',
        value: contradictions.length ? 'contradictory' : open.length ? 'not settled' : sentence.replace(/\.$/, ''),
        unit: '',
        how: 'continuity at rest and pressed',
      },
    ],
  }
}

function callOf({ contradictions, open }: Contacts, sentence: string, works: boolean): Call {
  const [wrong] = contradictions
  if (wrong)
    return {
      kind: 'unknown',
      reasons: [
        `These readings contradict each other: ${pinsSaid(wrong.pair)} reads open ${stateSaid(wrong.when)}, yet other readings join the two.`,
        'A contact that makes now and then reads like this.',
      ],
      next: 'Work the switch ten times, then measure that state again.',
    }
  if (open.length)
    return {
      kind: 'unknown',
      reasons: [
        `${open.length} ${open.length === 1 ? 'reading is' : 'readings are'} still needed; nothing is assumed.`,
      ],
      next: `Measure ${pinsSaid(open[0]!.pair)} ${stateSaid(open[0]!.when)}.`,
    }
  if (!works)
    return {
      kind: 'mend',
      reasons: ['Pressing changes nothing between any two pins.', sentence],
      next: 'Contact spray and ten strokes, then measure again; else replace the switch.',
    }
  return {
    kind: 'leave',
    reasons: [sentence],
    next: 'Wire the same contact as before, then see at the plug what the host gets in both states.',
  }
}

const yesNo = [
  { value: 'yes', label: 'closed' },
  { value: 'no', label: 'open' },
]

/** A switch that nobody knows: which of its pins are joined when. */
export const switchCalculator: Calculator = {
  id: 'switch',
  title: 'Switch',
  station: 'electronics',
  group: 'Switches',
  purpose: 'Which contacts an unknown switch has, from continuity between its pins.',
  fields: [
    {
      key: 'place',
      label: 'Which switch it is',
      hint: 'then it counts on the drive’s case',
      choices: [
        { value: 'disk-in', label: 'disk in' },
        { value: 'protect', label: 'write protect' },
        { value: 'density', label: 'density' },
      ],
    },
    {
      key: 'pins',
      label: 'Pins',
      choices: [
        { value: '2', label: 'two' },
        { value: '3', label: 'three' },
        { value: '4', label: 'four' },
      ],
    },
    ...STATES.flatMap(when =>
      pairsOf(MOST_PINS).map((p): Field => ({
        key: `${when}-${p}`,
        label: `${pinsSaid(p)}, ${stateSaid(when)}`,
        choices: yesNo,
        ...(p.includes('d') ? { rare: true as const } : {}),
      })),
    ),
  ],
  formulas: [
    'What is joined is one node: two pins joined to a third are joined; a pin apart from one of them is apart from all. Closed at rest only: normally closed; closed when pressed only: normally open.',
  ],
  judge,
}
