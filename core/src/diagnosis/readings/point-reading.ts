import { POINT_UNITS } from '../../drives/models'
import type { Reading } from './readings'

/** Prefix of the readings at a model's test points. */
export const POINT = 'point.'
const KEY = /^point\.[a-z0-9-]{1,50}$/

/**
 * A reading at a test point, which its model's sheet names: a number in its unit, or any word. Null for any other key.
 */
export function pointReading(key: string, label?: string, unit: string = ''): Reading | null {
  if (!KEY.test(key) || !(POINT_UNITS as readonly string[]).includes(unit)) return null
  return {
    key,
    label: label?.trim() || key.slice(POINT.length),
    unit,
    kind: unit === '' ? 'text' : 'number',
    station: 'electronics',
    least: -1e6,
    most: 1e9,
    ways: [
      // A cheap multimeter: 1 % of the value.
      { source: 'meter', by: 'a multimeter', uncertainty: 0.01, share: true, from: 'from memory' },
      { source: 'probe', by: 'a logic probe', uncertainty: null, from: 'from memory' },
      { source: 'hand', by: '', uncertainty: null, from: 'from memory' },
    ],
  }
}
