import { fisherFewer } from '../../base/numbers'
import { ParameterError } from '../../base/errors'
import { plain, type Call } from '../../base/observations'
import { maybe, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/** Changes that mean something: points of the window, per cent of the speed (from memory). */
const MARGIN_FALLS = 8
const SPEED_CREEPS = 1
const SURE = 0.05

function judge(v: Values): CalculatorResult {
  const [coldMargin, warmMargin, coldRpm, warmRpm] = ['coldMargin', 'warmMargin', 'coldRpm', 'warmRpm'].map(k =>
    maybe(v, k),
  )
  const [sectors, coldErrors, warmErrors] = ['sectors', 'coldErrors', 'warmErrors'].map(k => maybe(v, k))
  for (const [key, n] of [
    ['coldErrors', coldErrors],
    ['warmErrors', warmErrors],
  ] as const) {
    if (n !== undefined && sectors === undefined)
      throw new ParameterError('errors without the sectors that were read', 'how many were read each time', {
        field: 'sectors',
      })
    if (n !== undefined && n > sectors!)
      throw new ParameterError(`${n} of ${sectors} sectors cannot have failed`, 'no more than were read', {
        field: key,
      })
  }
  const lines: CalculatorLine[] = []
  const margin = coldMargin !== undefined && warmMargin !== undefined ? warmMargin - coldMargin : null
  const creep = coldRpm !== undefined && warmRpm !== undefined ? (warmRpm / coldRpm - 1) * 100 : null
  const worse =
    sectors && coldErrors !== undefined && warmErrors !== undefined
      ? {
          warm: fisherFewer(warmErrors, sectors, coldErrors, sectors),
          cold: fisherFewer(coldErrors, sectors, warmErrors, sectors),
        }
      : null
  if (margin !== null) lines.push({ label: 'Margin, cold to warm', value: margin, unit: 'points' })
  if (creep !== null) lines.push({ label: 'Speed, cold to warm', value: creep, unit: '%' })
  if (worse)
    lines.push({
      label: 'So few cold by luck',
      value: worse.warm * 100,
      unit: '%',
      note: `${coldErrors} cold, ${warmErrors} warm, of ${sectors} each`,
    })
  return {
    call: callOf(margin, creep, worse),
    lines,
    observations: [
      {
        key: 'warm.margin',
        label: 'Cold to warm',
        value: margin === null ? 'margin not read' : Number(margin.toFixed(1)),
        unit: margin === null ? '' : 'points',
        how:
          [
            ...(creep === null ? [] : [`speed ${creep >= 0 ? '+' : '−'}${Math.abs(creep).toFixed(2)} %`]),
            ...(worse ? [`${coldErrors} and ${warmErrors} errors of ${sectors}`] : []),
          ].join('; ') || 'typed in',
      },
    ],
  }
}

function callOf(
  margin: number | null,
  creep: number | null,
  worse: { readonly warm: number; readonly cold: number } | null,
): Call {
  if (margin === null && creep === null && worse === null)
    return {
      kind: 'unknown',
      reasons: ['Cold and warm are not both there yet.'],
      next: 'Measure at once after a night off, and again after half an hour.',
    }
  if (worse && worse.warm < SURE)
    return {
      kind: 'mend',
      reasons: ['It fails warm and not cold.'],
      next: 'A joint, a capacitor or a chip that changes with heat: warm one at a time.',
    }
  if (worse && worse.cold < SURE)
    return {
      kind: 'mend',
      reasons: ['It fails cold and not warm.'],
      next: 'Old grease, a stiff belt, a dry capacitor: look at what is slow when cold.',
    }
  if (margin !== null && margin < -MARGIN_FALLS)
    return {
      kind: 'mend',
      reasons: [`The margin falls by ${plain(-margin)} points as it warms.`],
      next: 'Measure the supply warm; look at the head’s lead and the amplifier.',
    }
  if (creep !== null && Math.abs(creep) > SPEED_CREEPS)
    return {
      kind: 'unknown',
      reasons: [`The speed creeps by ${Math.abs(creep).toFixed(2)} % as it warms.`],
      next: 'Set it warm; if it creeps on, look at the motor’s bearings and board.',
    }
  return { kind: 'leave', reasons: ['Warm it is as it was cold.'], next: 'Leave it.' }
}

/** Cold against warm. */
export const warmUpCalculator: Calculator = {
  id: 'warm-up',
  title: 'Cold and warm',
  station: 'prove',
  group: 'Covers on',
  purpose: 'Whether it gets worse, or better, as it warms: margin, speed and errors before and after.',
  fields: [
    { key: 'coldMargin', label: 'Margin, cold', quantity: 'share', zero: true, plausible: [5, 100] },
    { key: 'warmMargin', label: 'Margin, warm', quantity: 'share', zero: true, plausible: [5, 100] },
    { key: 'coldRpm', label: 'Speed, cold', quantity: 'speed', plausible: [250, 3000] },
    { key: 'warmRpm', label: 'Speed, warm', quantity: 'speed', plausible: [250, 3000] },
    { key: 'sectors', label: 'Sectors read each time', quantity: 'count' },
    { key: 'coldErrors', label: 'Failed, cold', quantity: 'count' },
    { key: 'warmErrors', label: 'Failed, warm', quantity: 'count' },
  ],
  formulas: ['Fewer failures by luck: Fisher’s exact test, one-sided, on both counts.'],
  judge,
}
