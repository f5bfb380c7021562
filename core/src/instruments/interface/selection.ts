import type { EdgeList } from '../../signals/captures'
import { isLow, lowShare } from './levels'
import type { BusLines, LineName } from './lines'

/** A status line follows SELECT within this time, s. */
export const FOLLOWS_S = 1e-4
/** The output stage takes a moment to let go, s. */
const LETS_GO_S = 5e-4

/** Stretches in which the drive is or is not selected; selected throughout where the line was not recorded. */
export function stretches(
  lines: BusLines,
  durationS: number,
  selected: boolean,
): { readonly from: number; readonly to: number }[] {
  const { select } = lines
  if (!select) return selected ? [{ from: 0, to: durationS }] : []
  const cuts = [0, ...select.times, durationS]
  return cuts
    .slice(1)
    .map((to, i) => ({ from: cuts[i]!, to }))
    .filter(s => s.to > s.from && isLow(select, s.from) === selected)
}

/** Which levels a line had while the drive was selected. */
export function statesWhileSelected(
  lines: BusLines,
  line: EdgeList,
  durationS: number,
): { readonly low: boolean; readonly high: boolean } {
  const shares = stretches(lines, durationS, true).map(s => lowShare(line, s.from + FOLLOWS_S, s.to))
  return { low: shares.some(s => s > 0.001), high: shares.some(s => s < 0.999) }
}

/** How long the drive was not selected, stretches of a moment left out, s. */
export const unselectedS = (lines: BusLines, durationS: number): number =>
  idle(lines, durationS).reduce((n, s) => n + s.to - s.from, 0)

/** Share of the time without select in which a status line is low all the same; 0 where there is too little of it. */
export function ungatedShare(lines: BusLines, line: LineName, durationS: number): number {
  const total = unselectedS(lines, durationS)
  return total > 0.01
    ? idle(lines, durationS).reduce(
        (n, s) => n + lowShare(lines[line]!, s.from + LETS_GO_S, s.to) * (s.to - s.from),
        0,
      ) / total
    : 0
}

const idle = (lines: BusLines, durationS: number) =>
  stretches(lines, durationS, false).filter(s => s.to - s.from > 1e-3)
