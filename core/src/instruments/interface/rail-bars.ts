import type { SurfaceBar } from '../../log'
import { totalsOf, type TrackReading } from './track-reading'

/** Tracks as the log keeps them, one bar of the rail each. */
export const railBars = (tracks: readonly TrackReading[]): SurfaceBar[] =>
  tracks.map(t => {
    const { good, bad, missing, foreign } = totalsOf([t])
    const margin = t.margin === null ? null : Math.max(0, Number(t.margin.toFixed(3)))
    return { cylinder: t.cylinder, head: t.head, margin, good, bad, missing, wrongCylinder: foreign }
  })
