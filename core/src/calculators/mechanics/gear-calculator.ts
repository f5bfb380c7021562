import { ParameterError } from '../../base/errors'
import type { Call } from '../../base/observations'
import {
  maybe,
  type Field,
  type Calculator,
  type CalculatorLine,
  type CalculatorResult,
  type Values,
} from '../calculator'

/** Module of a spur gear from its outside diameter: d = m (z + 2), ISO 53 basic rack. */
export const gearModule = (outsideMm: number, teeth: number): number => outsideMm / (teeth + 2)

/** Pressure angle of the basic rack (ISO 53). */
const COS_20 = Math.cos((20 * Math.PI) / 180)
/** Gears are shifted by up to about so much of their module (from memory). */
const SHIFT = 0.6

/**
 * Module of a spur gear from its base pitch, mm: what a span over one tooth more adds, π m cos 20°. A profile shift
 * moves every span alike and leaves the difference as it is.
 */
export const moduleFromSpans = (overMm: number, overOneMoreMm: number): number =>
  (overOneMoreMm - overMm) / (Math.PI * COS_20)

function spanModule(v: Values, which: 1 | 2): number | undefined {
  const [less, more] = [maybe(v, `span${which}`), maybe(v, `spanMore${which}`)]
  if (less === undefined || more === undefined) return undefined
  if (more <= less)
    throw new ParameterError(`a span of ${more} mm over one tooth more than ${less} mm`, 'a larger one', {
      field: `spanMore${which}`,
    })
  return moduleFromSpans(less, more)
}

function judge(v: Values): CalculatorResult {
  const [z1, z2, d1, d2] = [maybe(v, 'teeth1'), maybe(v, 'teeth2'), maybe(v, 'outside1'), maybe(v, 'outside2')]
  for (const [key, z] of [
    ['teeth1', z1],
    ['teeth2', z2],
  ] as const)
    if (z !== undefined && z < 4) throw new ParameterError(`a gear of ${z} teeth`, '4 or more', { field: key })
  const [broken, found] = [maybe(v, 'broken'), maybe(v, 'found')]
  const lines: CalculatorLine[] = []
  const m1 = z1 !== undefined && d1 !== undefined ? gearModule(d1, z1) : undefined
  const m2 = z2 !== undefined && d2 !== undefined ? gearModule(d2, z2) : undefined
  if (m1 !== undefined) lines.push({ label: 'Module, original', value: m1, unit: 'mm' })
  if (m2 !== undefined) lines.push({ label: 'Module, candidate', value: m2, unit: 'mm' })
  const [s1, s2] = [spanModule(v, 1), spanModule(v, 2)]
  if (s1 !== undefined) lines.push({ label: 'Module by spans, original', value: s1, unit: 'mm' })
  if (s2 !== undefined) lines.push({ label: 'Module by spans, candidate', value: s2, unit: 'mm' })
  if (broken !== undefined)
    lines.push({ label: 'Broken teeth not found', value: Math.max(0, broken - (found ?? 0)), unit: '' })
  const [run, stall] = [maybe(v, 'run'), maybe(v, 'stall')]
  if (run !== undefined && stall !== undefined)
    lines.push({ label: 'Stall over running', value: stall / run, unit: '×' })
  return {
    call: callOf(v, z1, z2, { outside: [m1, m2], spans: [s1, s2] }),
    lines,
    observations: [
      {
        key: 'gear.teeth',
        label: 'Gear, broken teeth not found',
        value: broken === undefined ? 'not counted' : Math.max(0, broken - (found ?? 0)),
        unit: '',
        how: 'counted out by hand',
      },
    ],
  }
}

interface Modules {
  readonly outside: readonly [number | undefined, number | undefined]
  readonly spans: readonly [number | undefined, number | undefined]
}

/** Whether two gears of the same number of teeth have teeth of the same size; null where nothing speaks of it. */
function teethCall(teeth: number, { outside: [m1, m2], spans: [s1, s2] }: Modules): Call | null {
  const ground = (a: number, b: number, how: string): Call => ({
    kind: 'mend',
    reasons: [`Its module is ${b.toFixed(2)} mm in place of ${a.toFixed(2)}, ${how}: it would grind or skip.`],
    next: 'Another gear.',
  })
  if (s1 !== undefined && s2 !== undefined) {
    if (Math.abs(s2 / s1 - 1) > 0.03) return ground(s1, s2, 'by spans')
    return m1 !== undefined && m2 !== undefined && Math.abs(m2 / m1 - 1) > 0.03
      ? {
          kind: 'unknown',
          reasons: ['The teeth are of one size, the outside diameters differ: one gear is profile-shifted.'],
          next: 'Turn the train by hand through a whole revolution: it must neither bind nor rattle.',
        }
      : null
  }
  if (m1 === undefined || m2 === undefined || Math.abs(m2 / m1 - 1) <= 0.03) return null
  // The outside of a shifted gear is larger or smaller by twice the shift; beyond that the teeth must differ.
  const most = (teeth + 2 + 2 * SHIFT) / (teeth + 2 - 2 * SHIFT)
  return Math.max(m1 / m2, m2 / m1) > most
    ? ground(m1, m2, 'by the outside')
    : {
        kind: 'unknown',
        reasons: [
          `By the outside its module would be ${m2.toFixed(2)} mm in place of ${m1.toFixed(2)}; a profile shift does the same.`,
        ],
        next: 'Measure both gears over two and over three teeth: the difference tells the module.',
      }
}

