import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import { marginWanted } from '../../src/proof/margin-wanted'
import type { CountedPlace, EntryData, LogEntry } from '../../src/log'
import { barsOf, evidenceOf, NO_FACTS } from '../log'
import { findProofTest, ladderOf, moreFor, NEEDS, planFor, PROOF_TESTS, RUNG_IDS, type NeedId } from '../../src/proof'

let seq = 0
const entry = (data: EntryData, more: Partial<LogEntry> = {}): LogEntry => ({
  id: `e${++seq}`,
  seq,
  driveId: 'd',
  at: '2026-01-01T00:00:00Z',
  kind: 'measurement',
  station: 'prove',
  title: '',
  detail: '',
  call: { kind: 'leave', reasons: ['It is so.'], next: 'Continue with the next step.' },
  observations: [],
  evidence: evidenceOf(data),
  data,
  takesBack: null,
  ...more,
})
const speed = entry({
  type: 'speed',
  rpm: 300,
  uncertainty: 0.1,
  movedTurns: 0,
  captureSha: '',
  captureName: '',
  channel: '',
  pulsesPerTurn: 1,
  pulsesGiven: false,
  evenMarks: false,
  read: {},
  nominalRpm: 300,
})
const surface = (margin: number, disk: string | null = 'good', bad = 0, simulated = false) =>
  entry({
    type: 'read-test',
    bars: barsOf(margin / 100, { bad }),
    surface: NO_FACTS,
    captureSha: simulated ? null : 'x',
    captureName: 'x',
    read: { mapping: {}, inverted: false, code: 'auto', trusted: false },
    simulated: simulated ? { mechanism: '3.5in', story: 'sound' } : null,
    disk,
  })
const protect = entry({ type: 'finding', finding: 'protect.both', place: null }, { kind: 'finding' })
const counted = (test: string, errors = 0, sectors = 1440) =>
  entry({ type: 'proof', test, errors, sectors, reader: null })
const own = ['format', 'pattern', 'overwrite'].map(t => counted(t))
const lobes = entry({ type: 'sum', instrument: 'lobes', values: {} })
const ladder = (...log: LogEntry[]) => ladderOf({ mechanism: '3.5in', simulated: false }, log, d => d === 'good')

describe('the ladder of claims', () => {
  it('begins with nothing, and says so', () => {
    expect(ladder()).toMatchObject({ stands: null, claims: [], call: { kind: 'unknown', next: 'First: speed.' } })
    expect(ladder().notClaims).toHaveLength(1 + RUNG_IDS.length)
  })
  it('goes up rung by rung; where it stands takes all below it', () => {
    expect(ladder(speed, surface(70)).stands).toBe('turns')
    expect(ladder(...own, protect).stands).toBeNull()
    expect(ladder(speed, surface(70), protect, ...own).stands).toBe('trusted')
    expect(ladder(speed, surface(70), protect, ...own, counted('interchange')).stands).toBe('others')
    expect(ladder(speed, surface(70), protect, ...own, counted('interchange'), lobes)).toMatchObject({
      stands: 'standard',
      call: { kind: 'leave' },
    })
  })
  // Common practice: a drive can format and read its own disk while 5 % fast; the claim says what it hides.
  it('each rung says what it hides', () => {
    const l = ladderOf({ mechanism: '3.5in', simulated: false }, [speed, surface(70, null), protect, ...own])
    expect(l.stands).toBe('own')
    expect(l.notClaims[0]).toMatch(/5 % fast or half a track off reads its own writing/)
  })
  it('claims carry their bounds: 1440 sectors without an error are fewer than 1 in 480', () => {
    expect(ladder(speed, surface(70), protect, ...own).claims.join(' ')).toMatch(
      /Read a reference disk: All 1 440 sectors read, timing margin at least 70 %: fewer than 1 in 480 fail/,
    )
  })
  it('what failed is said once and tried again; the latest counts; what was taken back does not', () => {
    expect(ladder(speed, surface(70), counted('format', 3)).call.reasons[0]).toMatch(
      /3 of 1440 sectors failed. Once is no proof/,
    )
    expect(
      ladder(
        speed,
        surface(70),
        protect,
        counted('format', 3),
        ...['format', 'pattern', 'overwrite'].map(t => counted(t)),
      ).stands,
    ).toBe('trusted')
    const bad = counted('pattern', 2)
    expect(ladder(speed, surface(70), protect, ...own, bad).stands).toBe('turns')
    expect(
      ladder(speed, surface(70), protect, ...own, bad, entry(null as never, { kind: 'taken-back', takesBack: bad.id }))
        .stands,
    ).toBe('trusted')
  })
  it('neither an unknown disk, nor an uneasy margin, nor the simulated drive is proof', () => {
    const trusted = (s: LogEntry) =>
      ladder(speed, protect, ...own, s).rungs.find(r => r.id === 'trusted')!.tests[0]!.state
    expect(trusted(surface(70, 'other'))).toBe('not done')
    expect(trusted(surface(70, 'good', 0, true))).toBe('not done')
    expect(trusted(surface(70, 'good', 1))).toBe('failed')
    expect(ladder(surface(35)).rungs.at(-1)!.tests[0]).toMatchObject({ state: 'failed' })
  })
})

