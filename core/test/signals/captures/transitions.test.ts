import { describe, expect, it } from 'vitest'
import { writeTransitionsBinary, writeTransitionsText } from '../../../src/signals/captures'
import { channel, read } from '../../helpers'

const bytes = (text: string) => new TextEncoder().encode(text)
/** Beginnings of pulses, ns. */
const starts = (times: Float64Array) =>
  Array.from(
    times.filter((_, i) => i % 2 === 0),
    t => Math.round(t * 1e9),
  )

/** A track by hand, after docs/transitions.md: 4, 6, 4 and 8 µs, an index mark 1 µs behind the second transition. */
const TEXT = '# anything may be remarked\ntransitions ns 1\n'
const BY_HAND = `transitions ns 1\n# 3.5-inch, cylinder 0\n4000\n6000\nindex 1000\n4000\n8000\n`
const NUMBERS = [4000, 6000, 0x80000000 + 1000, 4000, 8000]

function binary(numbers: readonly number[]): Uint8Array {
  // Byte by byte, low one first.
  const tail = numbers.flatMap(n => [n & 255, (n >>> 8) & 255, (n >>> 16) & 255, (n >>> 24) & 255])
  return Uint8Array.from([0x54, 0x52, 0x4e, 0x53, 1, 0, 0, 0, ...tail])
}

describe('raw transitions', () => {
  it.each([
    ['text', bytes(BY_HAND)],
    ['32-bit numbers', binary(NUMBERS)],
  ])('are read from %s that was written by hand, in chunks of any length', async (_, file) => {
    for (const chunk of [1, 3, 7, 4096]) {
      const capture = await read('track.trns', file, {}, chunk)
      expect(starts(channel(capture, 'READ_DATA').edges!.times)).toEqual([4000, 10_000, 14_000, 22_000])
      expect(starts(channel(capture, 'INDEX').edges!.times)).toEqual([11_000])
      expect(channel(capture, 'READ_DATA').edges!.initial).toBe(1)
    }
  })
  it('are written so that they come back, and rounding does not add up', async () => {
    const timesS = Float64Array.from({ length: 200_000 }, (_, i) => (i + 1) * 3.3333333e-6)
    const indexS = [0.1, 0.3, 0.5]
    for (const file of [bytes(writeTransitionsText({ timesS, indexS })), writeTransitionsBinary({ timesS, indexS })]) {
      const capture = await read('track.trns', file)
      const found = channel(capture, 'READ_DATA').edges!.times.filter((_, i) => i % 2 === 0)
      expect(found).toHaveLength(timesS.length)
      expect(found.reduce((worst, t, i) => Math.max(worst, Math.abs(t - timesS[i]!)), 0)).toBeLessThan(1e-9)
      expect(starts(channel(capture, 'INDEX').edges!.times)).toEqual([1e8, 3e8, 5e8])
    }
  })
  it('that are longer apart than the form holds are refused when they are written', () => {
    expect(() => writeTransitionsBinary({ timesS: [0.1, 2.5], indexS: [] })).toThrow('2.4 s apart')
  })
  it.each<[string, Uint8Array, RegExp]>([
    ['a later version', bytes('transitions ns 2\n4000\n'), /line 1: .*not a version/],
    ['a word', bytes('transitions ns 1\n4000\nfour\n'), /line 3: “four” is not a distance/],
    ['a cut number', binary(NUMBERS).subarray(0, 18), /byte 16: it ends in the middle/],
    ['nothing', bytes('transitions ns 1\n'), /holds 0 transitions/],
    ['two at one time', bytes('transitions ns 1\n4000\n0\n'), /line 3: a distance of 0/],
    ['index marks that go back', bytes('transitions ns 1\n4000\nindex 9\nindex 8\n'), /line 4: an index mark/],
    ['a remark before its first line', bytes(TEXT), /./],
  ])('with %s are refused in a sentence', async (_, file, said) => {
    await expect(read('track.trns', file)).rejects.toThrow(said)
  })
})
