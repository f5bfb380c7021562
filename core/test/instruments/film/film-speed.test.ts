import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { frameRate, readFrames, writeFrames, type FilmAsk } from '../../../src/instruments/film'
import { sense } from '../../../src/instruments/sensed'

/** Films that ffmpeg drew and measured: see `make-films.sh` beside them. */
const folder = join(import.meta.dirname, '../../fixtures/films')
const table = (name: string) => readFileSync(join(folder, name))
type Ask = Omit<FilmAsk, 'of' | 'mechanism'> & { readonly passes: FilmAsk['of'] }

function speedOf(bytes: Uint8Array, ask: Ask, mechanism: FilmAsk['mechanism'] = '5.25in-48') {
  const sensed = sense(bytes, 'film.csv', { of: 'film', mechanism, ...ask })
  if (sensed.of !== 'speed') throw new Error('a speed was asked for')
  return sensed.speed
}
/** The same film with other times. */
const timed = (name: string, time: (t: number) => number) => {
  const frames = readFrames(table(name).toString(), name)
  return Buffer.from(writeFrames({ ...frames, timesS: frames.timesS.map(time) }))
}

describe('a mark in a film, under a lamp on 50 Hz mains', () => {
  it.each([
    ['mark-60.csv', 301.7, 1e-3],
    ['mark-240.csv', 298.85, 5e-4],
    ['mark-uneven.csv', 304.2, 1e-3],
  ])('%s gives %f r/min within a share of %f and its own interval', (name, rpm, share) => {
    const speed = speedOf(table(name), { passes: 'mark' })
    expect(Math.abs(speed.rpm! / rpm - 1)).toBeLessThan(share)
    expect(Math.abs(speed.rpm! - rpm)).toBeLessThan(speed.uncertainty!)
    expect(speed.uncertainty!).toBeLessThan(0.001 * rpm)
    expect(speed.revolutions).toBeGreaterThan(80)
  })
  it('says where frames are missing', () => {
    expect(speedOf(table('mark-uneven.csv'), { passes: 'mark' }).says.join(' ')).toMatch(/14\d frames are missing/)
  })
  it('in slow motion gives the right speed once that is said, and names it where it is not', () => {
    // Taken at 240 frames a second, shown at 30.
    const slow = timed('mark-240.csv', t => 8 * t)
    const open = speedOf(slow, { passes: 'mark' })
    expect(open.rpm).toBeNull()
    expect(open.others).toHaveLength(1)
    expect(open.others[0]!.rpm).toBeCloseTo(298.85, 0)
    expect(open.others[0]!.if).toContain('8 times slower')
    expect(speedOf(slow, { passes: 'mark', slowed: 8 }).rpm!).toBeCloseTo(298.85, 0)
  })
  it('of too few frames a second, or with nothing that passes, gives no speed', () => {
    const coarse = readFrames(table('mark-60.csv').toString(), 'f')
    const fifth = (x: Float64Array) => x.filter((_, i) => i % 5 === 0)
    const few = { timesS: fifth(coarse.timesS), place: fifth(coarse.place), picture: fifth(coarse.picture) }
    const asked = speedOf(Buffer.from(writeFrames(few)), { passes: 'mark' })
    expect(asked.rpm).toBeNull()
    expect(asked.says[0]).toContain('12 frames a second')
    const still = { ...coarse, place: coarse.picture }
    expect(speedOf(Buffer.from(writeFrames(still)), { passes: 'mark' }).rpm).toBeNull()
    // A drive that turns at 2941 r/min passes too fast for any of these.
    expect(speedOf(table('mark-60.csv'), { passes: 'mark' }, 'cartridge').rpm).toBeNull()
  })
})

describe('a ring of bars in a film', () => {
  it('leaves two speeds open, until the creep is told', () => {
    const open = speedOf(table('ring-60.csv'), { passes: 'ring', bars: 24 })
    expect(open.rpm).toBeNull()
    expect(open.others.map(o => Math.round(10 * o.rpm) / 10).sort()).toEqual([296.2, 303.8])
    const told = speedOf(table('ring-60.csv'), { passes: 'ring', bars: 24, creeps: 'against' })
    expect(told.rpm!).toBeCloseTo(296.2, 1)
  })
  it('at two frame rates agrees in the right speed only', () => {
    const speeds = ['ring-60.csv', 'ring-50.csv'].map(name =>
      speedOf(table(name), { passes: 'ring', bars: 24 }).others.map(o => o.rpm),
    )
    const both = speeds[0]!.filter(a => speeds[1]!.some(b => Math.abs(a - b) < 0.2))
    expect(both).toHaveLength(1)
    expect(both[0]!).toBeCloseTo(296.2, 1)
  })
  it('needs its count, and even frames', () => {
    expect(speedOf(table('ring-60.csv'), { passes: 'ring' }).says[0]).toContain('number of bars')
    const jittered = timed('ring-60.csv', t => t + 0.004 * Math.sin(1e5 * t))
    expect(speedOf(jittered, { passes: 'ring', bars: 24 }).says[0]).toContain('unevenly')
  })
})

describe('a table of frames', () => {
  it('comes back as it was', () => {
    const frames = readFrames(table('mark-60.csv').toString(), 'mark-60.csv')
    const again = readFrames(writeFrames(frames), 'again.csv')
    expect(again.timesS.every((t, i) => Math.abs(t - frames.timesS[i]!) < 1e-6)).toBe(true)
    expect(frameRate(frames)).toMatchObject({ missing: 0, uneven: false })
    expect(frameRate(frames).perSecond).toBeCloseTo(60, 3)
  })
  it.each([
    ['a,b\n1,2\n', /line 1: its first line does not name the columns/],
    ['time s,place,picture\n0,1,2\n', /holds 1 frames/],
    ['time s,place,picture\n0,1,2\n1,x,2\n', /line 3, place: “x” is not a number/],
    ['time s,place,picture\n0,1,2\n0,1,2\n', /line 3: its times do not rise/],
  ])('%j is refused with its line', (text, said) => {
    expect(() => readFrames(text, 'film.csv')).toThrow(said)
  })
})
