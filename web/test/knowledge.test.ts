import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { driveCase } from '../../core/src/bench/case'
import { walk } from '../../core/src/bench/stations'
import { recordReading } from '../../core/src/diagnosis/readings'
import { archiveOf, chunks, newDrive, uuid, workshop, type Workshop } from './helpers'

let number = 100

/** A drive of a model whose complaint was cured by cleaning its heads. */
function cured({ drives }: Workshop, tag: string, model: string): void {
  const drive = drives.receive(newDrive({ tag, model, mechanism: '5.25in-48' }), '2026-03-01T09:00:00Z')
  const say = (key: string, value: string) => {
    const { title, data, observations, call, evidence } = recordReading({ key, value, source: 'hand' }, drive)
    drives.append({
      id: uuid(number++),
      driveId: drive.id,
      at: '2026-03-01T10:00:00Z',
      kind: 'measurement',
      station: 'prove',
      title,
      detail: '',
      call,
      observations,
      evidence,
      data,
      takesBack: null,
    })
  }
  say('complaint.slow-retries', 'seen')
  say('after.clean.heads', 'cures')
  say('complaint.slow-retries', 'cured')
}
const rateOf = (w: Workshop, fault: string, model = '') => w.knowledge.options(model).factors?.[fault] ?? 1

describe('what a workshop knows of faults', () => {
  it('moves with every case that is closed, and more for drives of the same model', async () => {
    const w = await workshop()
    expect(w.knowledge.options('Staithe M1')).toEqual({})
    expect(w.knowledge.state()).toMatchObject({ cases: 0, learned: [] })
    cured(w, 'SK-01', 'Staithe M1')
    const one = rateOf(w, 'lower-head.dirty', 'Other')
    expect(one).toBeGreaterThan(1)
    expect(rateOf(w, 'lower-head.dirty', 'staithe m1')).toBeGreaterThan(one)
    expect(rateOf(w, 'belt.gone', 'Other')).toBeLessThan(1)
    cured(w, 'SK-02', 'Staithe M1')
    expect(rateOf(w, 'lower-head.dirty', 'Other')).toBeGreaterThan(one)
    expect(w.knowledge.state()).toMatchObject({ cases: 2 })
    const [first] = w.knowledge.state().learned
    expect(first!.fault).toMatch(/-head\.dirty$/)
    expect(first!.now).toBeGreaterThan(first!.before)
  })

  it('a drive that was erased moves them no more; a case that an archive brings does', async () => {
    const w = await workshop()
    cured(w, 'SK-01', 'Staithe M1')
    const moved = rateOf(w, 'lower-head.dirty')
    expect(moved).toBeGreaterThan(1)
    const [drive] = w.drives.list()
    const archive = await archiveOf(w, drive!.id)
    await w.erasing.eraseDrive(drive!.id, 'SK-01', '2026-03-02T09:00:00Z')
    expect(w.knowledge.options('')).toEqual({})
    await w.archives.import(chunks(archive, 50_000))
    expect(rateOf(w, 'lower-head.dirty')).toBe(moved)
  })

  it('a file of rates goes out, comes in edited, and counts in place of what was learned', async () => {
    const w = await workshop()
    const csv = w.knowledge.written('rates').replace(/^belt\.gone,[^,]*/m, 'belt.gone,500')
    expect(w.knowledge.take('rates', csv, 'rates.csv').own.rates).toBe(true)
    expect(rateOf(w, 'belt.gone')).toBeGreaterThan(10)
    const drive = w.drives.receive(newDrive({ tag: 'SK-09', mechanism: '5.25in-48' }), '2026-03-01T09:00:00Z')
    const log = w.drives.log(drive.id)
    const weighed = (known: object) => driveCase(drive, log, walk(drive, log, 0), known).diagnosis
    expect(weighed(w.knowledge.options(''))).not.toEqual(weighed({}))
    expect(w.knowledge.drop('rates').own.rates).toBe(false)
    expect(w.knowledge.options('')).toEqual({})
  })

  it('refuses an edited file by line, and what was in force stays', async () => {
    const w = await workshop()
    const right = w.knowledge.written('knowledge')
    w.knowledge.take('knowledge', right.replace('"odds": 14', '"odds": 15'), 'mine.json')
    const inForce = w.knowledge.options('').knowledge
    const wrong = right.replace('"chance": 0.98', '"chance": 1.2')
    expect(() => w.knowledge.take('knowledge', wrong, 'mine.json')).toThrow(
      /^mine\.json, line \d+, faults\..*: the chance of a way is 1\.2; expected a number from 0 to 1\.$/,
    )
    expect(w.knowledge.options('').knowledge).toBe(inForce)
  })

  it('a mistake edited into the file in the data folder leaves the one before it in force, and is told', async () => {
    const w = await workshop()
    const right = w.knowledge.written('knowledge').replace('"odds": 14', '"odds": 77')
    w.knowledge.take('knowledge', right, 'mine.json')
    const path = join(w.root, 'knowledge.json')
    writeFileSync(path, right.replace('"part": "belt"', '"part": "elastic"'))
    const again = await workshop(w.root)
    expect(again.knowledge.state().own.knowledge).toBe(true)
    expect(again.knowledge.state().problems[0]).toMatch(/knowledge\.json, line \d+, .*there is no part "elastic"/)
    expect(JSON.parse(again.knowledge.written('knowledge'))).toEqual(JSON.parse(right))
    again.knowledge.drop('knowledge')
    expect(existsSync(path)).toBe(false)
    expect(again.knowledge.state()).toMatchObject({ own: { knowledge: false }, problems: [] })
    expect(readFileSync(join(w.root, 'wobrin.sqlite')).length).toBeGreaterThan(0)
  })
})
