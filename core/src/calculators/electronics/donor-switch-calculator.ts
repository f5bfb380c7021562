import { gravestOf, plain, type Point } from '../../base/observations'
import { maybe, type Field, type Calculator, type CalculatorResult, type Values } from '../calculator'

/** How far a size may be off, mm, and what is wrong where it is further (from memory). */
const SIZES = {
  acts: {
    label: 'Acts at a height of',
    off: 0.3,
    wrong: 'it acts too early or too late',
    next: 'Shim or file its seat until it acts where the old one did.',
  },
  pitch: {
    label: 'Between its pins',
    off: 0.2,
    wrong: 'its pins do not meet the holes',
    next: 'Lead it out with short wires, or another switch.',
  },
  wide: {
    label: 'Body, wide',
    off: 0.3,
    wrong: 'its body does not sit',
    next: 'Another switch, or make room without touching the board’s tracks.',
  },
  deep: {
    label: 'Body, deep',
    off: 0.5,
    wrong: 'its body does not sit',
    next: 'Another switch, or make room without touching the board’s tracks.',
  },
} as const
type Size = keyof typeof SIZES
const KEYS = Object.keys(SIZES) as Size[]

function points(v: Values): Point[] {
  const out: Point[] = KEYS.flatMap((k): Point[] => {
    const [a, b] = [maybe(v, `${k}1`), maybe(v, `${k}2`)]
    if (a === undefined || b === undefined) return []
    const s = SIZES[k]
    // A smaller body can be seated; a larger one cannot.
    const amiss = k === 'wide' || k === 'deep' ? b - a > s.off : Math.abs(b - a) > s.off
    return amiss
      ? [
          {
            kind: k === 'acts' ? 'nudge' : 'mend',
            says: `${s.label} ${plain(b)} mm in place of ${plain(a)} mm: ${s.wrong}.`,
            next: s.next,
          },
        ]
      : []
  })
  if (v.needs && v.has && v.has !== 'both' && v.has !== v.needs)
    out.push({
      kind: 'mend',
      says: `It has a normally ${v.has === 'no' ? 'open' : 'closed'} contact only, and a normally ${v.needs === 'no' ? 'open' : 'closed'} one is wanted: every state would be told the wrong way.`,
      next: 'A changeover switch, wired to the right contact.',
    })
  const [f1, f2] = [maybe(v, 'force1'), maybe(v, 'force2')]
  if (f1 !== undefined && f2 !== undefined && f2 > f1 * 2)
    out.push({
      kind: 'unknown',
      says: `It takes ${plain(f2)} N in place of ${plain(f1)} N: it may lift the disk off its seat.`,
      next: 'Try it with a sacrificial disk, and see that the disk sits flat.',
    })
  const ohms = maybe(v, 'ohms')
  if (ohms !== undefined && ohms > 5)
    out.push({
      kind: 'mend',
      says: `Closed, it has ${plain(ohms)} Ω: a sound one has less than 1 Ω (from memory).`,
      next: 'Contact spray, then alcohol so that none reaches a disk; measure again.',
    })
  return out
}

function judge(v: Values): CalculatorResult {
  const compared = KEYS.filter(k => v[`${k}1`] !== undefined && v[`${k}2`] !== undefined).length
  const found = points(v)
  return {
    call: gravestOf(
      found,
      compared < 2 || !v.has
        ? {
            kind: 'unknown',
            reasons: ['Too little is known to say that it stands for the old one.'],
            next: 'Compare the height at which it acts, its pins and its contact at least.',
          }
        : {
            kind: 'leave',
            reasons: [`Alike in ${compared} sizes and in its contact.`],
            next: 'Wire it, then see both states at the plug.',
          },
    ),
    lines: KEYS.flatMap(k =>
      v[`${k}1`] !== undefined && v[`${k}2`] !== undefined
        ? [
            {
              label: `${SIZES[k].label}: off by`,
              value: (v[`${k}2`] as number) - (v[`${k}1`] as number),
              unit: 'mm',
              note: `${SIZES[k].off} mm may be (from memory)`,
            },
          ]
        : [],
    ),
    observations: [
      {
        key: 'switch.donor',
        label: 'Donor switch',
        value: found.length
          ? `${found.length} ${found.length === 1 ? 'point' : 'points'} wrong`
          : compared < 2 || !v.has
            ? 'not settled'
            : 'fits',
        unit: '',
        how: `${compared} sizes compared`,
      },
    ],
  }
}

/** A switch from another drive. */
export const donorSwitchCalculator: Calculator = {
  id: 'donor-switch',
  title: 'Donor switch',
  station: 'electronics',
  group: 'Switches',
  purpose: 'Whether a switch from another drive stands for the old one.',
  fields: [
    ...KEYS.flatMap((k): Field[] =>
      [1, 2].map(n => ({
        key: `${k}${n}`,
        label: `${SIZES[k].label}, ${n === 1 ? 'old' : 'donor'}`,
        quantity: 'length',
        plausible: [0.5, 30],
        ...(k === 'deep' ? { rare: true as const } : {}),
      })),
    ),
    {
      key: 'needs',
      label: 'Contact that is wanted',
      choices: [
        { value: 'nc', label: 'normally closed' },
        { value: 'no', label: 'normally open' },
      ],
    },
    {
      key: 'has',
      label: 'Contact that it has',
      choices: [
        { value: 'both', label: 'changeover, three pins' },
        { value: 'nc', label: 'normally closed' },
        { value: 'no', label: 'normally open' },
      ],
    },
    { key: 'ohms', label: 'Closed, it has', quantity: 'resistance', zero: true, rare: true, plausible: [0.01, 50] },
    { key: 'force1', label: 'Force, old', quantity: 'force', rare: true, plausible: [0.1, 5] },
    { key: 'force2', label: 'Force, donor', quantity: 'force', rare: true, plausible: [0.1, 5] },
  ],
  formulas: [
    `Acts within ${SIZES.acts.off} mm of the old one, pins within ${SIZES.pitch.off} mm, body no larger than ${SIZES.wide.off} mm more (from memory).`,
  ],
  judge,
}
