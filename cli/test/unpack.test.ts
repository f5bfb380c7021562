import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { bytesSource, readCapture, writeVcd } from '@wobrin/core/signals/captures'
import { Random } from '@wobrin/core/simulator'
import { fileSource } from '../src/file-source'

const folder = mkdtempSync(join(tmpdir(), 'wobrin-unpack-'))
const random = new Random(8)
let t = 0
const times = Float64Array.from({ length: 200_000 }, () => (t += Math.round(1 + 900 * random.next()) * 1e-7))
const vcd = writeVcd([{ name: 'READ', edges: { initial: 1, times, gaps: [] } }])
const packed = gzipSync(vcd)

/** Reads bytes as a file of that name, through the platform's library. */
async function read(name: string, bytes: Uint8Array, options = {}) {
  const path = join(folder, name)
  writeFileSync(path, bytes)
  return readCapture(await fileSource(path), options)
}
const edges = (c: Awaited<ReturnType<typeof read>>) => [...c.channels[0]!.edges!.times]

describe('a packed recording on the command line', () => {
  it('reads as the same recording unpacked, and as core reads it by itself', async () => {
    const got = edges(await read('a.vcd.gz', packed))
    expect(got).toEqual(edges(await read('a.vcd', Buffer.from(vcd))))
    expect(got).toEqual(edges(await readCapture(bytesSource('a.vcd.gz', packed))))
  })
  it('in several members, as some tools append them', async () => {
    const half = vcd.length >> 1
    const two = Buffer.concat([gzipSync(vcd.slice(0, half)), gzipSync(vcd.slice(half))])
    expect(edges(await read('two.vcd.gz', two))).toHaveLength(times.length)
  })
  it('tells its progress to the end, and can be stopped', async () => {
    let share = 0
    await read('b.vcd.gz', packed, { onProgress: (taken: number, of?: number) => (share = taken / of!) })
    expect(share).toBe(1)
    await expect(read('c.vcd.gz', packed, { signal: { aborted: true } })).rejects.toThrow(/stop/i)
  })
  it.each([
    ['cut short', packed.subarray(0, packed.length >> 1), /cut\.vcd\.gz.*the gzip data is cut short; expected a whole/],
    ['damaged', Buffer.from(packed).fill(7, 5000, 5400), /gzip data is damaged|does not agree with its check/],
    ['of another check', flipped(packed.length - 7), /what is packed in it does not agree with its check/],
    ['of another length', flipped(packed.length - 2), /what is packed in it does not agree with its check/],
  ])('%s, it is refused in a sentence', async (_, bytes, says) => {
    await expect(read('cut.vcd.gz', bytes)).rejects.toThrow(says)
  })
  it('one that grows beyond reason is refused before it fills the memory', async () => {
    const bomb = gzipSync(Buffer.concat([Buffer.from(vcd.slice(0, 400)), Buffer.alloc(150 * 1024 * 1024, '\n')]))
    await expect(read('bomb.vcd.gz', bomb)).rejects.toThrow(/over 200 times its size/)
    await expect(read('d.vcd.gz', packed, { maxBytes: 100_000 })).rejects.toThrow(/more than can be read/)
  })
})

function flipped(at: number): Buffer {
  const bytes = Buffer.from(packed)
  bytes[at]! ^= 1
  return bytes
}
