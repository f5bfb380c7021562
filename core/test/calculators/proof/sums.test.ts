import { binomialDistribution } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import {
  beforeAfterCalculator,
  claimCalculator,
  loadCyclesCalculator,
  soakCalculator,
  warmUpCalculator,
} from '../../../src/calculators/proof'
import { judgeCalculator, type Calculator } from '../../../src/calculators/calculator'

const judged = (sum: Calculator, typed: Record<string, string>) => judgeCalculator(sum, typed).result!
const line = (sum: Calculator, typed: Record<string, string>, label: string) =>
  judged(sum, typed).lines.find(l => l.label === label)?.value

describe('what a count allows', () => {
  // Rule of three (Hanley and Lippman-Hand, JAMA 249, 1983): none of n allows about 3/n at 95 %.
  it('none of 3000 allows about 1 in 1000, and no more', () => {
    expect(judged(claimCalculator, { sectors: '3000', errors: '0', wanted: '1000' }).call).toMatchObject({
      kind: 'leave',
    })
    expect(judged(claimCalculator, { sectors: '2900', errors: '0', wanted: '1000' }).call).toMatchObject({
      kind: 'unknown',
      next: expect.stringMatching(/Read 9\d sectors more/),
    })
  })
  it('with errors the bound leaves 5 % in the binomial tail (simple-statistics)', () => {
    const text = String(
      line(claimCalculator, { sectors: '400', errors: '2', wanted: '10' }, 'Sectors that fail, at most'),
    )
      .replace(/\D/g, ' ')
      .trim()
      .split(' ')
      .join('')
      .slice(1)
    const tail = (p: number) =>
      binomialDistribution(400, p)!
        .slice(0, 3)
        .reduce((a, b) => a + b, 0)
    // The claim is rounded down to whole numbers: the true bound lies between it and the next.
    expect(tail(1 / Number(text))).toBeLessThan(0.052)
    expect(tail(1 / (Number(text) + 1))).toBeGreaterThan(0.048)
  })
  it('99 % takes more than 95 %, and a rate says how long', () => {
    const more = (confidence: string) =>
      judged(claimCalculator, { sectors: '100', errors: '0', wanted: '1000', confidence, rate: '45' })
    expect(more('99').call.next).toMatch(/4 503 sectors more|4503|min/)
    expect(Number(more('99').lines.find(l => l.label === 'Read in all, for the limit')!.value)).toBe(4603)
    expect(Number(more('95').lines.find(l => l.label === 'Read in all, for the limit')!.value)).toBe(2995)
  })
  it.each([
    [{ sectors: '0', errors: '0', wanted: '10' }, /no sector was read/],
    [{ sectors: '5', errors: '6', wanted: '10' }, /6 of 5 sectors cannot have failed/],
    [{ sectors: '5', errors: '0', wanted: '1' }, /is not an error-rate limit/],
  ])('%j is refused', (typed, says) => {
    expect(() => judged(claimCalculator, typed)).toThrow(says)
  })
})

describe('before and after', () => {
  const of = (a: number, n: number, b: number, m: number) =>
    judged(beforeAfterCalculator, {
      errorsBefore: `${a}`,
      sectorsBefore: `${n}`,
      errorsAfter: `${b}`,
      sectorsAfter: `${m}`,
    }).call.kind
  // The lady tasting tea (Fisher, The Design of Experiments, 1935): four of four against none of four comes by luck
  // once in 70.
  it('four of four, then none of four, is no luck; three and one may be', () => {
    expect(of(4, 4, 0, 4)).toBe('leave')
    expect(
      line(
        beforeAfterCalculator,
        { errorsBefore: '4', sectorsBefore: '4', errorsAfter: '0', sectorsAfter: '4' },
        'So few after, by luck',
      ),
    ).toBeCloseTo(100 / 70, 9)
    expect(of(3, 4, 1, 4)).toBe('unknown')
    expect(of(0, 4, 4, 4)).toBe('mend')
    expect(of(0, 100, 0, 100)).toBe('unknown')
  })
})

