/** How a disk is held in, as it is seen from the front. */
export type Closes = 'lever' | 'button' | 'motor' | 'hatch'
/** Plug at the rear, by how it looks. */
export type PlugSeen = '50' | '34-edge' | '34-pins' | '20' | 'round' | 'wide' | 'few'
export type HeightSeen = 'full' | 'half' | 'slim'

/**
 * What is seen of a usual drive without opening it. Sizes are rounded, in mm, from memory, apart from what the
 * disk's size gives.
 */
export interface Front {
  readonly widthMm: number
  readonly heightMm: number
  readonly slotMm: number
  readonly closes: readonly Closes[]
  readonly plugs: readonly PlugSeen[]
  readonly heights: readonly HeightSeen[]
  /** What must not be taken for granted of one, whole sentences. */
  readonly assume: readonly string[]
}
