/** How far a clock is from another one, parts in a million. */
export interface ClockOff {
  readonly ppm: number
  /** Half-width of its 95 % interval. */
  readonly uncertainty: number
}

/** The first blocks of a sound come as they like, s. */
const SETTLES_S = 2
const FEWEST = 100
/** Blocks that follow each other are late together: as if only one in so many counted. */
const TOGETHER = 10

/**
 * Compares the clock of a sound input with the computer's: a straight line through the times at which its blocks came.
 * Least squares, a block at a time.
 */
export class ClockCompare {
  private n = 0
  private x0 = 0
  private y0 = 0
  private x = 0
  private y = 0
  private xx = 0
  private xy = 0
  private yy = 0

  /** @param soundS time of the sound so far, s @param computerS the computer's clock, s */
  add(soundS: number, computerS: number): void {
    if (soundS < SETTLES_S) return
    if (this.n === 0) [this.x0, this.y0] = [computerS, soundS]
    const [x, y] = [computerS - this.x0, soundS - this.y0]
    this.n++
    this.x += x
    this.y += y
    this.xx += x * x
    this.xy += x * y
    this.yy += y * y
  }

  /** Null while too little came. */
  off(): ClockOff | null {
    const { n, x, y } = this
    if (n < FEWEST) return null
    const [sxx, sxy, syy] = [this.xx - (x * x) / n, this.xy - (x * y) / n, this.yy - (y * y) / n]
    const slope = sxy / sxx
    const rest = Math.max(0, syy - slope * sxy) / (n - 2)
    return { ppm: (slope - 1) * 1e6, uncertainty: 2e6 * Math.sqrt((TOGETHER * rest) / sxx) }
  }
}
