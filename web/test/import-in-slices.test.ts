import { readdirSync } from 'node:fs'
import { setImmediate } from 'node:timers/promises'
import { describe, expect, it } from 'vitest'
import { verifyFolder } from '../server/tools/verify-folder'
import {
  archiveOf,
  chunks,
  filledWorkshop,
  logProblems,
  newDrive,
  note,
  uuid,
  workshop,
  type Workshop,
} from './helpers'

const NOW = '2026-03-01T09:00:00.000Z'
const DRIVES = 6
const NOTES = 400

const filled = () => filledWorkshop(DRIVES, NOTES)
const bringing = (w: Workshop) => w.db.$client.prepare('select count(*) from arriving').pluck().get() as number
/** Waits until an import has brought some of its drives. */
async function halfway(w: Workshop): Promise<void> {
  const some = () => w.db.$client.prepare('select count(*) from log_entries where drive_id = ?').pluck().get(uuid(2))
  while (!bringing(w) || !some()) await setImmediate()
}
describe('an archive comes in slices', () => {
  it('nobody sees any of it before all of it is there, and everything else goes on', async () => {
    const archive = await archiveOf(await filled())
    const w = await workshop()
    const reading = w.archives.import(chunks(archive, 50_000))
    await halfway(w)
    expect(w.drives.list()).toEqual([])
    expect(w.drives.count()).toEqual({ drives: 0, entries: 0 })
    expect(() => w.drives.get(uuid(1))).toThrow('no such drive')
    expect(w.finder.find('belt')).toEqual({ drives: [], entries: [] })
    expect((await w.bench.at(Date.parse(NOW))).lines).toEqual([])
    expect(logProblems(w)).toEqual([])
    expect((await verifyFolder(w.folder)).problems).toEqual([])
    // Somebody works on meanwhile, in a workshop that was empty.
    w.drives.receive(newDrive({ tag: 'OWN-1' }), NOW, uuid(77))
    w.drives.append(note(uuid(77), uuid(7700)))
    expect(bringing(w)).toBe(DRIVES)

    expect((await reading).tables).toMatchObject({
      drives: { added: DRIVES, there: 0 },
      log_entries: { added: DRIVES * (NOTES + 1) + 1, there: 0 },
    })
    expect(w.drives.list().map(d => d.tag)).toEqual(['OWN-1', 'SK-1', 'SK-2', 'SK-3', 'SK-4', 'SK-5', 'SK-6'])
    expect(w.drives.log(uuid(77))).toHaveLength(2)
    expect((await w.bench.at(Date.parse(NOW))).lines).toHaveLength(DRIVES + 1)
    expect(w.finder.find('belt').entries).toHaveLength(8)
    expect(bringing(w)).toBe(0)
    expect((await verifyFolder(w.folder)).problems).toEqual([])
  })

  it('one that a killed server left half done is gone when the next one starts', async () => {
    const archive = await archiveOf(await filled())
    const w = await workshop()
    w.drives.receive(newDrive({ tag: 'OWN-1' }), NOW, uuid(77))
    const reading = w.archives.import(chunks(archive, 50_000))
    await halfway(w)
    w.db.$client.close()
    await expect(reading).rejects.toThrow()

    const next = await workshop(w.root)
    expect(next.drives.list().map(d => d.tag)).toEqual(['OWN-1'])
    for (const table of ['log_entries', 'log_chain', 'log_heads'])
      expect(next.db.$client.prepare(`select count(*) from ${table}`).pluck().get()).toBe(1)
    expect(next.finder.find('belt').entries).toEqual([])
    expect(readdirSync(next.folder.captures)).toEqual([])
    expect(readdirSync(next.root).filter(n => n.startsWith('.import'))).toEqual([])
    expect((await verifyFolder(next.folder)).problems).toEqual([])
    // And it can be read in again.
    expect((await next.archives.import(chunks(archive, 50_000))).tables.drives).toEqual({ added: DRIVES, there: 0 })
    expect(logProblems(next)).toEqual([])
  })

  it('what is refused leaves as little', async () => {
    const source = await filled()
    const archive = await archiveOf(source)
    const w = await workshop()
    source.drives.change(uuid(6), { maker: 'Staithe' })
    // The drive that is here has other facts than the archive’s: told before anything else.
    await w.archives.import(chunks(await archiveOf(source), 50_000))
    await expect(w.archives.import(chunks(archive, 50_000))).rejects.toThrow('The drive')
    expect(w.drives.count().drives).toBe(DRIVES)
    const other = await workshop()
    other.drives.receive(newDrive({ tag: 'SK-6' }), NOW, uuid(66))
    await expect(other.archives.import(chunks(archive, 50_000))).rejects.toThrow('another drive here has the tag SK-6')
    expect(other.drives.count()).toEqual({ drives: 1, entries: 1 })
    expect(readdirSync(other.folder.captures)).toEqual([])
  })

  it('entries of both workshops stand in one log afterwards, those of new drives as well', async () => {
    const source = await filled()
    const w = await workshop()
    await w.archives.import(chunks(await archiveOf(source), 50_000))
    source.drives.append(note(uuid(1), uuid(9100)))
    source.drives.receive(newDrive({ tag: 'SK-9' }), NOW, uuid(9))
    w.drives.append(note(uuid(1), uuid(9200)))
    const { tables } = await w.archives.import(chunks(await archiveOf(source), 50_000))
    expect(tables).toMatchObject({ drives: { added: 1 }, log_entries: { added: 2 } })
    expect(
      w.drives
        .log(uuid(1))
        .slice(-3)
        .map(e => e.id),
    ).toEqual([uuid(9200), uuid(9100), expect.any(String)])
    expect(w.drives.log(uuid(1)).at(-1)!.title).toBe('Two logs of this drive became one')
    expect(logProblems(w)).toEqual([])
  })
  it('a drive that left in the other workshop has left here as well, and the others stand as they did', async () => {
    const source = await filled()
    const w = await workshop()
    await w.archives.import(chunks(await archiveOf(source), 50_000))
    const left = { station: 'release', kind: 'released', data: { type: 'release', outcome: 'released' } }
    source.drives.append(note(uuid(3), uuid(9300), left))
    await w.archives.import(chunks(await archiveOf(source), 50_000))
    const { lines } = await w.bench.at(Date.parse(NOW))
    expect(lines.filter(l => l.outcome).map(l => [l.drive.tag, l.outcome])).toEqual([['SK-3', 'released']])
    expect(lines).toHaveLength(DRIVES)
  })
})
