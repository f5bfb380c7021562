import { createHash } from 'node:crypto'
import { cpSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getTableName, is } from 'drizzle-orm'
import { SQLiteTable } from 'drizzle-orm/sqlite-core'
import { describe, expect, it } from 'vitest'
import * as schema from '../server/database/schema'
import { DERIVED, TABLES } from '../server/services/archive/tables'
import { upgradeRow } from '../server/services/archive/upgrade-row'
import { openDataFolder, sweepLeftovers } from '../server/services/data-folder'
import { DriveService } from '../server/services/drives'
import { openDatabase } from '../server/services/open-database'
import { MIGRATIONS, workshop } from './helpers'

const SHA = createHash('sha256').update('x').digest('hex')

describe('a workshop of an earlier version', () => {
  it('keeps its log, whose measurements get their source; entries still cannot be changed', async () => {
    const older = mkdtempSync(join(tmpdir(), 'wobrin-migrations-'))
    cpSync(MIGRATIONS, older, { recursive: true })
    const journal = JSON.parse(readFileSync(join(older, 'meta/_journal.json'), 'utf8'))
    const before = journal.entries.slice(
      0,
      journal.entries.findIndex((e: { tag: string }) => e.tag.endsWith('evidence')),
    )
    writeFileSync(join(older, 'meta/_journal.json'), JSON.stringify({ ...journal, entries: before }))
    const folder = openDataFolder(mkdtempSync(join(tmpdir(), 'wobrin-older-')))
    const old = (await openDatabase(folder, older)).$client
    old.exec("insert into drives (id, tag, mechanism, received_at) values ('a', 'A', '3.5in', '2026-03-01T09:00:00Z')")
    const add = old.prepare(
      "insert into log_entries (id, drive_id, at, kind, station, title, data) values (?, 'a', '2026-03-01T09:00:00Z', ?, 'prove', 'x', ?)",
    )
    add.run(
      '1',
      'measurement',
      JSON.stringify({ type: 'read-test', bars: [[0, 0, -1, 9, 0, 0, 0]], captureSha: SHA, simulated: null }),
    )
    add.run('2', 'measurement', JSON.stringify({ type: 'cross-read', disk: 'd', places: [[1, 'inner', 8, 9]] }))
    add.run('3', 'note', null)
    old.close()

    const db = await openDatabase(folder, MIGRATIONS)
    expect(readdirSync(folder.backups)).toHaveLength(1)
    const drives = new DriveService(db)
    expect(drives.get('a').simulated).toBe(false)
    expect(drives.log('a')).toMatchObject([
      { evidence: { source: 'recording', recording: SHA }, data: { bars: [{ cylinder: 0, margin: null, good: 9 }] } },
      { evidence: { source: 'host' }, data: { places: [{ head: 1, zone: 'inner', good: 8, sectors: 9 }] } },
      { evidence: null, data: null },
    ])
    expect(() => db.$client.exec("update log_entries set title = 'y'")).toThrow(/only ever added/)
    db.$client.close()
    // Opened again it is left as it is.
    const again = await openDatabase(folder, MIGRATIONS)
    expect(new DriveService(again).log('a')).toHaveLength(3)
    expect(readdirSync(folder.backups)).toHaveLength(1)
  })

  it('an archive of version 1 is read with its sources', () => {
    const row = { kind: 'measurement', observations: [], data: { type: 'speed', captureSha: SHA, simulated: true } }
    expect(upgradeRow('log_entries', row, 1)).toMatchObject({ evidence: { source: 'simulated', recording: SHA } })
    expect(upgradeRow('log_entries', row, 2)).toBe(row)
    expect(upgradeRow('drives', { id: 'a' }, 3)).toEqual({ id: 'a' })
    expect(upgradeRow('drives', { id: 'a', simulated: 1 }, 2)).toMatchObject({ simulated: 1, route: 'complaint' })
    expect(upgradeRow('drives', { id: 'a' }, 1)).toMatchObject({ id: 'a', simulated: 0, year: null })
  })
})

describe('one place to add a table', () => {
  it('every table of the schema goes into the archive, or is said to be derived', () => {
    const all = (Object.values(schema) as unknown[])
      .filter(t => is(t, SQLiteTable))
      .map(t => getTableName(t as SQLiteTable))
    expect([...TABLES.map(t => t.table), ...DERIVED.map(t => getTableName(t))].sort()).toEqual(all.sort())
  })
})

describe('what a server that was killed left behind', () => {
  it('is swept at the next start, and nothing else', async () => {
    const { folder } = await workshop()
    const names = ['.import-1.sqlite', '.incoming-2.zip', 'wobrin.note']
    for (const name of names) writeFileSync(join(folder.root, name), '')
    writeFileSync(join(folder.captures, '.incoming-3'), '')
    sweepLeftovers(folder)
    expect(names.filter(n => readdirSync(folder.root).includes(n))).toEqual(['wobrin.note'])
    expect(readdirSync(folder.captures)).toEqual([])
  })
})
