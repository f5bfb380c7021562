/** A set of small whole numbers, as bits. */
export class Bits {
  constructor(readonly words: Int32Array) {}
  static none = (size: number): Bits => new Bits(new Int32Array(Math.ceil(size / 32)))
  static of(size: number, members: Iterable<number>): Bits {
    const b = Bits.none(size)
    for (const m of members) b.words[m >> 5]! |= 1 << (m & 31)
    return b
  }

  has(m: number): boolean {
    return ((this.words[m >> 5]! >> (m & 31)) & 1) === 1
  }

  /** Whether the two have a member in common. */
  meets(other: Bits): boolean {
    for (let i = 0; i < this.words.length; i++) if ((this.words[i]! & other.words[i]!) !== 0) return true
    return false
  }

  /** Whether a member is in both this and `other` and not in `not`. */
  meetsOutside(other: Bits, not: Bits): boolean {
    for (let i = 0; i < this.words.length; i++)
      if ((this.words[i]! & other.words[i]! & ~not.words[i]!) !== 0) return true
    return false
  }

  without(other: Bits): Bits {
    const out = new Int32Array(this.words.length)
    for (let i = 0; i < out.length; i++) out[i] = this.words[i]! & ~other.words[i]!
    return new Bits(out)
  }
}
