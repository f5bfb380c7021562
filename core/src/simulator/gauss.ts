import { Random } from './random'

const SIZE = 1 << 16
let table: Float32Array | null = null

/** Normal deviates from a table, for noise on every transition: fast, and the same for the same seed. */
export class QuickGauss {
  private state: number
  private readonly values: Float32Array

  constructor(seed: number) {
    if (!table) {
      const random = new Random(0x6a55)
      table = Float32Array.from({ length: SIZE }, () => random.gaussian())
    }
    this.values = table
    this.state = (seed ^ 0x9e3779b9) | 1
  }

  next(): number {
    // Xorshift (Marsaglia 2003): its upper bits choose a place in the table.
    let x = this.state
    x ^= x << 13
    x ^= x >>> 17
    x ^= x << 5
    this.state = x
    return this.values[x >>> 16]!
  }
}
