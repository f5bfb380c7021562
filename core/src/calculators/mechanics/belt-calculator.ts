import { ParameterError } from '../../base/errors'
import type { Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'
import { beltPath, type BeltPath, type PathPulley } from './belt-path'

/** How much a belt is stretched when it is fitted: too slack below, too tight above. From memory; makers differ. */
export const STRETCH = {
  square: { label: 'square, rubber', least: 0.02, aim: 0.05, most: 0.08 },
  flat: { label: 'flat, rubber', least: 0.02, aim: 0.04, most: 0.07 },
  reinforced: { label: 'flat, reinforced with fabric or cord', least: 0.003, aim: 0.01, most: 0.015 },
  polyurethane: { label: 'round, polyurethane', least: 0.03, aim: 0.06, most: 0.1 },
} as const
export type BeltMaterial = keyof typeof STRETCH
export const isMaterial = (s: unknown): s is BeltMaterial => typeof s === 'string' && s in STRETCH

/** Where the pulleys lie, at the belt's neutral line: half a section outside each pulley. */
export function beltLayout(v: Values): PathPulley[] {
  const half = num(v, 'section') / 2
  const [d, flywheel, centre] = [num(v, 'motor'), num(v, 'flywheel'), num(v, 'centre')]
  if (d <= 0 || flywheel <= 0 || centre <= 0 || half <= 0)
    throw new ParameterError('a size of nothing', 'sizes above 0 mm', {
      field: d <= 0 ? 'motor' : flywheel <= 0 ? 'flywheel' : centre <= 0 ? 'centre' : 'section',
    })
  if (centre <= (d + flywheel) / 2)
    throw new ParameterError(
      `pulleys of ${d} and ${flywheel} mm overlap at ${centre} mm between centres`,
      `more than ${(d + flywheel) / 2} mm`,
      { field: 'centre' },
    )
  const pulleys: PathPulley[] = [
    { x: 0, y: 0, r: d / 2 + half },
    { x: centre, y: 0, r: flywheel / 2 + half },
  ]
  const idler = maybe(v, 'idler')
  if (idler === undefined) return pulleys
  const [x, y] = [maybe(v, 'idlerX'), maybe(v, 'idlerY')]
  if (x === undefined || y === undefined)
    throw new ParameterError(
      'the idler’s place is left out',
      'how far along and how far beside the line between the centres',
      { field: 'idlerX' },
    )
  // The belt runs anticlockwise: out along the near side, back along the far side, where the idler stands.
  return [...pulleys, { x, y: Math.abs(y), r: idler / 2 + half, outside: v.idlerSide === 'back' }]
}

interface Ordered {
  readonly path: BeltPath
  readonly orderMm: number
  readonly leastMm: number
  readonly mostMm: number
}

/** Inside lengths that serve, with the one to order, mm. @throws ParameterError where the sizes cannot be */
export function lengthRange(v: Values): {
  readonly leastMm: number
  readonly orderMm: number
  readonly mostMm: number
} {
  const { path: _, ...lengths } = order(v)
  return lengths
}

/**
 * Inside length of a belt that is stretched so much on a path, mm: its neutral line relaxed, less π times its
 * section.
 */
export const insideLength = (pathMm: number, stretch: number, sectionMm: number): number =>
  pathMm / (1 + stretch) - Math.PI * sectionMm
/** Stretch of a belt of an inside length on a path. */
export const beltStretch = (pathMm: number, insideMm: number, sectionMm: number): number =>
  pathMm / (insideMm + Math.PI * sectionMm) - 1

function order(v: Values): Ordered {
  const path = beltPath(beltLayout(v))
  const s = STRETCH[isMaterial(v.material) ? v.material : 'square']
  const t = num(v, 'section')
  return {
    path,
    orderMm: insideLength(path.length, s.aim, t),
    leastMm: insideLength(path.length, s.most, t),
    mostMm: insideLength(path.length, s.least, t),
  }
}

/** Turns of each part for one turn of the spindle. */
export function beltRates(v: Values): { readonly ratio: number; readonly beltPerTurn: number } {
  const t = num(v, 'section')
  const ratio = (num(v, 'flywheel') + t) / (num(v, 'motor') + t)
  return { ratio, beltPerTurn: (Math.PI * (num(v, 'flywheel') + t)) / beltPath(beltLayout(v)).length }
}

function judge(v: Values): CalculatorResult {
  const { path, orderMm, leastMm, mostMm } = order(v)
  const s = STRETCH[isMaterial(v.material) ? v.material : 'square']
  const { ratio, beltPerTurn } = beltRates(v)
  const spindle = maybe(v, 'spindle') ?? 300
  const lines: CalculatorLine[] = [
    { label: 'Path along the belt’s middle', value: path.length, unit: 'mm', note: 'tangents and arcs, exactly' },
    {
      label: 'Inside length to order',
      value: orderMm,
      unit: 'mm',
      note: `at ${(s.aim * 100).toFixed(0)} % stretch; ${leastMm.toFixed(1)} to ${mostMm.toFixed(1)} mm serve (from memory)`,
    },
    { label: 'Inside diameter to order', value: orderMm / Math.PI, unit: 'mm', note: 'as some lists have it' },
    { label: 'Motor turns for one of the spindle', value: ratio, unit: '' },
    { label: `Motor speed at ${spindle} r/min`, value: spindle * ratio, unit: 'r/min' },
    {
      label: 'Belt turns',
      value: (spindle / 60) * beltPerTurn,
      unit: 'Hz',
      note: `${beltPerTurn.toFixed(3)} for each of the spindle`,
    },
    { label: 'On the motor pulley the belt lies over', value: (path.wraps[0]! * 180) / Math.PI, unit: '°' },
  ]
  const observations: CalculatorResult['observations'] = [
    {
      key: 'belt.order',
      label: 'Belt to order, inside',
      value: Number(orderMm.toFixed(1)),
      unit: 'mm',
      how: `path ${path.length.toFixed(1)} mm, ${s.label}, section ${num(v, 'section')} mm`,
    },
    {
      key: 'belt.ratio',
      label: 'Motor turns per spindle turn',
      value: Number(ratio.toFixed(3)),
      unit: '',
      how: 'from the pulleys',
    },
  ]
  const calls: Call[] = []
  const candidate = maybe(v, 'candidate')
  if (candidate !== undefined) {
    const stretch = beltStretch(path.length, candidate, num(v, 'section'))
    lines.push({ label: 'Stretch of the one at hand', value: stretch * 100, unit: '%' })
    calls.push(fit(stretch, s, orderMm))
  }
  const motor = maybe(v, 'motorSpeed')
  if (motor !== undefined && maybe(v, 'spindle') !== undefined) {
    const slip = 1 - (spindle * ratio) / motor
    lines.push({ label: 'Slip', value: slip * 100, unit: '%', note: 'what the spindle lacks of what the motor gives' })
    calls.push(slipCall(slip))
  }
  const gravest = (['stop', 'mend', 'nudge', 'unknown', 'leave'] as const).flatMap(k =>
    calls.filter(c => c.kind === k),
  )[0]
  const call: Call = gravest
    ? { ...gravest, reasons: [...gravest.reasons, ...calls.filter(c => c !== gravest).flatMap(c => c.reasons)] }
    : {
        kind: 'unknown',
        reasons: [`A belt of ${orderMm.toFixed(1)} mm inside length is the one to order.`],
        next: `Anything from ${leastMm.toFixed(1)} to ${mostMm.toFixed(1)} mm serves; enter the one at hand to judge it.`,
      }
  return { call, lines, observations }
}

function fit(stretch: number, s: (typeof STRETCH)[BeltMaterial], orderMm: number): Call {
  const percent = `${(stretch * 100).toFixed(1)} %`
  const order = `Order ${orderMm.toFixed(0)} mm.`
  if (stretch < 0)
    return {
      kind: 'mend',
      reasons: [`It is ${(-stretch * 100).toFixed(1)} % longer than its path and hangs loose.`],
      next: order,
    }
  if (stretch < s.least)
    return {
      kind: 'mend',
      reasons: [
        `Stretched by ${percent} only, it slips: a ${s.label} belt wants ${s.least * 100} to ${s.most * 100} %.`,
      ],
      next: order,
    }
  if (stretch > s.most * 1.6)
    return {
      kind: 'stop',
      reasons: [`Stretched by ${percent}, it wears the motor’s bearings and pulls the speed down.`],
      next: order,
    }
  if (stretch > s.most)
    return {
      kind: 'mend',
      reasons: [`Stretched by ${percent}, it is too tight: bearings wear and the motor runs hot.`],
      next: order,
    }
  return {
    kind: 'leave',
    reasons: [`Stretched by ${percent}, it is snug.`],
    next: 'Fit it dry, and turn it twenty times by hand.',
  }
}

function slipCall(slip: number): Call {
  if (slip < -0.01)
    return {
      kind: 'unknown',
      reasons: [
        `The spindle is faster than its motor drives it, by ${(-slip * 100).toFixed(1)} %: a size or a speed is wrong.`,
      ],
      next: 'Measure the pulleys again, with a thread wrapped ten times.',
    }
  if (slip > 0.02)
    return {
      kind: 'mend',
      reasons: [`The belt slips by ${(slip * 100).toFixed(1)} %.`],
      next: 'Clean both pulleys dry; a tighter belt where it still slips.',
    }
  return {
    kind: 'leave',
    reasons: [`It slips by ${Math.max(0, slip * 100).toFixed(1)} %: creep of the rubber, no more.`],
    next: 'Leave it.',
  }
}

/** The belt: what to order, what one at hand does, and what turns how fast. */
export const beltCalculator: Calculator = {
  id: 'belt',
  title: 'Belt',
  station: 'drive-train',
  group: 'Belt',
  purpose: 'Which belt to order, whether the one at hand fits, and how fast everything turns.',
  fields: [
    {
      key: 'motor',
      label: 'Motor pulley',
      hint: 'diameter where the belt runs',
      quantity: 'diameter',
      required: true,
      plausible: [3, 30],
    },
    {
      key: 'flywheel',
      label: 'Flywheel',
      hint: 'or a thread: 1948 round 10',
      quantity: 'diameter',
      required: true,
      plausible: [20, 160],
    },
    { key: 'centre', label: 'Between centres', quantity: 'length', required: true, plausible: [20, 250] },
    {
      key: 'section',
      label: 'Belt section',
      hint: 'its thickness over the pulley',
      quantity: 'length',
      required: true,
      plausible: [0.3, 5],
    },
    {
      key: 'material',
      label: 'Kind of belt',
      choices: Object.entries(STRETCH).map(([value, s]) => ({ value, label: s.label })),
    },
    {
      key: 'candidate',
      label: 'One at hand, inside length',
      hint: 'laid flat, twice its length less its bends',
      quantity: 'length',
      plausible: [60, 800],
    },
    { key: 'spindle', label: 'Spindle speed', quantity: 'speed', plausible: [200, 500] },
    {
      key: 'motorSpeed',
      label: 'Motor speed',
      hint: 'measured; for the slip',
      quantity: 'speed',
      plausible: [500, 8000],
    },
    {
      key: 'idler',
      rare: true,
      label: 'Idler',
      hint: 'diameter, where there is one',
      quantity: 'length',
      plausible: [3, 40],
    },
    {
      key: 'idlerX',
      rare: true,
      label: 'Idler, along the line of centres',
      hint: 'from the motor',
      quantity: 'length',
      signed: true,
    },
    { key: 'idlerY', rare: true, label: 'Idler, beside the line', quantity: 'length', signed: true },
    {
      key: 'idlerSide',
      rare: true,
      label: 'It touches the belt',
      choices: [
        { value: 'inside', label: 'from inside' },
        { value: 'back', label: 'on its back' },
      ],
    },
  ],
  formulas: [
    'Path: straight tangents √(C² − (R − r)²) and arcs, with R and r at the belt’s middle (half a section outside the pulley).',
    'Inside length = path ÷ (1 + stretch) − π × section.',
    'Ratio = (flywheel + section) ÷ (motor pulley + section).',
  ],
  judge,
}
