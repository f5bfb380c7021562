import { ParameterError } from '../../base/errors'
import { lowerFirst } from '../../base/observations'

/** What a field of a sum holds; its value is kept in the unit named here. */
export const QUANTITIES = {
  length: { unit: 'mm', accepts: 'millimetres or inches, such as 62, 6.2 cm or 1/4 in' },
  diameter: {
    unit: 'mm',
    accepts: 'millimetres or inches, or a thread wrapped round it, such as 62, 2 7/16 in or 1948 round 10',
  },
  resistance: { unit: 'Ω', accepts: 'ohms, such as 220, 4k7 or 0R22' },
  capacitance: { unit: 'µF', accepts: 'microfarads, such as 10, 10u or 100n' },
  voltage: { unit: 'V', accepts: 'volts, such as 5, 1.2 V or 150 mV' },
  current: { unit: 'A', accepts: 'amperes, such as 0.5 or 20 mA' },
  wire: { unit: 'mm²', accepts: 'a gauge or an area, such as 20 AWG or 0.5 mm2' },
  speed: { unit: 'r/min', accepts: 'turns a minute, such as 300' },
  time: { unit: 's', accepts: 'seconds, such as 2, 250 ms, 5 min or 8 h' },
  share: { unit: '%', accepts: 'per cent, such as 20' },
  force: { unit: 'N', accepts: 'newtons or pounds, such as 60 or 13 lb' },
  wavelength: { unit: 'nm', accepts: 'nanometres, such as 880' },
  height: { unit: '', accepts: 'a height on the screen in any unit, such as 3.2 or 150 mV' },
  number: { unit: '', accepts: 'a number, such as 0.5' },
  count: { unit: '', accepts: 'a whole number' },
} as const
export type Quantity = keyof typeof QUANTITIES

const PREFIX: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
  k: 1e3,
  K: 1e3,
  M: 1e6,
  R: 1,
  r: 1,
  '': 1,
}
const LENGTHS: Readonly<Record<string, number>> = {
  mm: 1,
  '': 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  inch: 25.4,
  '"': 25.4,
  '″': 25.4,
  thou: 0.0254,
  mil: 0.0254,
  um: 0.001,
  µm: 0.001,
}

/**
 * Area of a wire of a gauge, mm²: ASTM B258, diameter 0.127 mm × 92^((36 − n)/39).
 * @example awgArea(20) // 0.518
 */
export const awgArea = (gauge: number): number => (Math.PI / 4) * awgDiameter(gauge) ** 2
/** Diameter of a wire of a gauge, mm (ASTM B258). */
export const awgDiameter = (gauge: number): number => 0.127 * 92 ** ((36 - gauge) / 39)

/** A plain or fractional number: “1/4”, “1 1/2”, “0,5”. */
function plain(text: string): number {
  const fraction = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(text)
  if (fraction) return Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3])
  return text === '' ? Number.NaN : Number(text.replace(',', '.'))
}

/** A number with a prefix after it or in place of its point: “4k7”, “10u”, “0R22”, “2.2 k”. */
function prefixed(text: string, bare: RegExp): number {
  const t = text.replace(bare, '').trim()
  const inside = /^(-?\d+)([pnuµμmkKMRr])(\d+)$/.exec(t)
  if (inside) return Number(`${inside[1]}.${inside[3]}`) * PREFIX[inside[2]!]!
  const after = /^(-?[\d.,]+(?:e-?\d+)?)\s*([pnuµμmkKMRr]?)$/.exec(t)
  return after ? plain(after[1]!) * PREFIX[after[2]!]! : Number.NaN
}

/**
 * Reads what a person types for a quantity.
 * @param field its label, for the sentence where it cannot be read
 * @throws ParameterError
 */
export function readQuantity(text: string, quantity: Quantity, field: string): number {
  const t = text.trim().replace('−', '-')
  const value = read(t, quantity)
  if (!Number.isFinite(value))
    throw new ParameterError(`“${text.trim()}” cannot be read as ${lowerFirst(field)}`, QUANTITIES[quantity].accepts, {
      field,
    })
  return value
}

function read(t: string, quantity: Quantity): number {
  switch (quantity) {
    case 'length': {
      const m = /^([-\d.,/ ]*\d)\s*([a-zµ"″]*)$/i.exec(t)
      return m ? plain(m[1]!.trim()) * (LENGTHS[m[2]!.toLowerCase()] ?? Number.NaN) : Number.NaN
    }
    case 'diameter': {
      // A thread of so many turns: its length is π times the diameter, times the turns.
      const thread = /^(\S.*?)\s(?:round|wraps?|turns?)\s(\d+)$/i.exec(t)
      return thread ? read(thread[1]!, 'length') / (Math.PI * Number(thread[2])) : read(t, 'length')
    }
    case 'force':
      return /lbf?$/i.test(t) ? plain(t.replace(/\s*lbf?$/i, '')) * 4.4482216 : plain(t.replace(/\s*N$/, ''))
    case 'wavelength':
      return plain(t.replace(/\s*nm$/i, ''))
    case 'wire': {
      const gauge = /^(\d+)\s*awg$|^awg\s*(\d+)$/i.exec(t)
      if (gauge) return awgArea(Number(gauge[1] ?? gauge[2]))
      return plain(t.replace(/\s*mm(?:2|²)$/i, ''))
    }
    case 'resistance':
      return prefixed(t, /\s*(?:Ω|ohms?)$/i)
    case 'capacitance': {
      const value = prefixed(t, /\s*F$/)
      // A bare number is what stands on the part: microfarads.
      return /[pnuµm]/i.test(t) ? value * 1e6 : value
    }
    case 'height':
    case 'voltage':
      return prefixed(t, /\s*V$/i)
    case 'current':
      return prefixed(t, /\s*A$/i)
    case 'speed':
      return plain(t.replace(/\s*(?:r\/min|rpm)$/i, ''))
    case 'time':
      if (/h(?:ours?)?$/i.test(t)) return plain(t.replace(/\s*h(?:ours?)?$/i, '')) * 3600
      return /m$|min$/i.test(t) ? plain(t.replace(/\s*m(?:in)?$/i, '')) * 60 : prefixed(t, /\s*s$/i)
    case 'share':
      return plain(t.replace(/\s*%$/, ''))
    case 'number':
      return plain(t)
    case 'count':
      return /^-?\d+$/.test(t) ? Number(t) : Number.NaN
  }
}
