import { shapeOf, type Measure, type Measures, type ShapeId } from '../shapes'

/** What one measure may be; of words the word itself. */
export interface Range {
  readonly least: number
  readonly most: number
  readonly word: string | null
}

/** Everything that would serve a want: a range for each measure that is known. */
export type Box = ReadonlyMap<string, Range>

/** What would serve in the place of a part of these measures. */
export function boxOf(shape: ShapeId, measures: Measures): Box {
  return new Map(
    shapeOf(shape).measures.flatMap((m): [string, Range][] => {
      const value = measures[m.id]
      return value === undefined ? [] : [[m.id, rangeOf(m, value)]]
    }),
  )
}

function rangeOf(m: Measure, value: number | string): Range {
  if (typeof value === 'string') return { least: 0, most: 0, word: value }
  const word = null
  if (m.rule === 'same') return { least: value, most: value, word }
  if (m.rule === 'at least') return { least: value, most: Infinity, word }
  if (m.rule === 'at most') return { least: 0, most: value, word }
  return { least: value * (1 - m.share), most: value * (1 + m.share), word }
}

/** What serves both; null where nothing does. */
export function meet(a: Box, b: Box): Box | null {
  const out = new Map(a)
  for (const [id, r] of b) {
    const mine = out.get(id)
    if (!mine) {
      out.set(id, r)
      continue
    }
    if (mine.word?.toLowerCase() !== r.word?.toLowerCase()) return null
    const both = { least: Math.max(mine.least, r.least), most: Math.min(mine.most, r.most), word: mine.word }
    if (both.least > both.most + Number.EPSILON) return null
    out.set(id, both)
  }
  return out
}
