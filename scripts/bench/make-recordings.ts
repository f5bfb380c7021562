import { createWriteStream, createReadStream } from 'node:fs'
import { once } from 'node:events'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import { Random } from '@wobrin/core/simulator'

/** Sound is written a second at a time. */
const RATE = 48_000
const REVOLUTION = 0.2
/** Of the time from one pulse to the next, a pulse takes so much. */
const PULSE_SHARE = 0.01
const BAR_SHARE = 0.15

/** Writes pieces until there are so many megabytes. */
export async function write(
  path: string,
  megabytes: number,
  head: string | Buffer,
  piece: (n: number) => string | Buffer,
): Promise<void> {
  const out = createWriteStream(path)
  out.write(head)
  for (let written = 0, n = 0; written < megabytes * 1e6; n++) {
    const block = piece(n)
    written += block.length
    if (!out.write(block)) await once(out, 'drain')
  }
  out.end()
  await once(out, 'close')
}

/**
 * A pickup's sound of 16 bits, pulses in noise.
 * @param bars so many pulses a revolution, as a photodiode over a ring of bars gives
 */
export function makeWav(path: string, megabytes: number, bars = 1): Promise<void> {
  const random = new Random(7)
  const share = bars > 1 ? BAR_SHARE : PULSE_SHARE
  const bytes = Math.ceil((megabytes * 1e6) / (2 * RATE)) * 2 * RATE
  const head = Buffer.alloc(44)
  head.write('RIFF', 0)
  head.writeUInt32LE(36 + bytes, 4)
  head.write('WAVEfmt ', 8)
  head.writeUInt32LE(16, 16)
  head.writeUInt16LE(1, 20)
  head.writeUInt16LE(1, 22)
  head.writeUInt32LE(RATE, 24)
  head.writeUInt32LE(2 * RATE, 28)
  head.writeUInt16LE(2, 32)
  head.writeUInt16LE(16, 34)
  head.write('data', 36)
  head.writeUInt32LE(bytes, 40)
  return write(path, megabytes, head, n => {
    const samples = new Int16Array(RATE)
    for (let i = 0; i < RATE; i++) {
      const t = n + i / RATE
      const phase = ((t * bars) % REVOLUTION) / REVOLUTION
      const signal = phase < share ? Math.sin((phase / share) * Math.PI) : 0
      samples[i] = Math.round(12_000 * signal + 300 * random.gaussian())
    }
    return Buffer.from(samples.buffer)
  })
}

const ROWS = 20_000

/** A table of the times at which a line changed, as some analysers write it. */
export function makeCsv(path: string, megabytes: number): Promise<void> {
  const random = new Random(8)
  let t = 0
  let level = 1
  return write(path, megabytes, 'Time [s],INDEX,RDATA\n', () => {
    let text = ''
    for (let i = 0; i < ROWS; i++) {
      t += (2 + Math.floor(random.next() * 3) * 2) * 1e-6
      level = 1 - level
      text += `${t.toFixed(8)},${t % REVOLUTION < 0.002 ? 0 : 1},${level}\n`
    }
    return text
  })
}

/** A table of voltages at even times, as a scope writes it. */
export function makeVolts(path: string, megabytes: number): Promise<void> {
  const random = new Random(9)
  let n = 0
  return write(path, megabytes, 'Time [s],Channel A [V]\n', () => {
    let text = ''
    for (let i = 0; i < ROWS; i++, n++) {
      const t = n * 2e-5
      const volts = (t % REVOLUTION < 0.002 ? 0.2 : 4.8) + 0.05 * random.gaussian()
      text += `${t.toFixed(6)},${volts.toFixed(4)}\n`
    }
    return text
  })
}

/** The same file packed. */
export const pack = (from: string, to: string) =>
  pipeline(createReadStream(from), createGzip({ level: 6 }), createWriteStream(to))
