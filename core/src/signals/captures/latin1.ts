/** Bytes to text, one character a byte: enough for the ASCII that these formats are made of, and it never fails. */
export function latin1(bytes: Uint8Array): string {
  let out = ''
  for (let i = 0; i < bytes.length; i += 8192) {
    out += String.fromCharCode(...bytes.subarray(i, i + 8192))
  }
  return out
}
