import { mkdtempSync, readdirSync, cpSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { openDataFolder } from '../server/services/data-folder'
import { DriveService } from '../server/services/drives'
import { openDatabase } from '../server/services/open-database'
import { checkLog } from '../server/services/check-log'
import { MIGRATIONS, newDrive, workshop } from './helpers'
import { olderWorkshop } from './helpers/older-workshop'

describe('opening the database', () => {
  it('backs an older one up before it is brought up to date, and only then', async () => {
    const { root, drives, db } = await workshop()
    drives.receive(newDrive(), '2026-03-01T09:00:00Z')
    db.$client.close()
    const folder = openDataFolder(root)
    const same = await openDatabase(folder, MIGRATIONS)
    same.$client.close()
    expect(readdirSync(folder.backups)).toEqual([])

    const newer = mkdtempSync(join(tmpdir(), 'wobrin-migrations-'))
    cpSync(MIGRATIONS, newer, { recursive: true })
    writeFileSync(join(newer, '0003_next.sql'), 'CREATE TABLE `later` (`id` integer PRIMARY KEY NOT NULL);')
    const journal = JSON.parse(readFileSync(join(newer, 'meta/_journal.json'), 'utf8'))
    journal.entries.push({ ...journal.entries[0], idx: 3, when: journal.entries.at(-1).when + 1, tag: '0003_next' })
    writeFileSync(join(newer, 'meta/_journal.json'), JSON.stringify(journal))
    const migrated = await openDatabase(folder, newer)
    expect(migrated.$client.prepare('select count(*) as n from later').get()).toEqual({ n: 0 })
    expect(migrated.$client.prepare('select tag from drives').all()).toEqual([{ tag: 'SK-05' }])
    expect(readdirSync(folder.backups)).toHaveLength(1)
  })

  it('amounts that were written as words become numbers where they are, and a note where they are not', async () => {
    const older = mkdtempSync(join(tmpdir(), 'wobrin-migrations-'))
    cpSync(MIGRATIONS, older, { recursive: true })
    const journal = JSON.parse(readFileSync(join(older, 'meta/_journal.json'), 'utf8'))
    writeFileSync(
      join(older, 'meta/_journal.json'),
      JSON.stringify({ ...journal, entries: journal.entries.slice(0, 1) }),
    )
    const folder = openDataFolder(mkdtempSync(join(tmpdir(), 'wobrin-older-')))
    const before = await openDatabase(folder, older)
    const insert = before.$client.prepare(
      "insert into drives (id, tag, mechanism, paid, worth, received_at) values (?, ?, '3in', ?, ?, '2026-03-01T09:00:00Z')",
    )
    insert.run('a', 'A', '12.5', '60 or so')
    insert.run('b', 'B', '', 'parts')
    insert.run('c', 'C', '', '')
    before.$client.close()

    const db = await openDatabase(folder, MIGRATIONS)
    const drives = new DriveService(db)
    expect(drives.get('a').account).toMatchObject({ paid: 12.5, working: 60, parts: null, matters: false })
    expect(drives.get('b').account).toMatchObject({ paid: null, working: null })
    expect(drives.get('c').account).toBeNull()
    expect(drives.log('b')).toMatchObject([
      {
        kind: 'note',
        detail: 'Paid: ; worth working: parts',
        id: expect.stringMatching(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/),
      },
    ])
    expect(drives.log('a')).toEqual([])
    expect(readdirSync(folder.backups)).toHaveLength(1)
  })

  it('twenty steps from the oldest form lose nothing, and the log is sealed once they are done', async () => {
    const root = mkdtempSync(join(tmpdir(), 'wobrin-oldest-'))
    olderWorkshop(root, 1, 50)
    // As many steps as a workshop of many years will have had: those there are, and others like them.
    const future = mkdtempSync(join(tmpdir(), 'wobrin-migrations-'))
    cpSync(MIGRATIONS, future, { recursive: true })
    const journal = JSON.parse(readFileSync(join(future, 'meta/_journal.json'), 'utf8'))
    for (let idx = journal.entries.length; idx <= 20; idx++) {
      const tag = `${String(idx).padStart(4, '0')}_later`
      writeFileSync(
        join(future, `${tag}.sql`),
        [
          `CREATE TABLE \`later_${idx}\` (\`id\` text PRIMARY KEY NOT NULL);`,
          `ALTER TABLE \`drives\` ADD \`later_${idx}\` text DEFAULT '' NOT NULL;`,
          `INSERT INTO \`later_${idx}\` SELECT \`id\` FROM \`log_entries\`;`,
        ].join('--> statement-breakpoint\n'),
      )
      journal.entries.push({ ...journal.entries[0], idx, when: journal.entries.at(-1).when + 1, tag })
    }
    writeFileSync(join(future, 'meta/_journal.json'), JSON.stringify(journal))
    const folder = openDataFolder(root)
    const db = await openDatabase(folder, future)
    const log = new DriveService(db).log('00000000-0000-4000-8000-00000000000a')
    expect(log.map(e => e.title)).toEqual(['Received', ...Array.from({ length: 50 }, (_, i) => `Note ${i + 1}`)])
    expect(db.$client.prepare('select count(*) from later_20').pluck().get()).toBe(51)
    expect(checkLog(db.$client)).toEqual({ drives: 1, entries: 51, erased: 0, problems: [] })
    expect(db.$client.pragma('integrity_check', { simple: true })).toBe('ok')
    expect(readdirSync(folder.backups)).toHaveLength(1)
    db.$client.close()
    const again = await openDatabase(folder, future)
    expect(readdirSync(folder.backups)).toHaveLength(1)
    again.$client.close()
  })
})