describe('the plan', () => {
  it.each(Object.keys(NEEDS) as NeedId[])(
    '%s: every open test up to its rung and no other, the sacrificial disk first',
    need => {
      const plan = planFor(need, ladder(speed))
      expect(plan.tests.every(t => RUNG_IDS.indexOf(t.rung) <= RUNG_IDS.indexOf(NEEDS[need].rung))).toBe(true)
      expect(plan.tests.some(t => t.id === 'speed')).toBe(false)
      expect(plan.minutes).toBe(plan.tests.reduce((n, t) => n + t.minutes, 0))
      const first = plan.tests.findIndex(t => t.disk === 'trusted')
      if (first >= 0) expect(plan.tests.slice(first).every(t => t.disk !== 'sacrificial')).toBe(true)
    },
  )
  it('nothing is left where all is proved, and a stronger claim says how many more sectors', () => {
    expect(
      planFor('reference', ladder(speed, surface(70), protect, ...own, counted('interchange'), lobes)).tests,
    ).toEqual([])
    expect(moreFor(0, 1440, 0.001)).toBe(2995 - 1440)
  })
  it('a quick disk has neither home nor lobes', () => {
    expect(
      ladderOf({ mechanism: 'quick-disk', simulated: false }, [])
        .rungs.flatMap(r => r.tests)
        .map(t => t.test.id),
    ).not.toContain('home')
    expect(new Set(PROOF_TESTS.map(t => t.id)).size).toBe(PROOF_TESTS.length)
    expect(findProofTest('moon')).toBeUndefined()
  })
})

describe('a reference disk whose sectors were counted by hand', () => {
  const read = (places: readonly CountedPlace[]) => entry({ type: 'cross-read', disk: 'a', places })
  const all = (good: number) =>
    ([0, 1] as const).flatMap(h =>
      (['outer', 'middle', 'inner'] as const).map(zone => ({ head: h, zone, good, sectors: 9 })),
    )
  const state = (log: Parameters<typeof ladderOf>[1], trusts: boolean | null = true) =>
    ladderOf({ mechanism: '3.5in', simulated: false }, log, () => trusts).rungs[2]!.tests[0]!
  it('counts where all zones of both heads read, with the bound that so few allow', () => {
    expect(state([read(all(9))])).toMatchObject({
      state: 'passed',
      says: expect.stringContaining(
        'All 54 sectors that were tried read, outer to inner, counted by hand: fewer than 1 in 18 fail',
      ),
    })
    expect(state([read(all(8))])).toMatchObject({
      state: 'failed',
      says: '48 of 54 sectors of it read, counted by hand. Source: host.',
    })
    expect(state([read(all(9).slice(0, 4))])).toMatchObject({
      state: 'not done',
      says: expect.stringContaining('Only 4 of 6 places'),
    })
  })
  it('says nothing where the disk is not verified, or none of ours', () => {
    expect(state([read(all(9))], false).state).toBe('not done')
    expect(state([read(all(9))], null).state).toBe('not done')
  })
})

describe('counts that can carry a claim', () => {
  it('too few sectors carry nothing, and a whole disk says that its sectors are one disk', () => {
    const state = (sectors: number) =>
      ladder(speed, protect, counted('format', 0, sectors))
        .rungs.flatMap(r => r.tests)
        .find(t => t.test.id === 'format')!
    expect(state(12)).toMatchObject({ state: 'not done', says: expect.stringMatching(/too few to carry this/) })
    // Rule of three (from memory): 299 without an error show fewer than one in a hundred with 95 %.
    expect(state(298).state).toBe('not done')
    expect(state(299)).toMatchObject({ state: 'passed', says: expect.stringMatching(/not independent/) })
  })
  // A normal distribution of jitter by another library (jstat): the quantile of the worst transition of a sector.
  it('the margin that the highest level wants follows the code and the length of its sectors', () => {
    const byLibrary = (transitions: number) =>
      1 - jStat.normal.inv(0.995, 0, 1) / jStat.normal.inv(1 - 1 / (20 * transitions) / 2, 0, 1)
    expect(marginWanted('MFM', 512)).toBeCloseTo(byLibrary(512 * 8 * 0.75), 3)
    expect(marginWanted('FM', 128)).toBeCloseTo(byLibrary(128 * 8 * 1.5), 3)
    expect(marginWanted('FM', 128)).toBeLessThan(marginWanted('MFM', 512))
    expect(marginWanted('MFM', 1024)).toBeGreaterThan(marginWanted('MFM', 512))
  })
})
