/** Where on the surface: the outer, the middle and the inner cylinders. */
export const ZONES = ['outer', 'middle', 'inner'] as const
export type Zone = (typeof ZONES)[number]
