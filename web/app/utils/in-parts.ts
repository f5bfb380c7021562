/** Rows of a part: a screen's worth and more, laid out well within a key's patience. */
const ROWS = 40

/** A long list in parts, for drawing one after the other. */
export const inParts = <T>(list: readonly T[], rows = ROWS): T[][] =>
  Array.from({ length: Math.ceil(list.length / rows) }, (_, i) => list.slice(i * rows, (i + 1) * rows))
