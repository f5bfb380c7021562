const TABLE = Uint16Array.from({ length: 256 }, (_, byte) => {
  let r = byte << 8
  for (let i = 0; i < 8; i++) r = r & 0x8000 ? (r << 1) ^ 0x1021 : r << 1
  return r & 0xffff
})

/**
 * The check of floppy sectors: CRC-16/IBM-3740, polynomial 1021 hex, from FFFF hex, high bit first.
 * @param start value to go on from, for bytes that follow others
 * @example crc16(new TextEncoder().encode('123456789')) // 0x29B1
 */
export function crc16(bytes: ArrayLike<number>, start = 0xffff): number {
  let r = start
  for (let i = 0; i < bytes.length; i++) r = ((r << 8) ^ TABLE[(r >> 8) ^ bytes[i]!]!) & 0xffff
  return r
}
