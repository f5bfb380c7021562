import { upperFirst, type Call } from '../../base/observations'
import type { Calculator, CalculatorLine, CalculatorResult, Values } from '../calculator'
import { afterEvent, AT_REST, changeTold, type ChangeEvent, type SwitchHealth } from './change-latch'

/** What a switch tells, in which of its two states the line at the plug must be low, and what is said of each level. */
const USES = {
  protect: {
    label: 'write protect',
    states: ['protected', 'writable'],
    low: 'protected',
    says: { low: 'protected', high: 'writable' },
  },
  'disk-in': {
    label: 'disk in',
    states: ['disk in', 'disk out'],
    low: 'disk in',
    says: { low: 'a disk is in', high: 'no disk' },
  },
  density: {
    label: 'density, told by the disk',
    states: ['high-density disk', 'double-density disk'],
    low: 'high-density disk',
    says: { low: 'high density', high: 'double density' },
  },
} as const
type Use = keyof typeof USES

interface Seen {
  readonly state: string
  readonly contact: 'closed' | 'open'
  readonly low: boolean
  readonly says: string
  readonly right: boolean
}

/** What the host sees in each state of a switch. */
export function whatHostSees(
  use: Use,
  o: {
    readonly contact: 'nc' | 'no'
    readonly pressedIn: string
    readonly closes: 'ground' | 'supply'
    readonly inverted: boolean
  },
): Seen[] {
  return USES[use].states.map(state => {
    const pressed = state === o.pressedIn
    const closed = (o.contact === 'nc') !== pressed
    // A contact to ground pulls the line low against its pull-up; one to the supply lifts it off its pull-down.
    const switchLow = (o.closes === 'ground') === closed
    const low = switchLow !== o.inverted
    return {
      state,
      contact: closed ? ('closed' as const) : ('open' as const),
      low,
      says: USES[use].says[low ? 'low' : 'high'],
      right: low === (state === USES[use].low),
    }
  })
}

function judge(v: Values): CalculatorResult {
  if (v.use === 'change') return judgeChange(v)
  const use = (v.use ?? 'protect') as Use
  const [first, second] = USES[use].states
  const seen = whatHostSees(use, {
    contact: v.contact === 'no' ? 'no' : 'nc',
    pressedIn: v.pressed === 'second' ? second : first,
    closes: v.closes === 'supply' ? 'supply' : 'ground',
    inverted: v.inverted === 'yes',
  })
  const right = seen.every(s => s.right)
  const call: Call = right
    ? {
        kind: 'leave',
        reasons: [`Right in both states: ${seen.map(s => `${s.state}, the host sees ${s.says}`).join('; ')}.`],
        next: 'See it at the plug in both states, with the drive selected.',
      }
    : use === 'protect'
      ? {
          kind: 'stop',
          reasons: ['It tells the opposite: a protected disk would be written on.'],
          next: 'Use the other contact of the switch before any disk goes in.',
        }
      : {
          kind: 'mend',
          reasons: [`It tells the opposite: ${seen.map(s => `${s.state}, the host sees ${s.says}`).join('; ')}.`],
          next: 'Use the other contact of the switch.',
        }
  return {
    call,
    lines: seen.map((s): CalculatorLine => ({
      label: upperFirst(s.state),
      value: s.says,
      unit: '',
      note: `contact ${s.contact}, line ${s.low ? 'low' : 'high'} while selected; ${s.right ? 'right' : 'wrong'}`,
    })),
    observations: [
      {
        key: 'switch.seen',
        label: `Switch, ${USES[use].label}`,
        value: right ? 'tells the truth' : 'tells the opposite',
        unit: '',
        how: `${v.contact === 'no' ? 'normally open' : 'normally closed'}, worked out for both states`,
      },
    ],
  }
}

const STORY: readonly (readonly [ChangeEvent, string])[] = [
  ['select', 'Switched on, selected, no disk'],
  ['disk-in', 'A disk is put in'],
  ['step', 'The host steps once'],
  ['disk-out', 'The disk is taken out'],
  ['step', 'The host steps without a disk'],
  ['disk-in', 'Another disk is put in'],
  ['step', 'The host steps again'],
  ['deselect', 'The drive is deselected'],
]
/** What a sound drive tells along the story. */
const SOUND = told('works')

