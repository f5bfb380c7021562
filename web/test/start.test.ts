import Database from 'better-sqlite3'
import { spawnSync } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { openDataFolder } from '../server/services/data-folder'
import { checkDatabase, lockFolder, StartProblem, watchDatabase } from '../server/services/start'
import { verifyFolder } from '../server/tools/verify-folder'
import { MIGRATIONS, newDrive, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const fresh = () => openDataFolder(mkdtempSync(join(tmpdir(), 'wobrin-start-')))

/** A workshop with one drive and a backup, closed again. */
async function closed() {
  const w = await workshop()
  w.drives.receive(newDrive({ ownerWords: 'Grinds.' }), NOW, uuid(1))
  const backup = await w.backups.make(NOW)
  w.db.$client.close()
  return { ...w, backup }
}

const said = (run: () => unknown): string => {
  try {
    run()
  } catch (error) {
    expect(error).toBeInstanceOf(StartProblem)
    return (error as Error).message
  }
  return ''
}

describe('a data folder', () => {
  const holder = { address: 'http://127.0.0.1:4170', process: 77, since: NOW }

  it('is held by one server; a second one is told who holds it', () => {
    const { root } = fresh()
    const release = lockFolder(root, holder)
    expect(said(() => lockFolder(root, holder))).toMatch(
      /in use by the server at http:\/\/127\.0\.0\.1:4170 \(process 77/,
    )
    release()
    lockFolder(root, holder)()
  })

  it('is free again when the process that held it is killed', () => {
    const { root } = fresh()
    const held = `
      const Database = require('better-sqlite3')
      const lock = new Database(${JSON.stringify(join(root, '.server-lock.sqlite'))})
      lock.pragma('locking_mode = EXCLUSIVE')
      lock.exec('BEGIN EXCLUSIVE')
      process.kill(process.pid, 'SIGKILL')`
    const { signal } = spawnSync(process.execPath, ['-e', held], { cwd: join(import.meta.dirname, '..') })
    expect(signal).toBe('SIGKILL')
    lockFolder(root, holder)()
  })

  it('that is deleted while it is open is noticed', async () => {
    const w = await workshop()
    const there = watchDatabase(w.folder)
    expect(there()).toBe(true)
    renameSync(w.root, `${w.root}-moved`)
    expect(there()).toBe(false)
    // Another folder in its place is not it either.
    cpSync(`${w.root}-moved`, w.root, { recursive: true })
    expect(there()).toBe(false)
  })
})

describe('a database', () => {
  it('whose change was half made when the program was killed is as it was before that change', async () => {
    const w = await closed()
    const changing = `
      const Database = require('better-sqlite3')
      const db = new Database(${JSON.stringify(w.folder.database)})
      // As one is that was put back: without a write-ahead log; what does not fit in memory is written at once.
      db.pragma('journal_mode = DELETE')
      db.pragma('cache_size = 2')
      db.exec("begin; create table gone as with recursive n(i) as (select 1 union all select i + 1 from n where i < 9999) select i, hex(randomblob(99)) from n; update drives set tag = 'HALF'")
      db.exec('update gone set i = i + 1')
      process.kill(process.pid, 'SIGKILL')`
    const { signal } = spawnSync(process.execPath, ['-e', changing], { cwd: join(import.meta.dirname, '..') })
    expect(signal).toBe('SIGKILL')
    expect(existsSync(`${w.folder.database}-journal`)).toBe(true)
    const left = openDataFolder(mkdtempSync(join(tmpdir(), 'wobrin-start-')))
    cpSync(w.root, left.root, { recursive: true })
    expect((await verifyFolder(left)).problems).toEqual([])
    checkDatabase(w.folder, MIGRATIONS)
    const again = await workshop(w.root)
    expect(again.drives.list().map(d => d.tag)).toEqual(['SK-05'])
    expect((await verifyFolder(again.folder)).problems).toEqual([])
  })

  it('is begun in an empty folder, and opened again', async () => {
    const folder = fresh()
    expect(said(() => checkDatabase(folder, MIGRATIONS))).toBe('')
    const w = await closed()
    expect(said(() => checkDatabase(w.folder, MIGRATIONS))).toBe('')
  })

  it('that is missing beside recordings or backups is not replaced by an empty one', async () => {
    const w = await closed()
    rmSync(w.folder.database)
    expect(said(() => checkDatabase(w.folder, MIGRATIONS))).toMatch(
      new RegExp(`is missing, but 1 backups .*npx wobrin restore ${w.backup.name} --data`),
    )
    expect(readdirSync(w.root)).not.toContain('wobrin.sqlite')
  })

  it('that is damaged anywhere is named, with the newest backup that is sound', async () => {
    const w = await closed()
    writeFileSync(join(w.folder.backups, 'daily-newest.sqlite'), 'half a backup')
    const whole = readFileSync(w.folder.database)
    for (const at of [0, 100, 4096, 8192]) {
      const broken = Buffer.from(whole)
      broken.fill(0xa5, at, at + 900)
      writeFileSync(w.folder.database, broken)
      const sentence = said(() => checkDatabase(w.folder, MIGRATIONS))
      expect(sentence).toMatch(/is damaged/)
      expect(sentence).toContain(`restore ${w.backup.name}`)
      expect(readFileSync(w.folder.database).equals(broken)).toBe(true)
    }
  })

  it('of a newer version, or of another program, is refused and left alone', async () => {
    const w = await closed()
    const own = new Database(w.folder.database)
    own.exec("insert into __drizzle_migrations (hash, created_at) values ('later', 9e15)")
    own.close()
    expect(said(() => checkDatabase(w.folder, MIGRATIONS))).toMatch(/newer version of Wobrin/)
    const folder = fresh()
    const other = new Database(folder.database)
    other.exec('create table recipes (id integer)')
    other.close()
    const before = readFileSync(folder.database)
    expect(said(() => checkDatabase(folder, MIGRATIONS))).toMatch(/another program/)
    expect(readFileSync(folder.database).equals(before)).toBe(true)
  })
})

describe('a drive whose log cannot be read', () => {
  const spoil = (root: string, data: string, observations: string) => {
    const db = new Database(join(root, 'wobrin.sqlite'))
    db.prepare(
      `insert into log_entries (id, drive_id, at, kind, station, title, data, observations)
       values (?, ?, ?, 'finding', 'look', 'spoilt', ?, ?)`,
    ).run(uuid(99), uuid(1), NOW, data, observations)
    db.close()
  }

  it.each([
    ['{"type":"finding"}', '[]'],
    ['{"type":"note"}', '[{"key":'],
  ])('is set aside with its reason, and everything else works: %s, %s', async (data, observations) => {
    const w = await closed()
    const again = await workshop(w.root)
    again.drives.receive(newDrive({ tag: 'SK-06' }), NOW, uuid(2))
    again.db.$client.close()
    spoil(w.root, data, observations)
    const now = await workshop(w.root)
    const bench = await now.bench.at(Date.parse(NOW))
    expect(bench.lines.map(l => l.drive.tag)).toEqual(['SK-06'])
    expect(bench.setAside).toMatchObject([{ tag: 'SK-05' }])
    expect(() => now.drives.log(uuid(1))).toThrow(/SK-05 is set aside: its log cannot be read/)
    expect(now.blame.view().drives.map(d => d.name)).not.toContain('SK-05')
    expect(now.knowledge.state().problems).toEqual([])
    expect(now.disks.view().standings).toEqual([])
    // It goes out as it is.
    const { stream } = await now.archives.export(NOW, uuid(1))
    let bytes = 0
    for await (const chunk of stream) bytes += (chunk as Buffer).length
    expect(bytes).toBeGreaterThan(500)
  })
})

describe('reading a workshop through', () => {
  it('finds nothing in a sound one, and names each thing that is missing or damaged', async () => {
    const w = await workshop()
    w.drives.receive(newDrive(), NOW, uuid(1))
    const kept = await w.captures.keep('turns.csv', one('time,index\n'))
    const gone = await w.captures.keep('other.csv', one('time,step\n'))
    expect(await verifyFolder(w.folder)).toEqual({ drives: 1, entries: 1, files: 2, problems: [] })
    writeFileSync(join(w.folder.captures, kept.sha), 'something else')
    rmSync(join(w.folder.captures, gone.sha))
    const { problems } = await verifyFolder(w.folder)
    expect(problems.some(p => /turns\.csv.*is damaged/.test(p))).toBe(true)
    expect(problems.some(p => /other\.csv.*is missing/.test(p))).toBe(true)
    mkdirSync(join(w.root, 'empty'))
    await expect(verifyFolder(openDataFolder(join(w.root, 'empty')))).rejects.toThrow(/There is no database/)
  })
})

async function* one(text: string): AsyncGenerator<Uint8Array> {
  yield Buffer.from(text)
}
