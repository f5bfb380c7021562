import { strToU8 } from 'fflate'
import type { ByteSource } from './capture'

/** A source over bytes already at hand, such as a recording just made by the simulated pickup. */
export function bytesSource(name: string, content: Uint8Array | string, chunkBytes = 64 * 1024): ByteSource {
  const bytes = typeof content === 'string' ? strToU8(content) : content
  return {
    name,
    size: bytes.length,
    async *chunks() {
      for (let at = 0; at < bytes.length; at += chunkBytes) yield bytes.subarray(at, at + chunkBytes)
    },
  }
}
