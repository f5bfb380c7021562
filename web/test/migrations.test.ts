import { mkdtempSync, readdirSync, cpSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { openDataFolder } from '../server/services/data-folder'
import { openDatabase } from '../server/services/open-database'
import { MIGRATIONS, newDrive, workshop } from './helpers'

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
    writeFileSync(join(newer, '0001_next.sql'), 'CREATE TABLE `later` (`id` integer PRIMARY KEY NOT NULL);')
    const journal = JSON.parse(readFileSync(join(newer, 'meta/_journal.json'), 'utf8'))
    journal.entries.push({ ...journal.entries[0], idx: 1, when: journal.entries[0].when + 1, tag: '0001_next' })
    writeFileSync(join(newer, 'meta/_journal.json'), JSON.stringify(journal))
    const migrated = await openDatabase(folder, newer)
    expect(migrated.$client.prepare('select count(*) as n from later').get()).toEqual({ n: 0 })
    expect(migrated.$client.prepare('select tag from drives').all()).toEqual([{ tag: 'SK-05' }])
    expect(readdirSync(folder.backups)).toHaveLength(1)
  })
})
