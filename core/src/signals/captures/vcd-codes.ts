/** Codes are printable characters; the one below the first of them counts as zero. */
const FIRST = 32

/** Level for a value character: 0, 1, 2 = unknown, 255 = not a scalar value. */
export const LEVEL = new Uint8Array(256).fill(255)
LEVEL['0'.charCodeAt(0)] = 0
LEVEL['1'.charCodeAt(0)] = 1
for (const c of 'xXzZ') LEVEL[c.charCodeAt(0)] = 2

/** Codes of up to this many characters fit one exact double in base 95. */
export const MAX_CODE = 8

/** An identifier code as a number: the reader builds the same one character by character. */
export const codeNumber = (code: string): number => {
  let n = 0
  for (let i = 0; i < code.length; i++) n = n * 95 + code.charCodeAt(i) - FIRST
  return n
}

/** Codes of one or two characters, by far the most common, are looked up in a plain table. */
export const TABLE = 95 * 95

/** Which track an identifier code stands for. */
export class VcdCodes {
  /** Track by code, for codes below {@link TABLE}; -1 for none. Open to the reader's inner loop. */
  readonly table = new Int32Array(TABLE).fill(-1)
  private readonly long = new Map<number, number>()

  /** @returns whether the code is new; an alias keeps the track it has */
  add(code: number, track: number): boolean {
    if (this.find(code) >= 0) return false
    if (code < TABLE) this.table[code] = track
    else this.long.set(code, track)
    return true
  }

  /** The track of a code; -1 for none. */
  find(code: number): number {
    return code < TABLE ? this.table[code]! : (this.long.get(code) ?? -1)
  }
}
