import { WaveFile } from 'wavefile'
import { describe, expect, it } from 'vitest'
import { channel, read } from '../../helpers'

const RATE = 8000

/** A pickup into a sound card: short spikes that ring down, one every 0.2 s, over hum, noise and offset. */
function pickup(seconds: number, sign: number): number[] {
  let seed = 1
  const noise = () => (seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5
  return Array.from({ length: seconds * RATE }, (_, i) => {
    const since = (i / RATE) % 0.2
    const grown = 0.4 + 0.3 * (i / RATE / seconds)
    return (
      sign * grown * Math.exp(-since / 0.002) + 0.02 * Math.sin((2 * Math.PI * 50 * i) / RATE) + 0.02 * noise() + 0.05
    )
  })
}

function wav(bits: '8' | '16' | '24' | '32' | '32f' | '64', samples: number[][]): Uint8Array {
  const full = { '8': 127, '16': 32767, '24': 8388607, '32': 2147483647, '32f': 1, '64': 1 }[bits]
  const file = new WaveFile()
  file.fromScratch(
    samples.length,
    RATE,
    bits,
    samples.map(s =>
      s.map(x => (bits.startsWith('32f') || bits === '64' ? x : Math.round(x * full) + (bits === '8' ? 128 : 0))),
    ),
  )
  return file.toBuffer()
}

const starts = (edges: Float64Array) => Array.from(edges).filter((_, i) => i % 2 === 0)

describe('WAV reader, on files written by the wavefile package', () => {
  it.each(['8', '16', '24', '32', '32f', '64'] as const)('reads %s-bit samples', async bits => {
    const capture = await read('pickup.wav', wav(bits, [pickup(4, 1)]), {}, 1000)
    const found = starts(channel(capture, 'sound').edges!.times)
    expect(found.length).toBeGreaterThanOrEqual(19)
    expect(found.length).toBeLessThanOrEqual(20)
    for (let i = 1; i < found.length; i++) expect(found[i]! - found[i - 1]!).toBeCloseTo(0.2, 3)
    expect(capture.durationS).toBeCloseTo(4, 6)
  })

  it('finds which way pulses point, and obeys when told', async () => {
    const file = wav('16', [pickup(3, -1), pickup(3, 1)])
    const capture = await read('pickup.wav', file)
    expect(capture.channels.map(c => c.name)).toEqual(['left', 'right'])
    expect(capture.notices).toEqual(['Pulses on "left" point down.', 'Pulses on "right" point up.'])
    const forced = await read('pickup.wav', file, { polarity: 'positive' })
    expect(channel(forced, 'left').edgeCount).not.toBe(channel(capture, 'left').edgeCount)
  })

  it('is not blinded by one knock on the bench', async () => {
    const samples = pickup(6, 1)
    for (let i = 0; i < 40; i++) samples[3 * RATE + 500 + i] = 0.95
    const found = starts(channel(await read('a.wav', wav('16', [samples])), 'sound').edges!.times)
    expect(found.length).toBeGreaterThanOrEqual(29)
    expect(found.length).toBeLessThanOrEqual(32)
  })

  it('finds nothing in silence', async () => {
    const capture = await read('a.wav', wav('16', [Array.from({ length: 2 * RATE }, () => 0)]))
    expect(channel(capture, 'sound').edgeCount).toBe(0)
  })

  it('reads to the end of a recording whose announced length is wrong, and says so', async () => {
    const whole = wav('16', [pickup(4, 1)])
    const cut = whole.slice(0, whole.length / 2)
    const capture = await read('a.wav', cut)
    expect(capture.durationS).toBeCloseTo(2, 2)
    expect(capture.notices[0]).toMatch(/breaks off \d+ bytes before the end/)
    const endless = whole.slice()
    endless.set([0xff, 0xff, 0xff, 0xff], 40)
    expect((await read('a.wav', endless)).durationS).toBeCloseTo(4, 6)
  })

  it('names a coding it cannot read', async () => {
    const file = wav('16', [pickup(1, 1)])
    file[20] = 85
    await expect(read('a.wav', file)).rejects.toThrow(
      'a.wav, byte 20: it is coded as type 85 with 16 bits; expected 8, 16, 24 or 32-bit PCM or float.',
    )
  })
})
