/**
 * A seeded source of random numbers: the same seed gives the same drive on every machine (mulberry32, public domain).
 */
export class Random {
  private state: number
  private spare: number | null = null

  constructor(seed: number) {
    this.state = seed >>> 0
  }

  /** Even between 0 (with) and 1 (without). */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0
    let t = this.state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }

  /** Normal with mean 0 and deviation 1 (Box and Muller). */
  gaussian(): number {
    if (this.spare !== null) {
      const kept = this.spare
      this.spare = null
      return kept
    }
    const r = Math.sqrt(-2 * Math.log(1 - this.next()))
    const a = 2 * Math.PI * this.next()
    this.spare = r * Math.sin(a)
    return r * Math.cos(a)
  }
}