describe('soak', () => {
  const soak = (typed: Record<string, string>) => judged(soakCalculator, { planned: '4 h', ran: '4 h', ...typed }).call
  it('without a fault it bounds what may still come', () => {
    expect(soak({ sectors: '100000', errors: '0', starts: '10' })).toMatchObject({
      kind: 'leave',
      reasons: [expect.stringContaining('1 in 33 000')],
    })
    // No stop in 4 h allows one in 4/3 h at 95 %: −ln 0.05 = 2.996 (Poisson).
    expect(line(soakCalculator, { planned: '4 h', ran: '4 h' }, 'A stop comes at most once in')).toBeCloseTo(
      4 / 2.9957,
      3,
    )
    expect(line(soakCalculator, { planned: '4 h', ran: '4 h', starts: '10' }, 'Starts that fail, at most')).toBeCloseTo(
      25.9,
      1,
    )
  })
  it.each([
    [{ ran: '90 min' }, 'unknown', /1.5 of 4 h/],
    [{ stops: '1' }, 'mend', /stopped once/],
    [{ starts: '10', failedStarts: '2' }, 'mend', /2 starts failed/],
    [{ sectors: '9000', errors: '6', late: '5' }, 'mend', /gets worse as it warms/],
    [{ sectors: '9000', errors: '2' }, 'unknown', /2 sectors failed of 9 000/],
  ])('%j: %s', (typed, kind, says) => {
    expect(soak(typed)).toMatchObject({ kind, reasons: [expect.stringMatching(says)] })
  })
  it('refuses more failures than tries', () => {
    expect(() => soak({ starts: '3', failedStarts: '4' })).toThrow(/4 of 3 starts/)
    expect(() => soak({ sectors: '3', errors: '4' })).toThrow(/4 of 3 sectors/)
  })
})

describe('cold and warm', () => {
  const warm = (typed: Record<string, string>) => judged(warmUpCalculator, typed).call
  it.each([
    [{ coldMargin: '45', warmMargin: '44' }, 'leave', /as it was cold/],
    [{ coldMargin: '45', warmMargin: '30' }, 'mend', /falls by 15 points/],
    [{ coldRpm: '300', warmRpm: '304' }, 'unknown', /creeps by 1\.33 %/],
    [{ sectors: '720', coldErrors: '0', warmErrors: '9' }, 'mend', /fails warm and not cold/],
    [{ sectors: '720', coldErrors: '9', warmErrors: '0' }, 'mend', /fails cold and not warm/],
    [{ sectors: '720', coldErrors: '1', warmErrors: '2' }, 'leave', /as it was/],
    [{ coldMargin: '45' }, 'unknown', /not both there/],
  ])('%j: %s', (typed, kind, says) => {
    expect(warm(typed)).toMatchObject({ kind, reasons: [expect.stringMatching(says)] })
  })
  it('errors need the sectors that were read', () => {
    expect(() => warm({ coldErrors: '1' })).toThrow(/errors without the sectors/)
    expect(() => warm({ sectors: '1', warmErrors: '2' })).toThrow(/2 of 1 sectors/)
  })
})

describe('load cycles', () => {
  const loads = (typed: Record<string, string>) => judged(loadCyclesCalculator, { loads: '10', ...typed }).call
  it.each([
    [{}, 'leave', /10 loads without/],
    [{ loads: '3' }, 'unknown', /3 loads without a fault are few/],
    [{ clicks: '3' }, 'stop', /steady click/],
    [{ clicks: '1' }, 'unknown', /One click/],
    [{ hurt: 'yes' }, 'stop', /came out damaged/],
    [{ stuck: '1' }, 'mend', /kept the disk once/],
    [{ notReady: '2' }, 'mend', /did not come ready 2 times/],
  ])('%j: %s', (typed, kind, says) => {
    expect(loads(typed)).toMatchObject({ kind, reasons: expect.arrayContaining([expect.stringMatching(says)]) })
  })
  it('a steady click quarantines, and the next drive is thought of (common practice)', () => {
    expect(loads({ clicks: '5' }).reasons[1]).toMatch(/torn disk can wreck the next drive/)
    expect(() => loads({ stuck: '11' })).toThrow(/11 of 10 loads/)
  })
})
