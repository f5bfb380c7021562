import { lowerBound } from '../../base/numbers'
import { THRESHOLD, type HeadView } from '../../signals/head'
import type { QuickGauss } from '../gauss'

/**
 * Pulses of the read line while the disk turns from one angle to another.
 * @param fromTurn, toTurn angles in turns, not further apart than one; @param fromS, toS times of both
 * @param asymmetryS how much later every second pulse comes, s
 * @param out called with the time of each pulse
 */
export function readArc(
  view: HeadView,
  fromTurn: number,
  toTurn: number,
  fromS: number,
  toS: number,
  gauss: QuickGauss,
  noise: number,
  asymmetryS: number,
  out: (t: number) => void,
): void {
  const { track, signal, jitterCells } = view
  const { at, cells } = track
  const start = Math.floor(fromTurn)
  const perCell = (toS - fromS) / ((toTurn - fromTurn) * cells)
  const threshold = THRESHOLD / signal
  const rough = noise / signal
  const [from, to] = [(fromTurn - start) * cells, (toTurn - start) * cells]
  const base = fromS - from * perCell
  for (let lap = 0; lap < 2; lap++) {
    const [low, high] = [from - lap * cells, to - lap * cells]
    if (high <= 0) break
    for (let i = lowerBound(at, low); i < at.length; i++) {
      const cell = at[i]!
      if (cell >= high) break
      const height = track.height[i]!
      // A peak that noise keeps below the comparator makes no pulse.
      if (height + rough * gauss.next() < threshold) continue
      const side = i & 1 ? asymmetryS / 2 : -asymmetryS / 2
      out(side + base + (cell + lap * cells + 0.5 + track.shift[i]! + (jitterCells / height) * gauss.next()) * perCell)
    }
  }
}
