import jStat from 'jstat'
import { describe, expect, it } from 'vitest'
import { driveCase } from '../../../src/bench/case'
import {
  chanceHere,
  cureKind,
  cureOutlook,
  expectedMinutes,
  minutesHere,
  paceOf,
  partFor,
  SUCCEEDS,
  worthIt,
} from '../../../src/bench/worth'
import { FAULTS } from '../../../src/diagnosis'
import { NO_ACCOUNT, type LogEntry } from '../../../src/log'
import { findPart } from '../../../src/parts'
import { findStep } from '../../../src/bench/stations'
import { driveFacts, entry, withData } from '../../log'
import { readOn } from '../../read-on'

const drive = driveFacts({ mechanism: '3.5in' })
const read = (key: string, value: string | number, of?: number) => readOn(drive, key, value, { of })
const caseOf = (...log: LogEntry[]) => driveCase(drive, log, { gates: [] })

describe('what this workshop has seen', () => {
  it('moves the chance of a type as a Beta distribution does', () => {
    // Against jstat: eight drives known beforehand, of which the usual share worked.
    expect(chanceHere(0.75, { working: 3, all: 10 })).toBeCloseTo(jStat.beta.mean(6 + 3, 2 + 7), 12)
    expect(chanceHere(0.75, { working: 0, all: 0 })).toBe(0.75)
  })
  it('moves the hours a little by a few drives, and to its own pace by many', () => {
    expect(paceOf({ expected: 0, taken: 0 })).toBe(1)
    expect(paceOf({ expected: 60, taken: 120 })).toBeGreaterThan(1)
    expect(paceOf({ expected: 60, taken: 120 })).toBeLessThan(1.15)
    expect(paceOf({ expected: 60_000, taken: 120_000 })).toBeCloseTo(2, 1)
  })
  it('counts repairs of the same fault beside the list', () => {
    expect(minutesHere(60, [])).toBe(60)
    // By hand: (60 · 2 + 30 + 150) / 4.
    expect(
      minutesHere(60, [
        { tag: 'a', minutes: 30 },
        { tag: 'b', minutes: 150 },
      ]),
    ).toBe(75)
  })
  it('expects for a log what steps, checks and parts are said to take', () => {
    const gear = findPart('gears')!
    const log = [
      withData('step', { type: 'step', step: 'clean.heads' }),
      withData('part-used', { type: 'part-used', release: 'r', part: 'gears', from: 'SK-01' }),
      entry({ kind: 'note' }),
    ]
    expect(expectedMinutes(log)).toBe(findStep('clean.heads')!.step.hands + gear.minutes)
  })
})

describe('the likely cure and its chance', () => {
  it('a gear is bought or at hand, heads have to be found, dirt goes by work, a supply is no part of the drive', () => {
    const none = () => false
    expect(cureKind('lower-head.dirty', none)).toBe('work')
    expect(cureKind('supply.low', none)).toBe('outside')
    expect(cureKind('lower-head.torn', none)).toBe('to be found')
    expect(cureKind('lower-head.torn', () => true)).toBe('at hand')
    expect(cureKind('capacitor.dry', none)).toBe('bought')
    for (const f of FAULTS) {
      expect(SUCCEEDS[cureKind(f.id, none)], f.id).toBeGreaterThan(0)
      if (partFor(f.id))
        expect(
          cureKind(f.id, () => true),
          f.id,
        ).toMatch(/at hand|outside/)
    }
  })
  it('is worse where the part has to be found than where it lies in a donor', () => {
    const found = caseOf(
      read('complaint.reads-one-side', 'seen'),
      read('ohms.upper.read', 1e6),
      read('read.upper.outer', 0, 18),
      read('read.lower.outer', 18, 18),
    )
    const [away, here] = [cureOutlook(found, 0.7)!, cureOutlook(found, 0.7, () => true)!]
    expect(away.likely?.fault).toBe('upper-head.dead')
    expect(away.likely?.kind).toBe('to be found')
    expect(here.chance).toBeGreaterThan(away.chance + 0.1)
    expect(here.chance).toBeLessThan(1)
    expect(here.minutes).toBeGreaterThan(0)
  })
  it('is nothing where nobody complains', () => {
    expect(cureOutlook(caseOf(), 0.7)).toBeNull()
  })
  it('decides: the same drive is worth it with the part at hand, and is stripped without', () => {
    const found = caseOf(read('complaint.reads-one-side', 'seen'), read('ohms.upper.read', 1e6))
    const judge = (atHand: boolean) =>
      worthIt({
        mechanism: '3.5in',
        account: { ...NO_ACCOUNT, working: 60, asParts: 40, parts: 4 },
        found: [],
        minutesToGo: 60,
        outlook: cureOutlook(found, 0.7, () => atHand),
      })
    expect(judge(true).chance).toBeGreaterThan(judge(false).chance)
    expect(judge(true).gain!).toBeGreaterThan(judge(false).gain!)
  })
  it('a chance that was typed outweighs all, and hours follow the workshop', () => {
    const base = { mechanism: '3.5in' as const, account: { ...NO_ACCOUNT, working: 60, chance: 0.4 }, found: [] }
    const plain = worthIt({ ...base, minutesToGo: 120 })
    const slow = worthIt({ ...base, minutesToGo: 120, pace: { expected: 6000, taken: 12_000, drives: 9 } })
    expect(plain.chance).toBe(0.4)
    expect(plain.hoursToGo).toBe(2)
    expect(slow.hoursToGo).toBeGreaterThan(3.5)
    expect(slow.gain).toBe(plain.gain)
    expect(slow.perHour!).toBeLessThan(plain.perHour!)
  })
})
