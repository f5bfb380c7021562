import { describe, expect, it } from 'vitest'
import { mayTouch } from '../../../src/instruments/alignment'
import { otherCase, TRUTHS, type Truth } from './other-physics'

/** Seeds that nothing was tuned to. */
const SEEDS = Array.from({ length: 40 }, (_, i) => 7000 + 13 * i)

const answers = TRUTHS.flatMap(truth =>
  SEEDS.map(seed => {
    const { evidence } = otherCase(truth, seed)
    const verdict = mayTouch({
      mechanism: '3.5in',
      surface: evidence,
      speed: 'leave',
      trustedDisk: true,
      clean: truth !== 'dirty',
      lacquer: {},
      secondDisk: null,
    })
    return { truth, kind: verdict.call.kind, adjuster: verdict.adjuster }
  }),
)
const of = (truth: Truth) => answers.filter(a => a.truth === truth)

describe('drives that follow other physics than the judge', () => {
  it('an adjuster is hardly ever touched where no alignment is off', () => {
    const others = answers.filter(a => a.truth !== 'upper off' && a.truth !== 'both off')
    const touched = others.filter(a => a.kind === 'nudge')
    expect(touched.length / others.length, JSON.stringify(touched)).toBeLessThanOrEqual(0.02)
  })
  it('where it is touched, it is the right adjuster', () => {
    const upper = of('upper off').filter(a => a.kind === 'nudge')
    const both = of('both off').filter(a => a.kind === 'nudge')
    expect(upper.length + both.length).toBeGreaterThan(20)
    const right = upper.filter(a => a.adjuster === 'upper').length + both.filter(a => a.adjuster === 'stepper').length
    expect(right / (upper.length + both.length)).toBeGreaterThanOrEqual(0.95)
  })
  it('a sound drive is never told to be touched', () => {
    for (const a of of('sound')) expect(a.kind).not.toBe('nudge')
  })
})
