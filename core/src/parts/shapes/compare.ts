import { lowerFirst, plain } from '../../base/observations'
import { shapeOf, type ShapeId } from './shapes'
import type { Measure, Measures } from './shape'

/** Whether one part can replace another by its measures. */
export interface ShapeFit {
  readonly fits: 'yes' | 'no' | 'not known'
  /** What does not agree, or what nobody has measured; empty where all agrees. */
  readonly says: string
  /** Measures that are known of both. */
  readonly compared: number
}

/** Compares what is wanted with what is there, measure by measure. */
export function compareShapes(shape: ShapeId, wanted: Measures, there: Measures): ShapeFit {
  const { measures } = shapeOf(shape)
  const both = measures.filter(m => wanted[m.id] !== undefined && there[m.id] !== undefined)
  const off = both.filter(m => !agrees(m, wanted, there))
  const open = measures.filter(m => m.must && !both.includes(m))
  const compared = both.length
  if (off.length) {
    const said = off.map(m => `${m.label}: ${told(m, there)} in place of ${told(m, wanted)}`)
    return { fits: 'no', says: said.join('; '), compared }
  }
  if (open.length)
    return { fits: 'not known', says: `Compare first: ${open.map(m => lowerFirst(m.label)).join(', ')}.`, compared }
  return { fits: 'yes', says: '', compared }
}

/** Whether one measure of what is there suits what is wanted. */
export function agrees(m: Measure, wanted: Measures, there: Measures): boolean {
  const [a, b] = [wanted[m.id]!, there[m.id]!]
  if (typeof a === 'string' || typeof b === 'string') return plainWord(a) === plainWord(b)
  if (m.rule === 'same') return a === b
  if (m.rule === 'at least') return b >= a
  if (m.rule === 'at most') return b <= a
  return Math.abs(b - a) <= m.share * Math.abs(a) + Number.EPSILON
}

const plainWord = (value: number | string): string => String(value).trim().toLowerCase().replace(/\s+/g, ' ')
const told = (m: Measure, of: Measures): string => {
  const value = of[m.id]!
  return typeof value === 'number' ? `${plain(value)}${m.unit && ` ${m.unit}`}` : value
}

/** All measures that are known, in one line. */
export const toldMeasures = (shape: ShapeId, of: Measures): string =>
  shapeOf(shape)
    .measures.filter(m => of[m.id] !== undefined)
    .map(m => `${lowerFirst(m.label)} ${told(m, of)}`)
    .join(', ')
