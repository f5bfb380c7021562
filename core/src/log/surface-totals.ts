import type { SurfaceBar } from './entry-data'

/** What the tracks of a surface come to. */
export interface SurfaceTotals {
  readonly good: number
  /** Good, bad and missing ones. */
  readonly sectors: number
  readonly wrongCylinder: number
  /** Least timing margin, share of the half window; null where a track read nothing. */
  readonly leastMargin: number | null
}

/** Sums over the tracks of a surface; no tracks have no margin. */
export function surfaceTotals(bars: readonly SurfaceBar[]): SurfaceTotals {
  const sum = (of: (b: SurfaceBar) => number) => bars.reduce((n, b) => n + of(b), 0)
  const margins = bars.flatMap(b => (b.margin === null ? [] : [b.margin]))
  return {
    good: sum(b => b.good),
    sectors: sum(b => b.good + b.bad + b.missing),
    wrongCylinder: sum(b => b.wrongCylinder),
    leastMargin: margins.length && margins.length === bars.length ? Math.min(...margins) : null,
  }
}
