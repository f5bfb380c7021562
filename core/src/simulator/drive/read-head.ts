import { above, lowerBound } from '../../base/numbers'
import { extraCrossings, THRESHOLD, type HeadView } from '../../signals/head'
import type { QuickGauss } from '../gauss'

/** What the amplifier does beside amplifying. */
export interface ReadChannel {
  /** How much later every second pulse comes, s. */
  readonly asymmetryS: number
  readonly levelDetector: boolean
  readonly gainControl: boolean
}
export const PLAIN_CHANNEL: ReadChannel = { asymmetryS: 0, levelDetector: true, gainControl: false }

/** Extra pulses between two far peaks by the cells between them; worked out once for a track and a noise. */
const shoulderTables = new WeakMap<HeadView['track'], Map<string, number>>()

function shoulders(track: HeadView['track'], gap: number, noise: number): number {
  const table = shoulderTables.get(track) ?? new Map<string, number>()
  shoulderTables.set(track, table)
  const key = `${gap} ${noise.toFixed(3)}`
  const known = table.get(key) ?? extraCrossings(gap / track.pulseCells, noise)
  table.set(key, known)
  return known
}

/**
 * Pulses of the read line while the disk turns from one angle to another.
 * @param fromTurn, toTurn angles in turns, not further apart than one; @param fromS, toS times of both
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
  channel: ReadChannel,
  out: (t: number) => void,
): void {
  const { track, signal, disturbance } = view
  const { at, cells } = track
  const start = Math.floor(fromTurn)
  const perCell = (toS - fromS) / ((toTurn - fromTurn) * cells)
  const threshold = channel.gainControl ? THRESHOLD : THRESHOLD / signal
  const rough = (noise * track.roughness) / signal
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
      const side = i & 1 ? channel.asymmetryS / 2 : -channel.asymmetryS / 2
      const off = track.shift[i]! + disturbance * track.jitter[i]! * gauss.next()
      out(side + base + (cell + lap * cells + 0.5 + off) * perCell)
      if (channel.levelDetector || i + 1 >= at.length) continue
      // Crossings come in pairs: the slope turns, and turns back.
      const gap = at[i + 1]! - cell
      for (let pairs = shoulders(track, gap, rough) / 2; pairs > 0; pairs--) {
        if (pairs < 1 && above(gauss.next()) > pairs) continue
        const place = gap * (0.5 + 0.12 * gauss.next())
        for (const wide of [-0.12, 0.12])
          out(base + (cell + lap * cells + 0.5 + place + wide * track.pulseCells) * perCell)
      }
    }
  }
}
