import { describe, expect, it } from 'vitest'
import { driveDay, SUPPLY, type DayTask } from '../../../src/bench/day'
import { planBench, readBench } from '../../../src/bench/plan'
import { minutesForGoal, walk } from '../../../src/bench/stations'
import { MECHANISM_IDS } from '../../../src/drives'
import type { LogEntry, RouteId } from '../../../src/log'
import { driveCase } from '../../../src/bench/case'
import { readingEntry } from '../../../src/bench/entries'
import { driveFacts, entry, found } from '../../log'

const NOW = Date.parse('2026-03-01T10:00:00Z')
/** Everything is entered at the time for which the day is worked out. */
const now = (part: Partial<LogEntry> = {}) => entry({ at: '2026-03-01T10:00:00Z', ...part })
const wait = (title: string, minutes: number, holds: string | null = null) =>
  now({ kind: 'wait', station: 'clean', title, data: { type: 'wait', minutes, holds } })

function dayOf(log: readonly LogEntry[], mechanism = '3in', route: RouteId = 'overhaul') {
  const way = walk({ mechanism: mechanism as '3in', route }, log, NOW)
  return { way, ...driveDay({ id: 'd', tag: 'SK-01', way, found: null, priority: 0, urgent: false }, NOW) }
}
const planned = (tasks: readonly DayTask[]) =>
  planBench(readBench({ hands: 1, tasks: tasks.map(t => ({ ...t, drive: t.tag })) }))
const hands = (tasks: readonly DayTask[]) => tasks.filter(t => t.attended).reduce((sum, t) => sum + t.minutes, 0)

describe('what is to be done on a drive in a day', () => {
  it('is the work that its goal needs, for every drive type and both routes, in pieces that an evening holds', () => {
    for (const mechanism of MECHANISM_IDS)
      for (const route of ['overhaul', 'complaint'] as const) {
        const { way, tasks, heldBack } = dayOf([now()], mechanism, route)
        expect(heldBack, mechanism).toBeNull()
        expect(hands(tasks), mechanism).toBe(minutesForGoal(way))
        expect(Math.max(...tasks.filter(t => t.attended).map(t => t.minutes))).toBeLessThanOrEqual(70)
        expect(planned(tasks).schedule).toHaveLength(tasks.length)
      }
  })

  it('under power takes the supply, and begins only once what soaks is over', () => {
    const { tasks } = dayOf([wait('Oil soaking in', 720)])
    const soak = tasks.find(t => !t.attended && t.title === 'Oil soaking in')!
    expect(soak.minutes).toBe(720)
    const powered = tasks.filter(t => t.needs.includes(SUPPLY))
    expect(powered.length).toBeGreaterThan(2)
    const at = new Map(planned(tasks).schedule.map(s => [s.id, s]))
    for (const t of powered) expect(at.get(t.id)!.start).toBeGreaterThanOrEqual(720)
  })

  it('a wait that holds one step leaves the others to the hands', () => {
    const { tasks } = dayOf([wait('Contact spray drying', 30, 'clean.dry')])
    const at = new Map(planned(tasks).schedule.map(s => [s.id, s]))
    expect(tasks.some(t => t.attended && at.get(t.id)!.start < 30)).toBe(true)
  })

  it('a wait that runs already is not begun a second time by the step that it belongs to', () => {
    const soaks = (log: LogEntry[]) => dayOf(log).tasks.filter(t => !t.attended && t.minutes === 720)
    expect(soaks([found('grease.set')])).toHaveLength(1)
    expect(soaks([found('grease.set'), wait('Oil soaking in', 720)]).map(t => t.title)).toEqual(['Oil soaking in'])
  })

  it('nothing is left of a wait that has run out', () => {
    const log = [wait('Alcohol drying', 10)]
    const way = walk({ mechanism: '3in' }, log, NOW + 3_600_000)
    const { tasks } = driveDay({ id: 'd', tag: 'SK-01', way, found: null, priority: 0, urgent: false }, NOW + 3_600_000)
    expect(tasks.every(t => t.title !== 'Alcohol drying')).toBe(true)
  })

  it('leaves out what stands behind a safety gate that no step opens, and says which', () => {
    const { tasks, heldBack } = dayOf([found('mains.none')], '3in')
    // A picture tube is not part of this drive: nothing is held back for it.
    expect(heldBack).toBeNull()
    expect(tasks.length).toBeGreaterThan(0)
    const torn = dayOf([found('heads.torn')], '3.5in')
    expect(torn.heldBack).toMatchObject({ tag: 'SK-01' })
    expect(torn.tasks.every(t => !t.steps.some(s => /reference disk/i.test(s)))).toBe(true)
  })

  it('keeps dirty hands, clean ones and a dark room apart', () => {
    const { way, tasks } = dayOf([now()], '3in')
    const settings = new Map(way.stations.flatMap(s => s.steps.map(x => [x.step.title, x.step.setting ?? null])))
    for (const t of tasks.filter(x => x.attended)) {
      const its = new Set(t.steps.map(s => settings.get(s)).filter(Boolean))
      expect(its.size, t.title).toBeLessThanOrEqual(1)
      expect(t.setting).toBe([...its][0] ?? null)
    }
    expect(new Set(tasks.map(t => t.setting))).toEqual(new Set(['messy', 'clean', 'dark', null]))
  })

  it('says what may not be needed: aligning where the case points elsewhere, all that comes behind an unsure cure', () => {
    const drive = driveFacts({ mechanism: '3.5in', route: 'overhaul' })
    const read = (key: string, value: string | number, of?: number) =>
      now({ ...readingEntry({ id: `r${key}`, at: '2026-03-01T10:00:00Z', remark: '', key, value, of }, drive) })
    const chances = (...log: LogEntry[]) => {
      const way = walk(drive, log, NOW)
      const found = driveCase(drive, log, { gates: [] })
      const { tasks } = driveDay({ id: 'd', tag: 'SK-01', way, found, priority: 0, urgent: false }, NOW)
      const of = (station: string) => tasks.filter(t => t.station === station).map(t => t.chance)
      return { look: of('look'), align: of('align')[0] ?? 1, prove: of('prove')[0]! }
    }
    const protect = chances(read('complaint.always-protected', 'seen'), read('switch.protect', 'stuck open'))
    expect(new Set(protect.look)).toEqual(new Set([1]))
    expect(protect.prove).toBeLessThan(1)
    const off = chances(
      read('complaint.not-elsewhere', 'seen'),
      read('see.header', 'other'),
      read('read.lower.outer', 0, 18),
    )
    expect(off.align).toBeGreaterThan(protect.align)
  })

  it('is nothing for a drive that has left', () => {
    const released = now({ kind: 'released', station: 'release', data: { type: 'release', outcome: 'released' } })
    expect(dayOf([released])).toMatchObject({ tasks: [], heldBack: null })
  })
})
