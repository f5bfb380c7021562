import { describe, expect, it } from 'vitest'
import { bestNext, progressOf, walk } from '../../core/src/bench/stations'
import { catchUpEach } from '../server/services/drive-states'
import type { NewEntry } from '../../core/src/log'
import { driveStates } from '../server/database/schema'
import { newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const NOW_MS = Date.parse(NOW)
const entry = (n: number, driveId: string, part: Partial<NewEntry> = {}): NewEntry => ({
  id: uuid(n),
  driveId,
  at: NOW,
  kind: 'note',
  station: 'look',
  title: 'Belt sticky, decayed',
  detail: '',
  call: null,
  observations: [],
  evidence: null,
  data: null,
  takesBack: null,
  ...part,
})
const released = (n: number, driveId: string) =>
  entry(n, driveId, {
    kind: 'released',
    station: 'release',
    title: 'Released',
    data: { type: 'release', outcome: 'released' },
  })
async function bench(count: number) {
  const w = await workshop()
  for (let i = 1; i <= count; i++)
    w.drives.receive(
      newDrive({
        tag: `SK-${String(i).padStart(2, '0')}`,
        maker: i % 2 ? 'Fennick' : 'Staithe',
        serial: `serial ${i}`,
        ownerWords: i === 3 ? 'Quietscht fürchterlich' : '',
      }),
      NOW,
      uuid(i),
    )
  return w
}

describe('the bench at scale', () => {
  it('is what walking every drive’s log would say, whatever is said in between', async () => {
    const w = await bench(6)
    const check = async (nowMs: number) => {
      const at = await w.bench.at(nowMs)
      const walked = w.drives
        .list()
        .map(d => ({ id: d.id, tag: d.tag, log: w.drives.log(d.id), way: walk(d, w.drives.log(d.id), nowMs) }))
      const open = walked.filter(x => !x.way.progress.outcome)
      expect(at.lines.filter(l => !l.outcome).map(l => [l.drive.tag, l.current, l.call])).toEqual(
        open.map(x => [x.tag, x.way.progress.current, x.way.progress.call]),
      )
      expect(at.next.map(n => n.tag).sort()).toEqual(
        bestNext(open)
          .map(n => n.tag)
          .sort(),
      )
      expect(at.leftInAll).toBe(walked.length - open.length)
      return at
    }
    await check(NOW_MS)
    w.drives.append(entry(100, uuid(1), { kind: 'station', station: 'receive' }))
    await check(NOW_MS + 1000)
    w.drives.append(released(101, uuid(2)))
    await check(NOW_MS + 2000)
    w.drives.append(entry(102, uuid(3), { kind: 'wait', data: { type: 'wait', minutes: 30, holds: null } }))
    expect((await check(NOW_MS + 3000)).waits).toMatchObject([{ tag: 'SK-03', over: false }])
    // A day later the wait is over, though nothing was said since.
    expect((await check(NOW_MS + 86_400_000)).waits).toMatchObject([{ tag: 'SK-03', over: true }])
    w.drives.append(entry(103, uuid(2), { kind: 'taken-back', takesBack: uuid(101) }))
    expect((await check(NOW_MS + 4000)).leftInAll).toBe(0)
    w.drives.change(uuid(4), { maker: 'Orlop' })
    expect((await check(NOW_MS + 5000)).lines.find(l => l.drive.tag === 'SK-04')!.drive.maker).toBe('Orlop')
  })

  it('shows the latest that have left, and how many there are in all', async () => {
    const w = await bench(50)
    for (let i = 1; i <= 45; i++)
      w.drives.append({ ...released(200 + i, uuid(i)), at: new Date(NOW_MS + i * 60_000).toISOString() })
    const at = await w.bench.at(NOW_MS)
    expect(at.leftInAll).toBe(45)
    const left = at.lines.filter(l => l.outcome)
    expect(left).toHaveLength(40)
    expect(left[0]!.drive.tag).toBe('SK-45')
    expect(at.lines.filter(l => !l.outcome)).toHaveLength(5)
  })

  it('states follow whatever is said, in any order', async () => {
    const w = await bench(1)
    const call = (kind: 'mend' | 'leave') => ({ kind, reasons: ['so'] as [string], next: '' })
    const kinds: readonly (() => Partial<NewEntry>)[] = [
      () => ({}),
      () => ({ kind: 'station', station: 'prove' }),
      () => ({ kind: 'released', data: { type: 'release', outcome: 'released' } }),
      () => ({ kind: 'released', data: { type: 'release', outcome: 'parts' } }),
      () => ({ kind: 'finding', call: call('mend') }),
      () => ({ kind: 'measurement', call: call('leave') }),
      () => {
        const log = w.drives.log(uuid(1)).filter(e => e.kind !== 'received' && e.kind !== 'taken-back')
        return log.length ? { kind: 'taken-back', takesBack: log.at(-1)!.id } : {}
      },
    ]
    let pick = 7
    for (let i = 0; i < 120; i++) {
      pick = (pick * 48_271) % 2_147_483_647
      const { seq } = w.drives.append(entry(1000 + i, uuid(1), kinds[pick % kinds.length]!()))
      expect(w.db.select().from(driveStates).get()).toMatchObject({
        seq,
        outcome: progressOf(w.drives.log(uuid(1))).outcome,
      })
    }
  })

  it('states are caught up with where the log grew otherwise', async () => {
    const w = await bench(3)
    w.drives.append(released(300, uuid(1)))
    w.db.delete(driveStates).run()
    expect((await w.bench.at(NOW_MS)).lines).toEqual([])
    catchUpEach(w.db, w.drives.aside)
    const states = w.db.select().from(driveStates).all()
    expect(states).toHaveLength(3)
    catchUpEach(w.db, w.drives.aside)
    expect(w.db.select().from(driveStates).all()).toEqual(states)
    expect(await w.bench.at(NOW_MS)).toMatchObject({ leftInAll: 1 })
  })
})

describe('the next tag', () => {
  it('goes on with the series that has the highest number, as it is written', async () => {
    const w = await workshop()
    expect(w.drives.nextTag()).toBe('SK-01')
    for (const [i, tag] of ['SK-09', 'AB-3', 'loose'].entries()) w.drives.receive(newDrive({ tag }), NOW, uuid(i + 1))
    expect(w.drives.nextTag()).toBe('SK-10')
    w.drives.receive(newDrive({ tag: 'T0099' }), NOW, uuid(9))
    expect(w.drives.nextTag()).toBe('T0100')
  })
})

describe('finding', () => {
  it('finds drives by any of their words, tags first, without regard to case', async () => {
    const { finder } = await bench(12)
    const tags = (q: string) => finder.find(q).drives.map(d => d.tag)
    expect(tags('sk-03')).toEqual(['SK-03'])
    expect(tags('fennick serial 11')).toEqual(['SK-11'])
    expect(tags('FÜRCHTER')).toEqual(['SK-03'])
    expect(tags('fürchter')).toEqual(['SK-03'])
    expect(tags('staithe')).toHaveLength(6)
    expect(tags('100%')).toEqual([])
    expect(tags('')).toHaveLength(12)
  })
  it('finds entries by beginnings of words, the latest first, with accents or without', async () => {
    const { finder, drives } = await bench(2)
    drives.append(entry(400, uuid(1)))
    drives.append(entry(401, uuid(2), { title: 'Neuer Riemen', detail: 'Länge 249 mm, “sticky” scraped off' }))
    expect(finder.find('sticky').entries.map(e => [e.tag, e.title])).toEqual([
      ['SK-02', 'Neuer Riemen'],
      ['SK-01', 'Belt sticky, decayed'],
    ])
    expect(finder.find('lange 249').entries.map(e => e.tag)).toEqual(['SK-02'])
    expect(finder.find('be st').entries.map(e => e.tag)).toEqual(['SK-01'])
    expect(finder.find('x').entries).toEqual([])
  })
  it('whatever is typed is words, never a command of the search', async () => {
    const { finder } = await bench(1)
    for (const q of [
      '"',
      '*',
      'a AND',
      'NEAR(',
      '-',
      ':',
      'title:goo',
      '; drop table drives',
      "'",
      '%_\\',
      '🦊',
      'ﷺ'.repeat(30),
    ])
      expect(() => finder.find(q)).not.toThrow()
  })
})
