import { awgArea, maybe, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'
import { gravestOf, plain, type Point } from '../../base/observations'

/**
 * Least pull that a crimp on a copper wire stands, lb, by gauge: as in the wire-connector standard UL 486A, from
 * memory.
 */
const PULL_LB: readonly (readonly [awg: number, pounds: number])[] = [
  [10, 80],
  [12, 70],
  [14, 50],
  [16, 30],
  [18, 20],
  [20, 13],
  [22, 8],
  [24, 5],
  [26, 3],
]
/** Most that a sound joint has, Ω (from memory). */
const MOST = 0.01

/** Least pull for a wire, N: that of the thickest listed gauge which is no thicker than it. */
export function leastPull(areaMm2: number): number {
  const row = PULL_LB.find(([awg]) => awgArea(awg) <= areaMm2 * 1.02) ?? PULL_LB.at(-1)!
  return row[1] * 4.4482216
}

const LOOKS = {
  clean: null,
  sheath: {
    kind: 'mend',
    says: 'The crimp grips the sheath, not the copper: it works for years, then fails.',
    next: 'Cut it off and crimp again, copper in the barrel and sheath in the wings.',
  },
  strands: { kind: 'mend', says: 'Strands are cut or stand out.', next: 'Cut it off and strip again.' },
  loose: { kind: 'mend', says: 'The wire moves in it.', next: 'Crimp it again, with the die for its gauge.' },
  ring: {
    kind: 'mend',
    says: 'A ring stands round the pin: the solder has parted from it.',
    next: 'Take the old solder off, and solder it again.',
  },
  grey: {
    kind: 'unknown',
    says: 'Its solder is grey: cold, or a lead-free alloy.',
    next: 'Measure its resistance while it is moved; solder it again where in doubt.',
  },
  blob: {
    kind: 'mend',
    says: 'The solder stands off the pad like a drop: it never wetted it.',
    next: 'Clean the pad, flux, and solder it again.',
  },
  green: {
    kind: 'mend',
    says: 'It is green: salts creep under the sheath.',
    next: 'Cut back to bright copper, and remake it.',
  },
} as const satisfies Readonly<Record<string, Point | null>>
const LABELS: Readonly<Record<keyof typeof LOOKS, string>> = {
  clean: 'clean',
  sheath: 'crimp on the sheath',
  strands: 'strands cut or out',
  loose: 'wire moves in it',
  ring: 'a ring round the pin',
  grey: 'grey solder',
  blob: 'solder like a drop',
  green: 'green',
}

function judge(v: Values): CalculatorResult {
  const found: Point[] = []
  const lines: CalculatorLine[] = []
  const look = LOOKS[(v.looks ?? 'clean') as keyof typeof LOOKS]
  if (look) found.push(look)
  const [area, pull] = [maybe(v, 'wire'), maybe(v, 'pull')]
  if (area !== undefined && v.kind !== 'solder') {
    const least = leastPull(area)
    lines.push({
      label: 'Should stand a pull of',
      value: least,
      unit: 'N',
      note: `${plain(least / 9.80665)} kg hung on it; from memory`,
    })
    if (v.held === 'no')
      found.push({
        kind: 'mend',
        says:
          pull === undefined
            ? 'It came off when pulled.'
            : `It came off at ${plain(pull)} N; ${plain(least)} N is the least.`,
        next: 'Crimp it again, with the die for its gauge.',
      })
    else if (v.held === 'yes' && pull !== undefined && pull < least)
      found.push({
        kind: 'unknown',
        says: `It held ${plain(pull)} N, and ${plain(least)} N is what it should stand.`,
        next: `Hang ${plain(least / 9.80665)} kg on it for a moment.`,
      })
  }
  const [drop, amps] = [maybe(v, 'drop'), maybe(v, 'current')]
  if (drop !== undefined && amps !== undefined) {
    const ohms = drop / amps
    lines.push({ label: 'Resistance', value: ohms * 1000, unit: 'mΩ', note: `${MOST * 1000} mΩ at most (from memory)` })
    if (ohms > MOST)
      found.push({
        kind: 'mend',
        says: `It has ${plain(ohms * 1000)} mΩ; ${MOST * 1000} mΩ is the most.`,
        next: 'Remake it.',
      })
  }
  if (v.moves === 'yes')
    found.push({
      kind: 'mend',
      says: 'Its resistance changes when it is moved.',
      next: 'Remake it; then test the wires beside it, for they are of the same age.',
    })
  const proved = v.held === 'yes' || v.moves === 'no' || (drop !== undefined && amps !== undefined)
  return {
    call: gravestOf(
      found,
      proved
        ? { kind: 'leave', reasons: ['It looks sound and measures so.'], next: 'Leave it.' }
        : {
            kind: 'unknown',
            reasons: [
              'It looks sound, and looks say little: one crimp failed only once its covers were on (common practice).',
            ],
            next: 'Move it while measuring, or pull it.',
          },
    ),
    lines,
    observations: [
      {
        key: 'joint',
        label: v.kind === 'solder' ? 'Solder joint' : 'Crimp',
        value: found.length ? 'to be remade' : proved ? 'sound' : 'looks sound',
        unit: '',
        how: [
          LABELS[(v.looks ?? 'clean') as keyof typeof LOOKS],
          v.held && 'pulled',
          v.moves && 'moved',
          drop !== undefined && 'measured',
        ]
          .filter(Boolean)
          .join(', '),
      },
    ],
  }
}

/** A crimp or a solder joint. */
export const jointCalculator: Calculator = {
  id: 'joint',
  title: 'Crimp or joint',
  station: 'electronics',
  group: 'Wiring',
  purpose: 'Whether a crimp or a solder joint is sound, by look, pull and resistance.',
  fields: [
    {
      key: 'kind',
      label: 'It is',
      choices: [
        { value: 'crimp', label: 'a crimp' },
        { value: 'solder', label: 'a solder joint' },
      ],
    },
    { key: 'looks', label: 'Appearance', choices: Object.entries(LABELS).map(([value, label]) => ({ value, label })) },
    { key: 'wire', label: 'Its wire', quantity: 'wire', plausible: [0.05, 4] },
    { key: 'pull', label: 'Pulled with', quantity: 'force', plausible: [2, 400] },
    {
      key: 'held',
      label: 'It held',
      choices: [
        { value: 'yes', label: 'yes' },
        { value: 'no', label: 'it came off' },
      ],
    },
    {
      key: 'moves',
      label: 'Moved, its resistance',
      choices: [
        { value: 'no', label: 'stays' },
        { value: 'yes', label: 'changes' },
      ],
    },
    { key: 'drop', label: 'It drops', quantity: 'voltage', zero: true, rare: true, plausible: [0.0001, 1] },
    { key: 'current', label: 'At a current of', quantity: 'current', rare: true, plausible: [0.05, 5] },
  ],
  formulas: [
    'Least pull of a crimp by gauge: as in UL 486A, from memory (20 AWG: 13 lb, 58 N).',
    `Resistance = drop ÷ current, at most ${MOST * 1000} mΩ (from memory).`,
  ],
  judge,
}
