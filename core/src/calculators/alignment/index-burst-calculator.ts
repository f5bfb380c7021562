import { ParameterError } from '../../base/errors'
import { plain, type Call } from '../../base/observations'
import { maybe, num, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

function judge(v: Values): CalculatorResult {
  const [seen, rpm] = [num(v, 'seen') * 1e6, num(v, 'rpm')]
  if (rpm <= 0) throw new ParameterError(`${rpm} r/min`, 'a speed above 0', { field: 'rpm' })
  const nominal = (maybe(v, 'nominal') ?? 200e-6) * 1e6
  const allowed = (maybe(v, 'allowed') ?? 100e-6) * 1e6
  const nominalRpm = maybe(v, 'nominalRpm') ?? rpm
  // At another speed the same angle takes another time.
  const atNominal = (seen * rpm) / nominalRpm
  const off = atNominal - nominal
  const degrees = off * 1e-6 * nominalRpm * 6
  const radius = maybe(v, 'radius')
  const lines: CalculatorLine[] = [
    { label: 'Burst after index, at nominal speed', value: atNominal, unit: 'µs' },
    {
      label: off >= 0 ? 'Late by' : 'Early by',
      value: Math.abs(off),
      unit: 'µs',
      note: `${plain(Math.abs(degrees))}° of a revolution`,
    },
  ]
  if (radius !== undefined)
    lines.push({
      label: 'Sensor to be moved',
      value: ((Math.abs(degrees) * Math.PI) / 180) * radius,
      unit: 'mm',
      note: 'along its circle',
    })
  const inner = maybe(v, 'inner')
  const skew = inner === undefined ? undefined : Math.abs(inner * 1e6 - seen)
  if (skew !== undefined)
    lines.push({
      label: 'Outer against inner',
      value: skew,
      unit: 'µs',
      note: 'the heads’ way is not radial where they differ',
    })
  return {
    call: callOf(off, allowed, nominal, skew),
    lines,
    observations: [
      {
        key: 'align.index',
        label: 'Index to data',
        value: Number(atNominal.toFixed(0)),
        unit: 'µs',
        how: `at ${plain(rpm)} r/min`,
      },
    ],
  }
}

function callOf(off: number, allowed: number, nominal: number, skew?: number): Call {
  const says = `The burst comes ${plain(Math.abs(off))} µs ${off >= 0 ? 'late' : 'early'}`
  if (skew !== undefined && skew > allowed)
    return {
      kind: 'mend',
      reasons: [`Outer and inner bursts differ by ${plain(skew)} µs: the heads do not move along a radius.`],
      next: 'Look at guide rail and carriage before the sensor is touched.',
    }
  return Math.abs(off) <= allowed
    ? {
        kind: 'leave',
        reasons: [`${says}, inside ±${plain(allowed)} µs of ${plain(nominal)} µs.`],
        next: 'Leave it: soft-sectored disks hardly mind.',
      }
    : {
        kind: 'nudge',
        reasons: [`${says}, outside ±${plain(allowed)} µs of ${plain(nominal)} µs.`],
        next: 'Move the index sensor along its circle; only disks that count on the index mind it.',
      }
}

/** Index burst, to microseconds and the way that the sensor has to go. */
export const indexBurstCalculator: Calculator = {
  id: 'index-burst',
  title: 'Index burst',
  station: 'align',
  group: 'Instrument method',
  purpose: 'How late data come after the index, at the right speed, and how far the sensor has to go.',
  fields: [
    {
      key: 'seen',
      label: 'Burst after index',
      quantity: 'time',
      required: true,
      signed: true,
      plausible: [-0.002, 0.005],
    },
    { key: 'rpm', label: 'Speed now', quantity: 'speed', required: true, plausible: [200, 460] },
    {
      key: 'nominalRpm',
      label: 'Nominal speed',
      hint: 'as now, if not given',
      quantity: 'speed',
      plausible: [200, 460],
    },
    { key: 'nominal', label: 'It should come after', hint: '200 µs if not given, from memory', quantity: 'time' },
    { key: 'allowed', label: 'Allowed either way', hint: '100 µs if not given, from memory', quantity: 'time' },
    { key: 'radius', label: 'Radius of the sensor', quantity: 'length', rare: true, plausible: [8, 60] },
    { key: 'inner', label: 'The same at an inner track', quantity: 'time', rare: true, signed: true },
  ],
  formulas: [
    'Time at nominal speed = time × speed ÷ nominal; angle = time × r/min × 6°; way of the sensor = angle × radius.',
  ],
  judge,
}
