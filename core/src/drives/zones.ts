/** Where on the surface: the outer, the middle and the inner cylinders. */
export const ZONES = ['outer', 'middle', 'inner'] as const
export type Zone = (typeof ZONES)[number]

/** Zone of a cylinder: thirds of so many cylinders. */
export const zoneOfCylinder = (cylinder: number, cylinders: number): Zone =>
  ZONES[Math.min(2, Math.floor((3 * cylinder) / cylinders))]!
