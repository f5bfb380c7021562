import { ParameterError } from '../../base/errors'
import type { Call } from '../../base/observations'
import { maybe, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/** Module of a spur gear from its outside diameter: d = m (z + 2), ISO 53 basic rack. */
export const gearModule = (outsideMm: number, teeth: number): number => outsideMm / (teeth + 2)

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
  if (broken !== undefined)
    lines.push({ label: 'Broken teeth not found', value: Math.max(0, broken - (found ?? 0)), unit: '' })
  const [run, stall] = [maybe(v, 'run'), maybe(v, 'stall')]
  if (run !== undefined && stall !== undefined)
    lines.push({ label: 'Stall over running', value: stall / run, unit: '×' })
  return {
    call: callOf(v, z1, z2, m1, m2),
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

function callOf(v: Values, z1?: number, z2?: number, m1?: number, m2?: number): Call {
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
  if (m1 !== undefined && m2 !== undefined && Math.abs(m2 / m1 - 1) > 0.03)
    return {
      kind: 'mend',
      reasons: [`Its module is ${m2.toFixed(2)} mm in place of ${m1.toFixed(2)}: it would grind or skip.`],
      next: 'Another gear.',
    }
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
  if (m1 !== undefined && m2 !== undefined)
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
    'Module = outside diameter ÷ (teeth + 2), ISO 53 basic rack; within 3 % they mesh.',
    'Teeth broken must equal teeth found.',
  ],
  judge,
}
