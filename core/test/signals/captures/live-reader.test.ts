import { WaveFile } from 'wavefile'
import { describe, expect, it } from 'vitest'
import { liveSpeed } from '../../../src/instruments/spindle'
import { bytesSource, LiveReader, readCapture } from '../../../src/signals/captures'
import { SimulatedPickup } from '../../../src/simulator'

const bytes = (text: string) => new TextEncoder().encode(text)
/** A square wave of one pulse a revolution, written here by hand: a turn of 200 ms is 300 r/min. */
function dump(seconds: number, periodMs: number): string {
  const lines = ['$timescale 1 us $end', '$scope module top $end', '$var wire 1 ! INDEX $end', '$upscope $end']
  lines.push('$enddefinitions $end', '#0', '0!')
  for (let t = 1000; t < seconds * 1e6; t += periodMs * 1000) lines.push(`#${t}`, '1!', `#${t + 4000}`, '0!')
  return `${lines.join('\n')}\n`
}
const CONTEXT = { mechanism: '5.25in-48', school: 'leave-alone' } as const

describe('a stream that is read while it comes', () => {
  it.each([1, 7, 1000])('shows the same as the whole file read at once, in pieces of %i bytes', async size => {
    const pickup = new SimulatedPickup({ rpm: 301, seed: 5 })
    pickup.advanceTo(6)
    const all = bytes(pickup.toVcd())
    const reader = new LiveReader('stream')
    for (let at = 0; at < all.length; at += size) reader.push(all.subarray(at, at + size))
    const whole = await readCapture(bytesSource('stream', all))
    const now = reader.snapshot(Infinity)!
    expect(now.channels.map(c => c.name)).toEqual(whole.channels.map(c => c.name))
    expect([...now.channels[0]!.edges!.times]).toEqual([...whole.channels[0]!.edges!.times])
    expect(reader.finish().channels[0]!.edges!.times).toEqual(whole.channels[0]!.edges!.times)
  })

  it('follows a speed that changes, and judges only the time that is asked for', () => {
    const reader = new LiveReader('stream')
    reader.push(bytes(dump(20, 200)))
    const before = liveSpeed(reader.snapshot(120)!, undefined, {}, CONTEXT)!
    expect(before.nowRpm).toBeCloseTo(300, 3)
    expect(before.judged.measurement!.revolutions).toBeGreaterThan(90)
    // By hand: from 20 s on 190 ms a turn, which is 315.79 r/min.
    let more = ''
    for (let t = 20_001_000; t < 24e6; t += 190_000) more += `#${t}\n1!\n#${t + 4000}\n0!\n`
    reader.push(bytes(more))
    expect(liveSpeed(reader.snapshot(120)!, 'index', {}, CONTEXT)!.nowRpm).toBeCloseTo(60 / 0.19, 2)
    const late = liveSpeed(reader.snapshot(3)!, undefined, {}, CONTEXT)!
    expect(late.judged.measurement!.rpm.mean).toBeCloseTo(60 / 0.19, 2)
  })

  it('keeps a bounded part of a stream without end', () => {
    const reader = new LiveReader('stream')
    reader.push(bytes('$timescale 1 us $end $var wire 1 ! INDEX $end $enddefinitions $end\n#0\n0!\n'))
    let t = 0
    for (let block = 0; block < 8; block++) {
      let text = ''
      for (let i = 0; i < 40_000; i++) text += `#${(t += 1000)}\n${i % 2 ? 0 : 1}!\n`
      reader.push(bytes(text))
    }
    const { channels, durationS } = reader.snapshot(Infinity)!
    expect(durationS).toBeCloseTo(320, 0)
    expect(channels[0]!.edges!.times.length).toBeLessThanOrEqual(200_000)
    expect(channels[0]!.edges!.times.at(-1)).toBeCloseTo(320, 2)
    // The level before the first change that is kept is still right: changes alternate.
    expect(channels[0]!.edges!.initial).toBe(0)
    expect(Math.round(channels[0]!.edges!.times[0]! * 1000) % 2).toBe(1)
  })

  it('reads levels and bare times of a CSV as they come', () => {
    const levels = new LiveReader('stream')
    levels.push(bytes('Time [s],INDEX\n'))
    for (let i = 0; i < 60; i++) levels.push(bytes(`${(i * 0.2).toFixed(3)},1\n${(i * 0.2 + 0.004).toFixed(3)},0\n`))
    expect(liveSpeed(levels.snapshot(60)!, undefined, {}, CONTEXT)!.nowRpm).toBeCloseTo(300, 2)
    const times = new LiveReader('stream', { timeUnit: 'ms' })
    times.push(bytes(Array.from({ length: 80 }, (_, i) => `${i * 200}\n`).join('')))
    expect(liveSpeed(times.snapshot(60)!, undefined, {}, CONTEXT)!.nowRpm).toBeCloseTo(300, 2)
  })

  /** A pulse of 2 ms every 200 ms in a little noise, as a sound card takes it down. */
  const sampled = (i: number, rate: number) => (i % (rate / 5) < rate / 500 ? 0.6 : 0) + 0.02 * Math.sin(i * 12.9898)

  it('follows sound as it comes: a WAV that has no end yet, and bare samples', () => {
    const rate = 8000
    const samples = Int16Array.from({ length: 10 * rate }, (_, i) => Math.round(32767 * sampled(i, rate)))
    const wav = new WaveFile()
    wav.fromScratch(1, rate, '16', samples)
    const file = wav.toBuffer()
    // A program that pipes sound does not know yet how much will come.
    file.set([0xff, 0xff, 0xff, 0xff], 40)
    const raw = { channels: 1, sampleRateHz: rate, bits: 16, float: false, frameBytes: 2 } as const
    for (const [reader, bytes] of [
      [new LiveReader('stream'), file],
      [new LiveReader('stream', { raw }), new Uint8Array(samples.buffer)],
    ] as const) {
      for (let at = 0; at < bytes.length; at += 1001) reader.push(bytes.subarray(at, at + 1001))
      const now = liveSpeed(reader.snapshot(8)!, undefined, {}, CONTEXT)!
      expect(now.timeS).toBeCloseTo(10, 2)
      expect(now.nowRpm).toBeCloseTo(300, 1)
      expect(now.judged.measurement!.revolutions).toBeGreaterThan(36)
    }
  })

  it('follows voltages of a CSV', () => {
    const volts = new LiveReader('stream')
    volts.push(bytes('Time [s],A\n'))
    for (let i = 0; i < 8000; i++) volts.push(bytes(`${(i / 1000).toFixed(3)},${sampled(i, 1000).toFixed(4)}\n`))
    expect(liveSpeed(volts.snapshot(6)!, undefined, {}, CONTEXT)!.nowRpm).toBeCloseTo(300, 0)
  })

  it('says what cannot be followed, and shows nothing while nothing is there', () => {
    const early = new LiveReader('stream')
    early.push(bytes('$timescale 1 us $end'))
    expect(early.snapshot(10)).toBeNull()
    const broken = new LiveReader('stream')
    broken.push(bytes(dump(2, 200)))
    expect(() => broken.push(bytes('#5\n'))).toThrow(/runs backwards/)
    // What came before it broke is still there.
    expect(broken.snapshot(10)!.channels[0]!.edges!.times.length).toBeGreaterThan(10)
    expect(() => liveSpeed(broken.snapshot(10)!, 'STEP', {}, CONTEXT)).toThrow(/no channel “STEP”.*INDEX/)
  })
})
