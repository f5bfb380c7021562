import { totalsOf, type TrackReading } from './track-reading'

/** One bar of a rail, as the log keeps it: cylinder, head, margin in percent (−1 for none), sectors good, bad, missing, foreign. */
export type RailBar = readonly [
  cylinder: number,
  head: 0 | 1,
  marginPercent: number,
  good: number,
  bad: number,
  missing: number,
  foreign: number,
]

export const railBars = (tracks: readonly TrackReading[]): RailBar[] =>
  tracks.map(t => {
    const n = totalsOf([t])
    return [
      t.cylinder,
      t.head,
      t.margin === null ? -1 : Math.max(0, Math.round(t.margin * 100)),
      n.good,
      n.bad,
      n.missing,
      n.foreign,
    ]
  })
