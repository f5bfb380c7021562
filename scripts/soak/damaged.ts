import { InputError } from '../../core/src/base/errors'
import { readers } from '../../core/test/readers'
import { seeded } from '../../web/e2e/fuzz'
import type { Report } from './report'

/** A small file that takes longer than this was not refused in time. */
const DEADLINE_MS = 2000
/** Seconds of the recordings: small, so that much damage goes into the time there is. */
const SECONDS = 0.6
/** Longest file, bytes. */
const MOST = 20_000

/** One to three things that may go wrong on a disk or a wire. */
function damaged(file: Uint8Array, random: () => number): Uint8Array {
  let out = file
  for (let n = 1 + Math.floor(random() * 3); n > 0 && out.length > 0; n--) {
    const at = Math.floor(random() * out.length)
    const kind = Math.floor(random() * 5)
    if (kind === 0) out = out.with(at, Math.floor(random() * 256))
    else if (kind === 1) out = out.slice(0, at)
    else if (kind === 2) out = joined(out.subarray(0, at + Math.floor(random() * 40)), out.subarray(at))
    else if (kind === 3) out = joined(out.subarray(0, at), out.subarray(at + Math.floor(random() * 20)))
    else
      out = joined(
        out.subarray(0, at),
        Uint8Array.from({ length: 4 }, () => random() * 256),
        out.subarray(at),
      )
  }
  return out
}

const joined = (...parts: readonly Uint8Array[]): Uint8Array => new Uint8Array(Buffer.concat(parts))

/** Damages what every reader reads, so many times in all: each is read, or refused in a sentence, in time. */
export async function damagedInputs(count: number, seed: number): Promise<Report> {
  const random = seeded(seed)
  const all = readers(SECONDS).map(([name, file, read]) => ({
    name,
    file: file.slice(0, MOST),
    read,
    slowest: 0,
  }))
  const faults: string[] = []
  // A library says on the console what is refused anyway.
  console.warn = () => {}
  let refused = 0
  for (let i = 0; i < count; i++) {
    const reader = all[i % all.length]!
    const content = damaged(reader.file, random)
    const begun = performance.now()
    try {
      await reader.read(content)
    } catch (error) {
      refused++
      const plain = error instanceof SyntaxError || (error instanceof InputError && !error.message.includes('\n'))
      if (!plain)
        faults.push(
          `${reader.name}, input ${i}: ${String((error as Error).stack)
            .split('\n')
            .slice(0, 2)
            .join(' ')}`,
        )
    }
    const took = performance.now() - begun
    reader.slowest = Math.max(reader.slowest, took)
    if (took > DEADLINE_MS) faults.push(`${reader.name}, input ${i}: took ${(took / 1000).toFixed(1)} s`)
  }
  const slowest = all.reduce((a, b) => (b.slowest > a.slowest ? b : a))
  return {
    says:
      `Damaged inputs: ${count} over ${all.length} readers, ${refused} of them refused; ` +
      `the slowest took ${slowest.slowest.toFixed(0)} ms (${slowest.name}).`,
    faults,
  }
}
