import { ParameterError } from '../../base/errors'

/**
 * A pulley that a belt runs over: its place, its radius at the belt's neutral line, and whether the belt wraps it
 * from outside.
 */
export interface PathPulley {
  readonly x: number
  readonly y: number
  readonly r: number
  /** The belt's back runs on it: an idler that presses from outside. */
  readonly outside?: boolean
}

export interface BeltPath {
  /** Along the neutral line, in the unit of the pulleys. */
  readonly length: number
  /** Straight runs, from pulley to pulley in their order. */
  readonly runs: readonly {
    readonly x1: number
    readonly y1: number
    readonly x2: number
    readonly y2: number
    readonly length: number
  }[]
  /** Angle over which the belt lies on each pulley, rad. */
  readonly wraps: readonly number[]
}

/**
 * The path of a belt round pulleys in their order, anticlockwise: straight tangents and arcs, exactly. Between two
 * pulleys on the same side of the belt the tangent is an outer one, otherwise it crosses.
 * @throws ParameterError where two pulleys overlap or the belt cannot run so
 */
export function beltPath(pulleys: readonly PathPulley[]): BeltPath {
  const n = pulleys.length
  if (n < 2) throw new ParameterError('a belt needs two pulleys', 'at least two', { field: 'pulleys' })
  const sense = (p: PathPulley) => (p.outside ? -1 : 1)
  const runs = pulleys.map((a, i) => {
    const b = pulleys[(i + 1) % n]!
    const [dx, dy] = [b.x - a.x, b.y - a.y]
    const distance = Math.hypot(dx, dy)
    // Signed radii: along the belt's way, the pulley lies to its left where it wraps anticlockwise.
    const [ra, rb] = [sense(a) * a.r, sense(b) * b.r]
    const across = ra - rb
    if (
      distance <= Math.abs(a.r - b.r) ||
      (sense(a) !== sense(b) && distance <= a.r + b.r) ||
      distance < (a.r + b.r) * 0.999
    )
      throw new ParameterError('two pulleys overlap', 'centres further apart than their radii together', {
        field: 'pulleys',
      })
    const run = Math.sqrt(distance ** 2 - across ** 2)
    // The normal that points from the belt's line to the centres' side.
    const along = Math.atan2(dy, dx) + Math.asin(across / distance)
    const [nx, ny] = [Math.sin(along), -Math.cos(along)]
    return { x1: a.x + nx * ra, y1: a.y + ny * ra, x2: b.x + nx * rb, y2: b.y + ny * rb, length: run, angle: along }
  })
  const wraps = pulleys.map((p, i) => {
    const [before, after] = [runs[(i + n - 1) % n]!.angle, runs[i]!.angle]
    const turn = (after - before) * sense(p)
    const wrap = ((turn % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)
    return wrap > 2 * Math.PI - 1e-9 ? 0 : wrap
  })
  const length = runs.reduce((s, r) => s + r.length, 0) + wraps.reduce((s, w, i) => s + w * pulleys[i]!.r, 0)
  return { length, runs: runs.map(({ angle: _, ...r }) => r), wraps }
}
