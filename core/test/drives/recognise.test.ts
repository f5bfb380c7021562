import { describe, expect, it } from 'vitest'
import { findMechanism, KIND_LOOKS, MECHANISMS, recognise, type KindAnswers } from '../../src/drives'

/** What a person sees of a usual drive of a type. */
const seen = (id: string): KindAnswers => {
  const m = findMechanism(id)
  const slot = KIND_LOOKS[0]!.answers.map(a => a.id)
  const near = (a: string) => Math.abs(Number(a) - m.front.slotMm)
  return {
    slot: slot.reduce((a, b) => (near(b) < near(a) ? b : a)),
    closes: m.front.closes[0],
    plug: m.front.plugs[0],
    height: m.front.heights[0],
  }
}

describe('telling what kind of drive it is from outside', () => {
  it.each(MECHANISMS.map(m => m.id))('%s is first, or shares the first place with what looks the same', id => {
    const [first, ...rest] = recognise(seen(id))
    const own = [first!, ...rest].find(f => f.mechanism === id)!
    expect(own.share).toBeCloseTo(first!.share, 9)
  })
  it('48 and 96 tpi cannot be told apart from outside, and both stay', () => {
    const fits = recognise({ slot: '136', closes: 'lever', plug: '34-edge', height: 'half' })
    expect(fits.slice(0, 2).map(f => f.mechanism)).toEqual(['5.25in-48', '5.25in-96'])
    expect(fits[0]!.share).toBeCloseTo(fits[1]!.share, 9)
    expect(fits[0]!.share).toBeGreaterThan(0.4)
  })
  it('one strange sight does not rule a type out', () => {
    const fits = recognise({ slot: '95', plug: '34-pins', closes: 'lever' })
    expect(fits[0]!.mechanism).toBe('3.5in')
    expect(fits[0]!.share).toBeLessThan(0.9)
  })
  it('says nothing before anything was looked at, and shares make a whole', () => {
    const none = recognise({})
    expect(new Set(none.map(f => f.share)).size).toBe(1)
    for (const answers of [{}, seen('8in'), { belt: 'belt' }])
      expect(recognise(answers).reduce((s, f) => s + f.share, 0)).toBeCloseTo(1, 9)
  })
  it('every type says what must not be taken for granted', () => {
    for (const m of MECHANISMS) expect(m.front.assume.length, m.id).toBeGreaterThan(0)
  })
})
