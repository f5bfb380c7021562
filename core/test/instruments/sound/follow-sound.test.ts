import { describe, expect, it } from 'vitest'
import { SoundFollower } from '../../../src/instruments/sound'
import { measureSpeed } from '../../../src/instruments/spindle'
import { noise } from '../../noise'
import { sampled, wavOf } from '../rhythm/by-ear'
import { channel, read } from '../../helpers'

const RATE = 8000
const random = noise(21)
/** A pulse a revolution at 300 r/min in a little noise. */
const marks = sampled(
  { rpm: 300, seconds: 12, sampleRateHz: RATE },
  place => (place < 0.01 ? 0.6 : 0) + 0.01 * random(),
)

function follow(samples: ArrayLike<number> & { subarray(a: number, b: number): ArrayLike<number> }, block = 512) {
  const follower = new SoundFollower(RATE, 10)
  for (let at = 0; at < samples.length; at += block) follower.push(samples.subarray(at, at + block))
  return follower
}

describe('a sound while it comes', () => {
  it('gives the same pulses as its recording, in pieces of any length', async () => {
    const file = channel(await read('a.wav', wavOf(marks, RATE)), 'sound').edges!.times.filter((_, i) => i % 2 === 0)
    for (const block of [1, 128, 1000]) {
      const train = follow(marks, block).pulses()
      expect(train.starts.length).toBe(file.length)
      train.starts.forEach((t, i) => expect(t).toBeCloseTo(file[i]!, 4))
    }
  })
  it('tells how loud it is, and what is clipped', () => {
    const quiet = follow(marks).level()
    expect(quiet.peak).toBeGreaterThan(0.55)
    expect(quiet.clipped).toBe(0)
    const loud = follow(marks.map(x => Math.max(-1, Math.min(1, 5 * x)))).level()
    expect(loud.clipped).toBeCloseTo(0.01, 2)
  })
  it('keeps the last part only, and time goes on', () => {
    const follower = follow(marks)
    expect(follower.timeS).toBeCloseTo(12, 6)
    expect(follower.last(100)).toHaveLength(10 * RATE)
    expect([...follower.last(0.01)]).toEqual([...marks.slice(-80)].map(x => Math.fround(x)))
  })
  it('counts what was lost, and measures nothing across it', () => {
    const follower = new SoundFollower(RATE, 20)
    follower.push(marks.subarray(0, 6 * RATE))
    // A seventh of a second goes lost on its way: pulses after it come early by that much, were it not known.
    const lost = Math.round(RATE / 7)
    follower.push(marks.subarray(6 * RATE + lost), lost)
    expect(follower.gaps()).toHaveLength(1)
    const train = follower.pulses()
    expect(measureSpeed(train, { nominalRpm: 300 })!.rpm.mean).toBeCloseTo(300, 1)
    expect(train.gaps[0]!.toS - train.gaps[0]!.fromS).toBeCloseTo(1 / 7, 3)
  })
  it('takes exact silence in a sound for what was lost, and a signal that is cut to zero for what it is', async () => {
    const holed = marks.slice()
    holed.fill(0, 5 * RATE, 5.3 * RATE)
    expect(follow(holed).gaps()).toHaveLength(1)
    const capture = await read('a.wav', wavOf(holed, RATE))
    expect(channel(capture, 'sound').edges!.gaps).toHaveLength(1)
    expect(capture.notices.join(' ')).toContain('exact silence')
    const gated = marks.map(x => (x > 0.3 ? x : 0))
    expect(follow(gated).gaps()).toHaveLength(0)
  })
})
