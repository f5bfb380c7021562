import { gzipSync } from 'node:zlib'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bytesSource, readCapture, writeCsv, writeVcd } from '../../../src/signals/captures'
import { writeTransitionsBinary, writeTransitionsText } from '../../../src/signals/captures/transitions'
import { Random } from '../../../src/simulator'
import { read } from '../../helpers'

const random = new Random(3)
let t = 0
const times = Float64Array.from({ length: 3000 }, () => (t += Math.round(1 + 900 * random.next()) * 1e-7))
const channels = [{ name: 'READ', edges: { initial: 1 as const, times, gaps: [] } }]
const flux = { timesS: times, indexS: [0, 0.02, 0.1] }

function wav(): Uint8Array {
  const head = Buffer.alloc(44)
  head.write('RIFF....WAVEfmt ', 'latin1')
  head.set([16, 0, 0, 0, 1, 0, 1, 0, 0x40, 0x1f, 0, 0, 0x80, 0x3e, 0, 0, 2, 0, 16, 0], 16)
  head.write('data', 36)
  head.writeUInt32LE(48_000, 40)
  const samples = Int16Array.from({ length: 24_000 }, (_, i) => (i % 1600 < 30 ? 9000 : 0) + 40 * random.gaussian())
  return Buffer.concat([head, Buffer.from(samples.buffer)])
}

const FILES: Record<string, Uint8Array | string> = {
  'a.vcd': writeVcd(channels),
  'a.vcd.gz': gzipSync(writeVcd(channels)),
  'a.csv': writeCsv(channels),
  'volts.csv': Array.from({ length: 3000 }, (_, i) => `${i / 1000},${i % 200 < 5 ? 4.8 : 0.02 * (i % 3)}\n`).join(''),
  'a.wav': wav(),
  'a.txt': writeTransitionsText(flux),
  'a.bin': writeTransitionsBinary(flux),
}

/** Each piece stands in the same room as the one before, and is spoilt before the next one comes. */
function spoilt(name: string, content: Uint8Array | string, piece: number) {
  const source = bytesSource(name, content, piece)
  return {
    ...source,
    async *chunks() {
      const room = new Uint8Array(piece)
      for await (const chunk of source.chunks()) {
        room.set(chunk)
        yield room.subarray(0, chunk.length)
        room.fill(0x37)
      }
    },
  }
}

describe('readers keep nothing of a piece', () => {
  it.each(Object.entries(FILES))('%s, where the next piece is written over it', async (name, content) => {
    const whole = await read(name, content)
    expect(whole.channels.some(c => c.edgeCount > 10)).toBe(true)
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 9000 }), async piece => {
        expect(await readCapture(spoilt(name, content, piece))).toEqual(whole)
      }),
      { numRuns: 25 },
    )
  })
})
