import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { median } from '@wobrin/core/base/numbers'
import { sense } from '@wobrin/core/instruments/sensed'
import { speedFromCapture } from '@wobrin/core/instruments/spindle'
import { readCapture } from '@wobrin/core/signals/captures'
import { decayingMark, rub, sampled, turnsAt, wavOf, type Turning } from '../../core/test/instruments/rhythm/by-ear'

const SPEEDS = [297.31, 300, 303.9, 360.4]
const SEEDS = [11, 12, 13, 14, 15]
const FILMS = join(import.meta.dirname, '../../core/test/fixtures/films')

/** The shortest of some runs, ms: what else runs on the machine only makes it longer. */
async function shortest(run: () => unknown): Promise<number> {
  let least = Infinity
  for (let i = 0; i < 3; i++) {
    const begun = performance.now()
    await run()
    least = Math.min(least, performance.now() - begun)
  }
  return least
}

const sourceOf = (name: string, bytes: Uint8Array) => ({
  name,
  size: bytes.length,
  async *chunks() {
    yield bytes
  },
})

/** An index pulse through a resistor at 20 dB, 30 revolutions of it in a sound card. */
async function marks(): Promise<void> {
  const errors: number[] = []
  for (const rpm of SPEEDS)
    for (const seed of SEEDS) {
      const wave = sampled({ rpm, seconds: (31 * 60) / rpm }, decayingMark(rpm, seed))
      const capture = await readCapture(sourceOf('mark.wav', wavOf(wave)))
      const { measurement } = speedFromCapture(capture, {}, { mechanism: '5.25in-96', school: 'leave-alone' })
      errors.push(Math.abs(measurement!.rpm.mean / rpm - 1))
    }
  console.log(
    `  a mark, 48 kHz, 20 dB, 30 revolutions: ${(100 * median(errors)).toFixed(5)} % off in the middle, ` +
      `${(100 * Math.max(...errors)).toFixed(5)} % at most of ${errors.length} (wanted 0.02)`,
  )
}

/** A rub that is heard once a revolution: whether its interval holds the truth, and what it takes to find. */
async function rubs(): Promise<void> {
  let held = 0
  let none = 0
  for (const rpm of SPEEDS)
    for (const seed of SEEDS) {
      const of: Turning = { rpm, seconds: 11, wow: [0.002, 11 / 6], sampleRateHz: 12_000 }
      const heard = sense(wavOf(sampled(of, rub(3, seed * 77)), 12_000), 'rub.wav', {
        of: 'sound',
        mechanism: '3.5in',
        for: 'rub',
      })
      const speed = 'speed' in heard ? heard.speed : null
      if (speed?.rpm == null) none++
      else if (Math.abs(speed.rpm - (60 * turnsAt(of, of.seconds)) / of.seconds) < speed.uncertainty!) held++
    }
  const all = SPEEDS.length * SEEDS.length
  console.log(`  a rub over 11 s: ${held} of ${all - none} intervals hold the truth, ${none} not found`)
}

/** Films that ffmpeg drew, against the speed that it was told. */
function films(): void {
  for (const [name, rpm, wanted] of [
    ['mark-60.csv', 301.7, 0.1],
    ['mark-240.csv', 298.85, 0.05],
  ] as const) {
    const bytes = readFileSync(join(FILMS, name))
    const sensed = sense(bytes, name, { of: 'film', mechanism: '5.25in-48', passes: 'mark' } as never)
    const speed = 'speed' in sensed ? sensed.speed : null
    console.log(
      `  film ${name}: ${(100 * Math.abs(speed!.rpm! / rpm - 1)).toFixed(5)} % off, ` +
        `± ${((100 * speed!.uncertainty!) / rpm).toFixed(4)} % said (wanted ${wanted})`,
    )
  }
}

/** What it takes to judge, beside one pass over the same samples. */
async function times(): Promise<void> {
  const of: Turning = { rpm: 300, seconds: 60 }
  const samples = sampled(of, rub(3, 5))
  const bytes = wavOf(samples)
  let sum = 0
  const pass = await shortest(() => {
    for (let i = 0; i < samples.length; i++) sum += samples[i]! * samples[i]!
  })
  for (const what of ['rub', 'tone'] as const) {
    const ms = await shortest(() => sense(bytes, 'minute.wav', { of: 'sound', mechanism: '3.5in', for: what }))
    console.log(
      `  a minute of 48 kHz sound for its ${what}: ${ms.toFixed(0)} ms, ${(60_000 / ms).toFixed(0)} x faster than it sounds ` +
        `(${(ms / pass).toFixed(0)} x one pass over its samples: ${pass.toFixed(1)} ms)`,
    )
  }
  if (!Number.isFinite(sum)) throw new Error('the pass over the samples was left out')
}

/** Speeds by sound and by film: how near to the truth, and what they take. */
export async function byEar(): Promise<void> {
  console.log('By sound and by film:')
  await marks()
  await rubs()
  films()
  await times()
}
