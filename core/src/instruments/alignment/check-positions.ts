import { ParameterError } from '../../base/errors'
import type { SweepCount } from '../../log'
import { plain } from '../../base/observations'
import type { Tried } from './window'

/** What a head read at a position, as the log keeps it too. */
export type Counted = SweepCount

/** One position of an adjuster: what the lower head read, and the upper one where there is one. */
export interface SweepPosition {
  readonly position: number
  readonly lower: Counted
  readonly upper: Counted | null
  /** Side that the position was come to from; from below if not given. */
  readonly side?: 'below' | 'above'
}

/** Positions that differ so much in size are in two units. */
const MIXED = 20

/** @throws ParameterError that names the row */
export function checkPositions(positions: readonly SweepPosition[]): void {
  for (const [i, p] of positions.entries()) {
    const where = { field: `row ${i + 1}` }
    if (!Number.isFinite(p.position))
      throw new ParameterError(`row ${i + 1} has no position`, 'a number on the adjuster’s scale', where)
    for (const [name, c] of [
      ['lower', p.lower],
      ['upper', p.upper],
    ] as const) {
      if (!c) continue
      if (!Number.isInteger(c.good) || !Number.isInteger(c.expected) || c.good < 0 || c.expected < 1)
        throw new ParameterError(
          `row ${i + 1}: ${name} head ${c.good} of ${c.expected}`,
          'whole numbers of sectors, at least 1 expected',
          where,
        )
      if (c.good > c.expected)
        throw new ParameterError(
          `row ${i + 1}: ${name} head read ${c.good} sectors of ${c.expected}`,
          'no more than there are',
          where,
        )
      if (c.margin !== undefined && !(c.margin >= 0 && c.margin <= 1))
        throw new ParameterError(`row ${i + 1}: a margin of ${plain(c.margin * 100)} %`, '0 to 100 %', where)
      if (c.named !== undefined && !Number.isInteger(c.named))
        throw new ParameterError(`row ${i + 1}: headers ${c.named} cylinders off`, 'a whole number of cylinders', where)
    }
  }
  if (positions.some(p => (p.upper === null) !== (positions[0]!.upper === null)))
    throw new ParameterError('some rows have an upper head and some have none', 'both heads in every row, or one', {
      field: 'upper',
    })
  const mixed = oddOne(positions.map(p => p.position))
  if (mixed !== null)
    throw new ParameterError(
      `row ${mixed + 1} is at ${plain(positions[mixed]!.position)}, far from all others`,
      'one unit throughout: degrees, turns, tenths of mm or marks',
      { field: `row ${mixed + 1}` },
    )
}

/**
 * The one position that stands out so far that its unit must be another; null where none does, or too few were tried
 * to tell.
 */
function oddOne(at: readonly number[]): number | null {
  if (at.length < 4) return null
  for (const [i, p] of at.entries()) {
    const rest = at.filter((_, k) => k !== i)
    const [low, high] = [Math.min(...rest), Math.max(...rest)]
    if (high > low && Math.abs(p - (low + high) / 2) > MIXED * (high - low)) return i
  }
  return null
}

/** The same position, come to from the same side, that read well once and not at all another time. */
export function contradictionIn(
  heads: readonly (readonly [string, readonly (Tried & { readonly side?: string })[]])[],
): string | null {
  for (const [name, tried] of heads) {
    for (const t of tried) {
      const other = tried.find(
        o =>
          o.position === t.position && o.side === t.side && Math.abs(o.good / o.expected - t.good / t.expected) > 0.6,
      )
      if (other)
        return `At ${plain(t.position)} the ${name} head read ${t.good} of ${t.expected} once and ${other.good} of ${other.expected} another time: there is slack, or the contact changes.`
    }
  }
  return null
}
