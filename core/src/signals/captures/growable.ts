const FIRST = 1 << 12

/** An append-only list of doubles. It grows by doubling at first, and without a copy once it is large. */
export class GrowableDoubles {
  private values: Float64Array<ArrayBuffer> = new Float64Array(FIRST)
  length = 0

  push(value: number): void {
    if (this.length === this.values.length) this.grow()
    this.values[this.length++] = value
  }

  private grow(): void {
    const buffer = this.values.buffer
    if (buffer.resizable && buffer.byteLength < buffer.maxByteLength) {
      buffer.resize(Math.min(buffer.maxByteLength, buffer.byteLength + STEP_BYTES))
      this.values = new Float64Array(buffer)
      return
    }
    const bytes = this.values.length * 16
    // Address space is reserved, memory taken as it is needed: no moment at which old and new stand side by side.
    const next =
      bytes < LARGE_BYTES
        ? new Float64Array(this.values.length * 2)
        : new Float64Array(new ArrayBuffer(bytes, { maxByteLength: Math.max(RESERVE_BYTES, bytes * 4) }))
    next.set(this.values)
    this.values = next
  }

  /** Removes the newest value, if there is one. */
  pop(): void {
    if (this.length > 0) this.length--
  }

  /** The newest value; -Infinity when empty. */
  newest(): number {
    return this.length ? this.values[this.length - 1]! : Number.NEGATIVE_INFINITY
  }

  /** A copy of the values from one on. */
  copyFrom(from: number): Float64Array {
    return this.values.slice(from, this.length)
  }

  /** Removes the oldest values; the others move up. */
  dropFirst(count: number): void {
    this.values.copyWithin(0, count, this.length)
    this.length -= count
  }

  /** Place of the first value that is not below a bound; values must rise. */
  firstFrom(bound: number): number {
    let [low, high] = [0, this.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.values[middle]! < bound) low = middle + 1
      else high = middle
    }
    return low
  }

  clear(): void {
    this.values = new Float64Array(FIRST)
    this.length = 0
  }

  /** One array with all values, which are let go here. */
  take(): Float64Array {
    const { values, length } = this
    this.clear()
    return values.buffer.resizable ? new Float64Array(values.buffer, 0, length) : values.subarray(0, length)
  }
}

/** From here on a list is kept in a buffer that grows in place, by so much at a time. */
const LARGE_BYTES = 1 << 23
const STEP_BYTES = 1 << 22
const RESERVE_BYTES = 1 << 29
