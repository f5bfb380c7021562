/** A track as it lies on the disk: for each half bit cell whether the flux turns in it. */
export class CellWriter {
  private cells = new Uint8Array(1 << 17)
  private n = 0
  /** Last data bit, which decides the clock before the next (MFM). */
  private last = 0

  get length(): number {
    return this.n
  }

  private put(cell: number): void {
    if (this.n === this.cells.length) {
      const more = new Uint8Array(this.n * 2)
      more.set(this.cells)
      this.cells = more
    }
    this.cells[this.n++] = cell
  }

  /** Sixteen half cells as they are, clocks and data in turn, the clock first: marks with missing clocks. */
  raw(word: number): void {
    for (let i = 15; i >= 0; i--) this.put((word >> i) & 1)
    this.last = word & 1
  }

  /** A byte in MFM: a clock only between two zeros. */
  mfm(byte: number): void {
    for (let i = 7; i >= 0; i--) {
      const bit = (byte >> i) & 1
      this.put(bit === 0 && this.last === 0 ? 1 : 0)
      this.put(bit)
      this.last = bit
    }
  }

  /** A byte in FM: a clock before every bit, but for those that `clock` leaves out. */
  fm(byte: number, clock = 0xff): void {
    for (let i = 7; i >= 0; i--) {
      this.put((clock >> i) & 1)
      this.put((byte >> i) & 1)
    }
  }

  /** What was written so far. */
  done(): Uint8Array {
    return this.cells.slice(0, this.n)
  }
}