function told(health: SwitchHealth): boolean[] {
  let state = afterEvent(AT_REST, 'power-on', health)
  return STORY.map(([event]) => {
    state = afterEvent(state, event, health)
    return changeTold(state)
  })
}

/** The latched line, event by event: which of them a switch that sticks makes wrong. */
function judgeChange(v: Values): CalculatorResult {
  const health: SwitchHealth = v.health === 'in' ? 'says in' : v.health === 'out' ? 'says out' : 'works'
  const is = told(health)
  const wrong = is.filter((t, i) => t !== SOUND[i]).length
  const call: Call =
    health === 'works'
      ? {
          kind: 'leave',
          reasons: [
            'Taking the disk out sets it; a step with a disk in clears it; it means something only while the drive is selected.',
          ],
          next: 'Go through these steps at the drive, and compare.',
        }
      : health === 'says in'
        ? {
            kind: 'mend',
            reasons: [
              'The switch always says that a disk is in: after the first step a change is never seen again, and the last disk’s directory stays.',
            ],
            next: 'Clean the disk-in switch; see that its lever comes back.',
          }
        : {
            kind: 'mend',
            reasons: [
              'The switch always says that no disk is in: the change never clears, and the host reads the directory again before everything or gives up.',
            ],
            next: 'Clean the disk-in switch; see that the disk reaches its lever.',
          }
  return {
    call,
    lines: STORY.map(([, text], i): CalculatorLine => ({
      label: text,
      value: is[i] ? 'change told' : 'nothing told',
      unit: '',
      note:
        is[i] === SOUND[i]
          ? `line ${is[i] ? 'low' : 'high'}`
          : `wrong: a sound drive tells ${SOUND[i] ? 'a change' : 'nothing'} here`,
    })),
    observations: [
      {
        key: 'switch.seen',
        label: 'Switch, disk change',
        value: wrong ? `wrong in ${wrong} of ${STORY.length} events` : 'as it should be',
        unit: '',
        how: 'followed through eight events',
      },
    ],
  }
}

/** What the host sees of a switch. */
export const hostSeesCalculator: Calculator = {
  id: 'host-sees',
  title: 'What the host sees',
  station: 'electronics',
  group: 'Switches',
  purpose: 'What arrives at the host in each state of a switch, the latched disk change included.',
  fields: [
    {
      key: 'use',
      label: 'The switch tells',
      required: true,
      choices: [
        ...Object.entries(USES).map(([value, u]) => ({ value, label: u.label })),
        { value: 'change', label: 'disk change, latched' },
      ],
    },
    {
      key: 'contact',
      label: 'Contact that is wired',
      hint: 'usually normally closed (common practice)',
      choices: [
        { value: 'nc', label: 'normally closed' },
        { value: 'no', label: 'normally open' },
      ],
    },
    {
      key: 'pressed',
      label: 'It is pressed when',
      choices: [
        { value: 'first', label: 'protected, disk in, high density' },
        { value: 'second', label: 'writable, disk out, double density' },
      ],
    },
    {
      key: 'closes',
      label: 'When closed, connects to',
      choices: [
        { value: 'ground', label: 'ground' },
        { value: 'supply', label: '5 V' },
      ],
    },
    {
      key: 'inverted',
      label: 'Up to the plug it is',
      choices: [
        { value: 'no', label: 'as it is' },
        { value: 'yes', label: 'inverted' },
      ],
    },
    {
      key: 'health',
      label: 'For disk change: it',
      rare: true,
      choices: [
        { value: 'works', label: 'works' },
        { value: 'in', label: 'sticks at “in”' },
        { value: 'out', label: 'sticks at “out”' },
      ],
    },
  ],
  formulas: [
    'Lines are active low. A pressed normally closed contact is open; a closed contact to ground makes the line low; a gate between may invert it.',
    'Disk change: set by taking the disk out, cleared by a step with a disk in, told only while selected (common practice).',
  ],
  judge,
}
