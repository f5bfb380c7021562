import { median, medianAbsoluteDeviation } from '../../base/numbers'

/** A picture as brightness, row by row, 0 to 255. */
export interface Grey {
  readonly width: number
  readonly height: number
  readonly values: ArrayLike<number>
}

/** A spot that became brighter from one picture to the other. */
export interface Glow {
  /** Where, as shares of width and height. */
  readonly x: number
  readonly y: number
}

/** The spot is looked for in squares of so many pixels. */
const SQUARE = 3
/** A glow rises by this much at least, and stands so far out of the scatter. */
const RISE = 12
const CLEAR = 10
/** Where more of the picture than this became brighter, the light of the room did, or the camera moved. */
const MOST_OF_IT = 0.05

/** What two pictures of one place show: a spot that glows in the second, nothing, or that they cannot be compared. */
export type GlowSeen = { readonly glow: Glow } | { readonly glow: null; readonly moved: boolean }

/**
 * Whether something glows in one picture that does not in the other: an infrared LED under power, seen by a camera in
 * the dark.
 * @param off taken without power @param on taken with power, camera and room as they were
 */
export function findGlow(off: Grey, on: Grey): GlowSeen {
  const { width, height } = on
  if (off.width !== width || off.height !== height) return { glow: null, moved: true }
  const [across, down] = [Math.floor(width / SQUARE), Math.floor(height / SQUARE)]
  const rises = new Float64Array(across * down)
  for (let r = 0; r < down; r++)
    for (let c = 0; c < across; c++) {
      let sum = 0
      for (let y = r * SQUARE; y < (r + 1) * SQUARE; y++)
        for (let x = c * SQUARE; x < (c + 1) * SQUARE; x++)
          sum += on.values[y * width + x]! - off.values[y * width + x]!
      rises[r * across + c] = sum / SQUARE ** 2
    }
  const middle = median(rises)
  const scatter = Math.max(0.3, 1.4826 * medianAbsoluteDeviation(rises))
  let best = 0
  let changed = 0
  for (let i = 0; i < rises.length; i++) {
    if (rises[i]! > rises[best]!) best = i
    if (Math.abs(rises[i]!) > RISE) changed++
  }
  if (changed > MOST_OF_IT * rises.length || Math.abs(middle) > RISE) return { glow: null, moved: true }
  const rise = rises[best]! - middle
  if (rise < RISE || rise < CLEAR * scatter) return { glow: null, moved: false }
  return {
    glow: {
      x: ((best % across) + 0.5) * (SQUARE / width),
      y: (Math.floor(best / across) + 0.5) * (SQUARE / height),
    },
  }
}
