import { describe, expect, it } from 'vitest'
import type { LogEntry } from '../../core/src/log'
import {
  clockOf,
  dayOf,
  dayWithin,
  decimals,
  duration,
  endOf,
  longTime,
  megabytes,
  shortTime,
  signed,
  mark,
} from '../app/composables/useFormat'
import { earlierReadings } from '../app/utils/earlier-readings'

describe('a day within a sentence', () => {
  it('begins with a small letter where the word is no name', () => {
    const now = new Date().toISOString()
    expect([dayOf(now), dayWithin(now)]).toEqual(['Today', 'today'])
    const old = '2020-03-05T10:00:00Z'
    expect(dayWithin(old)).toBe(dayOf(old))
  })
})

describe('figures in words', () => {
  it.each([
    [0.21, 1],
    [0.04, 2],
    [0.003, 2],
    [3, 0],
    [null, 1],
  ])('an uncertainty of %s justifies %i decimals', (u, n) => {
    expect(decimals(u)).toBe(n)
  })

  it.each([
    [1.234, 1, '+1.2'],
    [-0.5, 2, '−0.50'],
    [0.04, 1, '0'],
    [-0.001, 2, '0'],
  ])('%f to %i places is %s', (x, places, text) => {
    expect(signed(x, places)).toBe(text)
  })

  it.each([
    [0, '1 kB'],
    [163_900, '164 kB'],
    [400e6, '400.0 MB'],
  ])('%i bytes are %s', (bytes, text) => {
    expect(megabytes(bytes)).toBe(text)
  })
})

describe('durations and ends', () => {
  it.each([
    [10, '10 min'],
    [90, '90 min'],
    [240, '4 h'],
    [1440, '24 h'],
    [7200, '5 days'],
  ])('%i minutes are %s', (minutes, words) => {
    expect(duration(minutes)).toBe(words)
  })

  it('say a clock today, a weekday this week, a date beyond', () => {
    const inHours = (h: number) => new Date(Date.now() + h * 3_600_000).toISOString()
    expect(endOf(new Date().toISOString())).toMatch(/^\d\d:\d\d$/)
    expect(endOf(inHours(60))).toMatch(/^[A-Z][a-z]{2} \d\d:\d\d$/)
    expect(endOf(inHours(24 * 20))).toMatch(/^\d{1,2} [A-Z][a-z]{2}$/)
  })
})

describe('times', () => {
  const now = new Date()
  it('are a clock today, a day otherwise', () => {
    expect(shortTime(now.toISOString())).toBe(clockOf(now.toISOString()))
    expect(dayOf(now.toISOString())).toBe('Today')
    expect(dayOf(new Date(now.getTime() - 86_400_000).toISOString())).toBe('Yesterday')
    expect(shortTime('2019-05-04T12:00:00Z')).toBe('4 May 19')
    expect(dayOf('2019-05-04T12:00:00Z')).toBe('4 May 2019')
    expect(longTime('2019-05-04T12:00:00Z')).toMatch(/^4 May 2019, \d\d:\d\d$/)
  })
})

describe('a place on a scale', () => {
  it.each([
    [-3.126, '−3.13'],
    [4, '4'],
    [0.5, '0.5'],
    [-0.001, '0'],
  ])('%d is %s', (x, text) => expect(mark(x)).toBe(text))
})

describe('earlier readings on the ruler', () => {
  const entry = (seq: number, rpm: number, takesBack: string | null = null): LogEntry => ({
    id: `e${seq}`,
    seq,
    driveId: 'd',
    at: '2026-03-01T10:00:00Z',
    kind: takesBack ? 'taken-back' : 'measurement',
    station: 'speed',
    title: '',
    detail: '',
    call: takesBack ? null : { kind: 'nudge', reasons: ['r'], next: 'n' },
    observations: [],
    evidence: null,
    takesBack,
    data: takesBack
      ? null
      : {
          type: 'speed',
          rpm,
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
        },
  })

  it('are named from the first on, latest first, without those taken back', () => {
    const log = [entry(1, 317), entry(2, 400), entry(3, 0, 'e2'), entry(4, 313), entry(5, 309), entry(6, 301)]
    expect(earlierReadings(log).map(e => [e.rpm, e.label])).toEqual([
      [301, '4th'],
      [309, '3rd'],
      [313, '2nd'],
      [317, 'as found'],
    ])
  })
})
