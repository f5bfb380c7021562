import { once } from 'node:events'
import { mkdtempSync, readdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { beforeAll, describe, expect, it } from 'vitest'
import { InputError } from '../../core/src/base/errors'
import { buildScripts } from '../build/worker-scripts'
import { exportInThread } from '../server/services/export-thread'
import { ImportThread } from '../server/services/import-thread'
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
const NOTES = 300

const folder = mkdtempSync(join(tmpdir(), 'wobrin-archive-threads-'))
// What was compiled for this machine is found there.
symlinkSync(join(import.meta.dirname, '../../node_modules'), join(folder, 'node_modules'))
const script = (name: string) => join(folder, `${name}.mjs`)

beforeAll(() =>
  buildScripts(join(import.meta.dirname, '..'), ['workers/import-archive', 'workers/export-archive'], folder),
)

const filled = () => filledWorkshop(DRIVES, NOTES)

/** A workshop that is empty, an archive's file, and the thread that reads it in. */
async function arriving(archive: Uint8Array, of = script('import-archive')) {
  const w = await workshop()
  const path = join(w.root, 'archive.zip')
  writeFileSync(path, archive)
  const thread = new ImportThread(of, w.folder, w.db)
  return { w, thread, reading: thread.run(path, NOW) }
}

const brought = (w: Workshop) => w.db.$client.prepare('select count(*) from log_chain').pluck().get() as number
const halfway = async (w: Workshop) => {
  while (brought(w) === 0) await setTimeout(1)
}

describe('an archive is read in by a thread', () => {
  it('who writes meanwhile finds the database free each time, and all of both is there afterwards', async () => {
    const { w, thread, reading } = await arriving(await archiveOf(await filled()))
    let done = false
    const all = reading.finally(() => (done = true))
    await halfway(w)
    // Whoever found it taken would be told at once instead of waiting.
    w.db.$client.pragma('busy_timeout = 0')
    w.drives.receive(newDrive({ tag: 'OWN-1' }), NOW, uuid(77))
    let written = 0
    while (!done) {
      await thread.first(() => w.drives.append(note(uuid(77), uuid(7700 + written++))))
      await setTimeout(1)
    }
    expect((await all).tables).toMatchObject({
      drives: { added: DRIVES, there: 0 },
      log_entries: { added: DRIVES * (NOTES + 1) + 1, there: 0 },
    })
    expect(written).toBeGreaterThan(3)
    w.drives.logsChanged()
    expect(w.drives.log(uuid(77))).toHaveLength(1 + written)
    expect(w.drives.list()).toHaveLength(DRIVES + 1)
    expect(logProblems(w)).toEqual([])
    expect((await verifyFolder(w.folder)).problems).toEqual([])
  })

  it('what is refused is told in the same words as without a thread, and leaves nothing', async () => {
    const { w, reading } = await arriving(Buffer.from('no archive'))
    await expect(reading).rejects.toThrow(InputError)
    await expect(reading).rejects.toMatchObject({ problem: expect.stringContaining('cut short') })
    expect(readdirSync(w.root).filter(n => n.startsWith('.import'))).toEqual([])
  })

  it('one that is stopped half-way is gone at the next start', async () => {
    const archive = await archiveOf(await filled())
    const { w, thread, reading } = await arriving(archive)
    const refused = expect(reading).rejects.toThrow()
    await halfway(w)
    await thread.stop()
    w.db.$client.close()
    await refused
    const next = await workshop(w.root)
    expect(next.drives.count()).toEqual({ drives: 0, entries: 0 })
    expect(brought(next)).toBe(0)
    expect((await next.archives.import(chunks(archive, 50_000))).tables.drives).toEqual({ added: DRIVES, there: 0 })
  })

  it('one whose thread dies leaves nothing behind, and who waits to write is let go on', async () => {
    const dying = script('dying')
    writeFileSync(
      dying,
      `import Database from 'better-sqlite3'
       import { parentPort, workerData } from 'node:worker_threads'
       const db = new Database(workerData.folder.database)
       db.exec("insert into arriving (drive_id, import_id) values ('${uuid(5)}', 'dead')")
       parentPort.once('message', () => process.exit(3))`,
    )
    const { w, thread, reading } = await arriving(new Uint8Array(), dying)
    const refused = expect(reading).rejects.toThrow('ended')
    expect(await thread.first(() => 'written')).toBe('written')
    await refused
    expect(w.db.$client.prepare('select count(*) from arriving').pluck().get()).toBe(0)
  })
})

describe('an archive is written by a thread', () => {
  const task = (w: Workshop) => ({ folder: w.folder, madeAt: NOW, drive: null, withPhotos: true })
  const bytesOf = async (stream: AsyncIterable<Uint8Array>) => {
    const pieces: Uint8Array[] = []
    for await (const piece of stream) pieces.push(piece)
    return Buffer.concat(pieces)
  }

  it('is read in again whole, and names what is missing', async () => {
    const w = await filled()
    rmSync(join(w.folder.captures, readdirSync(w.folder.captures)[0]!), { recursive: true })
    const { stream, missing } = await exportInThread(script('export-archive'), task(w))
    expect(missing).toMatchObject([{ why: 'missing' }])
    const other = await workshop()
    const { tables } = await other.archives.import(chunks(await bytesOf(stream), 50_000))
    expect(tables.log_entries).toMatchObject({ added: DRIVES * (NOTES + 1) + 1 })
    expect(logProblems(other)).toEqual([])
  })

  it('ends with an error where the thread ends before the archive does', async () => {
    const half = script('half')
    writeFileSync(
      half,
      `import { parentPort } from 'node:worker_threads'
       parentPort.postMessage({ missing: [] })
       process.stdout.write('PK half of it', () => process.exit(3))`,
    )
    const { stream } = await exportInThread(half, task(await workshop()))
    await expect(bytesOf(stream)).rejects.toThrow('ended')
  })

  it('tells why where it cannot begin, and ends when nobody wants it any more', async () => {
    const w = await filled()
    const nowhere = { ...w.folder, database: join(w.root, 'none.sqlite') }
    await expect(exportInThread(script('export-archive'), { ...task(w), folder: nowhere })).rejects.toMatchObject({
      message: expect.stringContaining('unable to open'),
      code: 'SQLITE_CANTOPEN',
    })
    const { stream } = await exportInThread(script('export-archive'), task(w))
    await once(
      stream.once('readable', () => stream.destroy()),
      'close',
    )
    expect(stream.destroyed).toBe(true)
  })
})
