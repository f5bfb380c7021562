const BLOCK = 1 << 15

/** An append-only list of doubles in fixed blocks, so that growing never copies what is already there. */
export class GrowableDoubles {
  private blocks: Float64Array<ArrayBuffer>[] = []
  private last: Float64Array<ArrayBuffer> = new Float64Array(0)
  private used = 0
  length = 0

  push(value: number): void {
    if (this.used === this.last.length) {
      this.last = new Float64Array(BLOCK)
      this.blocks.push(this.last)
      this.used = 0
    }
    this.last[this.used++] = value
    this.length++
  }

  /** Removes the newest value, if there is one. */
  pop(): void {
    if (this.length === 0) return
    this.length--
    this.used--
    if (this.used === 0) {
      this.blocks.pop()
      this.last = this.blocks.at(-1) ?? new Float64Array(0)
      this.used = this.last.length
    }
  }

  /** The newest value; -Infinity when empty. */
  newest(): number {
    return this.length ? this.last[this.used - 1] : Number.NEGATIVE_INFINITY
  }

  clear(): void {
    this.blocks = []
    this.last = new Float64Array(0)
    this.used = 0
    this.length = 0
  }

  /** One array with all values; the blocks are let go on the way. */
  take(): Float64Array {
    const out = new Float64Array(this.length)
    let at = 0
    for (const block of this.blocks) {
      const n = Math.min(BLOCK, this.length - at)
      out.set(n === BLOCK ? block : block.subarray(0, n), at)
      at += n
    }
    this.clear()
    return out
  }
}