function callOf(v: Values, z1: number | undefined, z2: number | undefined, modules: Modules): Call {
  const [m1, m2] = modules.outside
  const [broken, found, run, stall, travel] = [
    maybe(v, 'broken'),
    maybe(v, 'found'),
    maybe(v, 'run'),
    maybe(v, 'stall'),
    maybe(v, 'travel'),
  ]
  if (broken !== undefined && (found ?? 0) > broken)
    return {
      kind: 'unknown',
      reasons: [`${found} broken teeth were found and only ${broken} are missing: another gear has lost some.`],
      next: 'Count every gear of the train.',
    }
  if (broken !== undefined && broken > (found ?? 0))
    return {
      kind: 'stop',
      reasons: [`${broken - (found ?? 0)} of ${broken} broken teeth are still inside: they break the next gear.`],
      next: 'Find every one before a good gear goes in.',
    }
  if (z1 !== undefined && z2 !== undefined && z1 !== z2)
    return {
      kind: 'mend',
      reasons: [`${z2} teeth in place of ${z1}: the disk would be lifted too far or not far enough.`],
      next: 'Another gear.',
    }
  const teeth = z1 === undefined ? null : teethCall(z1, modules)
  if (teeth) return teeth
  if (run !== undefined && stall !== undefined && stall / run < 2)
    return {
      kind: 'mend',
      reasons: [
        `Stalled it draws ${(stall / run).toFixed(1)} times its running current only: the motor is weak, or already stalls.`,
      ],
      next: 'Turn the train by hand; then compare with a good motor.',
    }
  if (travel !== undefined && travel > 3)
    return {
      kind: 'mend',
      reasons: [`It takes ${travel} s to lift the disk: it labours (3 s from memory).`],
      next: 'Hardened grease, or a weak motor: feel the train by hand.',
    }
  if ((m1 !== undefined && m2 !== undefined) || modules.spans.every(m => m !== undefined))
    return {
      kind: 'leave',
      reasons: ['Teeth and module agree, and nothing broken is left inside.'],
      next: 'Eject ten times with a sacrificial disk.',
    }
  return {
    kind: 'unknown',
    reasons: ['Too little was counted.'],
    next: 'Count teeth and measure the outside diameter of both gears.',
  }
}

/** A gear of an eject train: counted in, counted out, and of the right module. */
export const gearCalculator: Calculator = {
  id: 'gear',
  title: 'Gear and eject',
  station: 'drive-train',
  group: 'Gear and eject',
  purpose: 'Whether a gear can replace another, and whether every broken tooth is out.',
  fields: [
    {
      key: 'teeth1',
      label: 'Teeth, original',
      hint: 'missing ones counted in',
      quantity: 'count',
      plausible: [6, 120],
    },
    { key: 'outside1', label: 'Outside diameter, original', quantity: 'length', plausible: [3, 60] },
    { key: 'teeth2', label: 'Teeth, candidate', quantity: 'count', plausible: [6, 120] },
    { key: 'outside2', label: 'Outside diameter, candidate', quantity: 'length', plausible: [3, 60] },
    ...([1, 2] as const).flatMap((n): Field[] => [
      {
        key: `span${n}`,
        label: `Span over some teeth, ${n === 1 ? 'original' : 'candidate'}`,
        hint: 'calliper jaws flat on the flanks',
        quantity: 'length',
        rare: true,
        plausible: [1, 60],
      },
      {
        key: `spanMore${n}`,
        label: `Span over one tooth more, ${n === 1 ? 'original' : 'candidate'}`,
        quantity: 'length',
        rare: true,
        plausible: [1, 60],
      },
    ]),
    { key: 'broken', label: 'Teeth broken off', quantity: 'count' },
    { key: 'found', label: 'Broken teeth found', quantity: 'count' },
    { key: 'run', label: 'Motor current, running', quantity: 'current', rare: true, plausible: [0.01, 2] },
    {
      key: 'stall',
      label: 'Motor current, stalled',
      hint: 'a moment only',
      quantity: 'current',
      rare: true,
      plausible: [0.05, 3],
    },
    { key: 'travel', label: 'Time to lift the disk', quantity: 'time', rare: true, plausible: [0.2, 5] },
  ],
  formulas: [
    'Module = outside diameter ÷ (teeth + 2), ISO 53 basic rack, where the gear has no profile shift; within 3 % they mesh.',
    'Module by spans = (span over one tooth more − span) ÷ (π cos 20°), whatever the shift.',
    'Teeth broken must equal teeth found.',
  ],
  judge,
}
