import { upperFirst, type Call } from '../../base/observations'
import { MECHANISMS } from '../../drives'
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

/** One way in which a switch may be wired, as far as nobody has said otherwise. */
type Wiring = Parameters<typeof whatHostSees>[1]

/** What pressed means: as typed, else by the drive's type where the disk has a notch, hole or tab; else not known. */
function pressedStates(v: Values, use: Use): readonly string[] {
  const [first, second] = USES[use].states
  if (v.pressed === 'first') return [first]
  if (v.pressed === 'second') return [second]
  const covered = MECHANISMS.find(m => m.id === v.mechanism)?.protectCovered?.value
  return use === 'protect' && covered ? [covered] : [first, second]
}

/** Every wiring that what was said leaves open. */
function wirings(v: Values, use: Use): Wiring[] {
  const contacts: readonly ('nc' | 'no')[] = v.contact === 'nc' || v.contact === 'no' ? [v.contact] : ['nc', 'no']
  const closes: readonly ('ground' | 'supply')[] =
    v.closes === 'ground' || v.closes === 'supply' ? [v.closes] : ['ground', 'supply']
  const inverted = v.inverted === undefined ? [false, true] : [v.inverted === 'yes']
  return contacts.flatMap(contact =>
    pressedStates(v, use).flatMap(pressedIn =>
      closes.flatMap(c => inverted.map(i => ({ contact, pressedIn, closes: c, inverted: i }))),
    ),
  )
}

/** What is still to be said, by the label of its field. */
const unsaid = (v: Values, use: Use): string[] => [
  ...(v.contact === undefined ? ['which contact is wired'] : []),
  ...(pressedStates(v, use).length > 1 ? ['when the switch is pressed'] : []),
  ...(v.closes === undefined ? ['what it connects to when closed'] : []),
  ...(v.inverted === undefined ? ['whether the drive inverts it on the way to the plug'] : []),
]

function judge(v: Values): CalculatorResult {
  if (v.use === 'change') return judgeChange(v)
  const use = (v.use ?? 'protect') as Use
  const ways = wirings(v, use).map(w => whatHostSees(use, w))
  const rights = ways.map(seen => seen.every(s => s.right))
  const settled = rights.every(r => r === rights[0])
  const seen = ways[0]!
  const open = unsaid(v, use)
  const call = settled
    ? seenCall(use, seen, rights[0]!)
    : {
        kind: 'unknown' as const,
        reasons: [`What the host sees depends on ${open.join(', ')}.`],
        next: 'Find it out at the drive, or measure the line at the plug in both states: that settles the whole chain.',
      }
  return {
    call,
    lines: (settled ? seen : []).map((s): CalculatorLine => ({
      label: upperFirst(s.state),
      value: s.says,
      unit: '',
      note: `contact ${s.contact}, line ${s.low ? 'low' : 'high'} while selected; ${s.right ? 'right' : 'wrong'}`,
    })),
    observations: [
      {
        key: 'switch.seen',
        label: `Switch, ${USES[use].label}`,
        value: !settled ? 'not settled' : rights[0] ? 'tells the truth' : 'tells the opposite',
        unit: '',
        how: settled ? 'worked out for both states' : `not said: ${open.join(', ')}`,
      },
    ],
  }
}

function seenCall(use: Use, seen: readonly Seen[], right: boolean): Call {
  const both = seen.map(s => `${s.state}, the host sees ${s.says}`).join('; ')
  if (right)
    return {
      kind: 'leave',
      reasons: [`Right in both states: ${both}.`],
      next: 'See it at the plug in both states, with the drive selected.',
    }
  return use === 'protect'
    ? {
        kind: 'stop',
        reasons: ['It tells the opposite: a protected disk would be written on.'],
        next: 'Use the other contact of the switch before any disk goes in.',
      }
    : { kind: 'mend', reasons: [`It tells the opposite: ${both}.`], next: 'Use the other contact of the switch.' }
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

/** How the disk-in switch behaves: as said, else by its wiring; null where that leaves it open. */
function healthOf(v: Values): SwitchHealth | null {
  if (v.health === 'in') return 'says in'
  if (v.health === 'out') return 'says out'
  // Nothing about the wiring was said: the story of a sound drive, to compare with.
  if (v.health === 'works' || [v.contact, v.pressed, v.closes, v.inverted].every(x => x === undefined)) return 'works'
  const rights = wirings(v, 'disk-in').map(w => whatHostSees('disk-in', w).every(s => s.right))
  if (rights.some(r => r !== rights[0])) return null
  return rights[0] ? 'works' : 'says the opposite'
}

/** The latched line, event by event: which of them a switch that sticks makes wrong. */
function judgeChange(v: Values): CalculatorResult {
  const health = healthOf(v)
  if (!health)
    return {
      call: {
        kind: 'unknown',
        reasons: [`What the latch is told depends on ${unsaid(v, 'disk-in').join(', ')}.`],
        next: 'Go through the eight events at the drive with a meter on the change line, and compare.',
      },
      lines: [],
      observations: [],
    }
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
      : health === 'says the opposite'
        ? {
            kind: 'mend',
            reasons: [
              'The switch tells the opposite: with a disk in the latch never clears, and without one a step clears it.',
            ],
            next: 'Use the other contact of the disk-in switch.',
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
      key: 'mechanism',
      label: 'Drive type',
      hint: 'says what a pressed protect switch means',
      choices: MECHANISMS.filter(m => m.protectCovered).map(m => ({ value: m.id, label: m.label })),
    },
    {
      key: 'contact',
      label: 'Contact that is wired',
      hint: 'found with a meter, pressed and not',
      choices: [
        { value: 'nc', label: 'normally closed' },
        { value: 'no', label: 'normally open' },
      ],
    },
    {
      key: 'pressed',
      label: 'It is pressed when',
      rare: true,
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
  filledBy: { 'protect.always': { use: 'protect' }, 'protect.never': { use: 'protect' } },
  mechanismField: 'mechanism',
  formulas: [
    'What a covered notch, hole or tab means comes from the drive type (common practice; 3-inch and quick disk from memory). What is not said is left open: the call stands only where every way agrees.',
    'Lines are active low. A pressed normally closed contact is open; a closed contact to ground makes the line low; a gate between may invert it.',
    'Disk change: set by taking the disk out, cleared by a step with a disk in, told only while selected (common practice).',
  ],
  judge,
}
