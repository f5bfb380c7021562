/**
 * What neighbours on the track do to a transition, by laying isolated pulses over one another. A pulse is taken as
 * Lorentzian,
 * 1 / (1 + (2x / w)²) with w its width at half height: the usual model of saturation recording (from memory).
 */

/**
 * How far a neighbour pushes a peak away, in the unit of its distance. First order: slope of the neighbour over
 * curvature of the peak.
 */
export function pushBy(distance: number, width: number): number {
  const x = (2 * distance) / width
  return distance / (1 + x * x) ** 2
}

/** Peak shift of a transition between neighbours: positive is later, which a near neighbour before it makes. */
export const peakShift = (before: number, after: number, width: number): number =>
  pushBy(before, width) - pushBy(after, width)

/** Height of a peak between neighbours of the other polarity, share of an isolated one. */
export function crowdedHeight(before: number, after: number, width: number): number {
  const tail = (d: number) => 1 / (1 + ((2 * d) / width) ** 2)
  return 1 - tail(before) - tail(after)
}
