/** Kinds of things that are marked before they are touched, in words. */
export const AS_FOUND_KINDS = {
  connector: 'Connector',
  strap: 'Strap',
  terminator: 'Terminator',
  wire: 'Wire',
  screw: 'Screw',
  tie: 'Tie',
  loose: 'Loose part',
  solder: 'Solder point',
  part: 'Part or cover',
} as const

export type AsFoundKind = keyof typeof AS_FOUND_KINDS

/** One thing as it was found. Which fields matter depends on its kind; the rest are empty. */
export interface AsFoundItem {
  readonly kind: AsFoundKind
  /** What it is: “34-pin data”, “DS0”, “upper board”. */
  readonly name: string
  /** Connector: which end pin 1 is at. Strap, terminator: set, open, a position. Loose part: where it was put. */
  readonly state: string
  /** Screw, tie, part: what it holds, and how many and which kind. */
  readonly detail: string
  /** Wire: its colour, where it comes from and goes to, and what was measured on it. */
  readonly colour: string
  readonly from: string
  readonly to: string
  readonly measured: string
  /** Id of the as-found entry of what lies in front of it and has to come off first, or null. */
  readonly behind: string | null
  /** Where it is on a photo: the photo's entry, and the place as shares of its width and height. */
  readonly mark: { readonly photo: string; readonly x: number; readonly y: number } | null
}
