import ICAL from 'ical.js'
import { describe, expect, it } from 'vitest'
import { aheadOf, benchCalendar } from '../server/services/bench-calendar'

const NOW = new Date('2026-03-01T10:00:00Z')
const wait = (entryId: string, endsAt: string, over = false) => ({
  driveId: 'd',
  tag: 'SK-05',
  entryId,
  what: 'Glue cures',
  endsAt,
  over,
  share: 0.5,
})
const due = (id: string, on: string) => ({ id, name: 'Eject motor', on, serves: ['SK-10'] })

describe('waits and parts as a calendar file', () => {
  // RFC 5545, read by ical.js: another hand than the one that writes it.
  const read = (text: string) =>
    new ICAL.Component(ICAL.parse(text) as []).getAllSubcomponents('vevent').map(c => new ICAL.Event(c))
  it('a wait ends at its moment with a reminder, a part arrives on its day', () => {
    const [cures, arrives] = read(
      benchCalendar([wait('e1', '2026-03-02T09:30:00Z')], [due('p1', '2026-03-04')], NOW, 'http://127.0.0.1:3000'),
    )
    expect(cures!.summary).toBe('SK-05: Glue cures is over')
    expect(cures!.startDate.toJSDate().toISOString()).toBe('2026-03-02T09:30:00.000Z')
    expect(cures!.component.getAllSubcomponents('valarm')).toHaveLength(1)
    expect(arrives!.startDate.isDate).toBe(true)
    expect(arrives!.startDate.toString()).toBe('2026-03-04')
    expect(arrives!.description).toContain('SK-10')
  })
  it('the same wait keeps its id, so that a calendar moves it and does not add it', () => {
    const ids = (at: string) => read(benchCalendar([wait('e1', at)], [], NOW, 'http://127.0.0.1:3000')).map(e => e.uid)
    expect(ids('2026-03-02T09:30:00Z')).toEqual(ids('2026-03-03T09:30:00Z'))
  })
})

describe('the week ahead', () => {
  it('has what ends or arrives within seven days, the first first, and what is late', () => {
    const ahead = aheadOf(
      [
        wait('late', '2026-03-20T09:00:00Z'),
        wait('soon', '2026-03-03T09:00:00Z'),
        wait('over', '2026-03-01T09:00:00Z', true),
      ],
      [due('overdue', '2026-02-27'), due('p', '2026-03-02')],
      NOW.getTime(),
    )
    expect(ahead.map(a => a.key)).toEqual(['overdue', 'p', 'soon'])
  })
})
