import { describe, expect, it } from 'vitest'
import { checksOf, judgeWriteTest } from '../../src/proof'
import type { WriteTestResult } from '../../src/log'

const EMPTY: WriteTestResult = {
  blocked: null,
  allowed: null,
  format: [null, null],
  tracks: null,
  formatS: null,
  first: null,
  last: null,
  pattern: [null, null],
  overwrite: [null, null],
  homeAfter: null,
}
const whole = { good: 720, sectors: 720 }
const PASSED: WriteTestResult = {
  blocked: true,
  allowed: true,
  format: [whole, whole],
  tracks: 160,
  formatS: 85,
  first: { good: 18, sectors: 18 },
  last: { good: 18, sectors: 18 },
  pattern: [whole, whole],
  overwrite: [whole, whole],
  homeAfter: true,
}
const judged = (part: Partial<WriteTestResult>) => judgeWriteTest('3.5in', { ...PASSED, ...part })

describe('a write test', () => {
  it('that passes everything may be left, and says what it hides', () => {
    const { call, checks, observations } = judged({})
    expect(call).toMatchObject({
      kind: 'leave',
      reasons: ['All 10 checks passed.'],
      next: expect.stringContaining('verified drive'),
    })
    expect(checks).toHaveLength(10)
    expect(observations).toMatchObject([{ value: '10 of 10 passed' }, { value: 0 }])
  })
  it('that was not done says what comes first', () => {
    expect(judgeWriteTest('3.5in', EMPTY).call).toMatchObject({
      kind: 'unknown',
      reasons: ['Nothing was tried yet.'],
      next: expect.stringContaining('whose tab says no'),
    })
    expect(judged({ homeAfter: null }).call.next).toContain('Home once more')
  })
  it.each([
    [{ blocked: false }, 'stop', /writes on a protected disk/],
    [{ allowed: false }, 'mend', /does not write a write-enabled disk/],
    [{ homeAfter: false }, 'mend', /track zero/],
    [
      { format: [whole, { good: 500, sectors: 720 }] as const },
      'mend',
      /Only the upper head loses what it writes: 31 %/,
    ],
    [{ last: { good: 11, sectors: 18 } }, 'unknown', /innermost cylinder fails/],
    [{ first: { good: 0, sectors: 18 } }, 'unknown', /outermost cylinder fails/],
    [
      {
        overwrite: [
          { good: 300, sectors: 720 },
          { good: 310, sectors: 720 },
        ] as const,
      },
      'mend',
      /shines through/,
    ],
    [
      {
        pattern: [
          { good: 300, sectors: 720 },
          { good: 310, sectors: 720 },
        ] as const,
      },
      'unknown',
      /Pattern written and read back/,
    ],
  ])('%j: %s', (part, kind, says) => {
    const { call } = judged(part)
    expect(call.kind).toBe(kind)
    expect(call.reasons[0]).toMatch(says)
  })
  // At 300 r/min a turn takes 0.2 s: 160 tracks cannot be written in less than 32 s (arithmetic).
  it.each([
    [31, 'failed', /no disk turns that fast/],
    [33, 'passed', /1\.0 revolutions each/],
    [190, 'passed', /5\.9 revolutions/],
    [200, 'failed', /again and again/],
  ])('a format of 160 tracks in %d s: %s', (formatS, state, says) => {
    const time = judged({ formatS }).checks.find(c => c.id === 'time')!
    expect(time).toMatchObject({ state })
    expect(time.says).toMatch(says)
  })
  it('that was quicker than the disk turns condemns nothing: nothing was written', () => {
    expect(judged({ formatS: 5, format: [{ good: 0, sectors: 720 }, null] }).call).toMatchObject({
      kind: 'unknown',
      reasons: [expect.stringContaining('Nothing was written')],
    })
  })
  it('has no cylinders, home or second head where the class has none', () => {
    expect(checksOf('quick-disk')).toEqual(['blocks', 'allows', 'format', 'pattern', 'overwrite'])
    expect(checksOf('cartridge')).toEqual(['blocks', 'allows', 'pattern', 'overwrite'])
    expect(checksOf('3in')).not.toContain('second-head')
    const quick = judgeWriteTest('quick-disk', {
      ...EMPTY,
      blocked: true,
      allowed: true,
      format: [{ good: 9, sectors: 9 }, null],
      pattern: [{ good: 9, sectors: 9 }, null],
      overwrite: [{ good: 9, sectors: 9 }, null],
    })
    expect(quick.call.kind).toBe('leave')
    expect(quick.checks[2]!.says).toContain('blocks came back')
  })
  it('bounds what its counts allow: 0 of 1440 is fewer than 1 in 480 (rule of three)', () => {
    expect(judged({}).checks.find(c => c.id === 'format')!.says).toBe(
      'All 1 440 sectors came back: fewer than 1 in 480 fail (95 % sure).',
    )
  })
})
