/** Frame of a usual drive, rounded, mm: from memory, apart from disk sizes that their names give. */
export interface Frame {
  readonly w: number
  readonly d: number
  readonly disk: number
  readonly shell: readonly [w: number, d: number] | null
  readonly spindleY: number
  readonly drive: 'belt' | 'direct'
  readonly carriage: 'lead screw' | 'steel band' | 'spiral cam' | 'voice coil'
  /** Where its heads run, mm from the spindle, where the catalogue does not say. */
  readonly zone?: readonly [outer: number, inner: number]
}
