import Database from 'better-sqlite3'
import { appendFileSync, cpSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { checkLog } from '../server/services/check-log'
import { compareHeads } from '../server/services/compare-heads'
import { openDataFolder } from '../server/services/data-folder'
import { HEADS_FILE, KeptHeads } from '../server/services/kept-heads'
import { openDatabase } from '../server/services/open-database'
import { restoreBackup } from '../server/services/start'
import { verifyFolder } from '../server/tools/verify-folder'
import { archiveOf, MIGRATIONS, newDrive, note, uuid, workshop } from './helpers'

const NOW = '2026-03-01T09:00:00Z'
/** A workshop with one drive and so many notes on its log. */
async function filled(notes = 5, root?: string) {
  const w = await workshop(root)
  w.drives.receive(newDrive(), NOW, uuid(1))
  for (let n = 0; n < notes; n++) w.drives.append(note(uuid(1), uuid(100 + n), { detail: `words ${n}` }))
  return w
}
type Filled = Awaited<ReturnType<typeof filled>>
/** Something is done to the database past the program. */
function past(w: Filled, ...sql: string[]) {
  const db = new Database(w.folder.database)
  db.pragma('foreign_keys = OFF')
  for (const name of ['log_entries_no_update', 'log_entries_no_delete', 'log_chain_no_update', 'log_chain_no_delete'])
    db.exec(`drop trigger if exists ${name}`)
  for (const text of sql) db.exec(text)
  db.close()
}
const problems = (w: Filled) => checkLog(w.db.$client).problems
const heads = (w: Filled) => new KeptHeads(w.root).read()
async function* once(bytes: Buffer) {
  yield bytes
}

describe('the chain of a log in the database', () => {
  it('holds every entry that is written, whoever writes it', async () => {
    const w = await filled()
    w.drives.change(uuid(1), { maker: 'Staithe' })
    expect(checkLog(w.db.$client)).toEqual({ drives: 1, entries: 7, erased: 0, problems: [] })
    expect(compareHeads(w.db, heads(w))).toEqual([])
    expect(() => w.db.$client.exec("update log_chain set salt = ''")).toThrow(/never changed/)
    expect(() => w.db.$client.exec('delete from log_chain')).toThrow(/never removed/)
  })

  it('is checked as it stood at one instant, whatever is entered meanwhile', async () => {
    const w = await filled()
    const reader = new Database(w.folder.database, { readonly: true })
    const prepare = reader.prepare.bind(reader)
    // Somebody writes after the ends of the chains were read and before the entries are.
    reader.prepare = ((sql: string) => {
      if (sql.includes('from log_entries')) w.drives.append(note(uuid(1), uuid(300)))
      return prepare(sql)
    }) as typeof reader.prepare
    expect(checkLog(reader)).toMatchObject({ entries: 6, problems: [] })
    expect(checkLog(w.db.$client)).toMatchObject({ entries: 7, problems: [] })
    reader.close()
  })

  it.each([
    [
      'edited',
      `update log_entries set detail = 'other' where id = '${uuid(102)}'`,
      /of SK-05 was changed after it was/,
    ],
    ['taken out', `delete from log_entries where id = '${uuid(102)}'`, /an entry before .* is missing/],
    [
      'taken out with its link',
      `delete from log_entries where id = '${uuid(102)}'; delete from log_chain where entry = '${uuid(102)}'`,
      /an entry before .* is missing/,
    ],
    [
      'put in',
      `insert into log_entries (id, drive_id, at, kind, station, title) values ('${uuid(999)}', '${uuid(1)}', '${NOW}', 'note', 'look', 'put in')`,
      /The entry “put in” .* was not written by Wobrin/,
    ],
    [
      'moved',
      `update log_entries set seq = seq + 1000 where id = '${uuid(102)}'`,
      /does not stand where it was written/,
    ],
    ['made unreadable', `update log_entries set observations = '[{' where id = '${uuid(102)}'`, /was changed after/],
  ])('an entry that was %s past the program is named', async (_, sql, says) => {
    const w = await filled()
    past(w, ...sql.split('; '))
    expect(problems(w).join('\n')).toMatch(says)
    expect((await verifyFolder(w.folder)).problems.join('\n')).toMatch(says)
  })

  it('a log that was written before there were links is linked once, and what is put in later is not', async () => {
    const w = await filled()
    past(w, 'delete from log_chain', 'delete from log_heads', 'pragma user_version = 1')
    w.db.$client.close()
    const db = await openDatabase(w.folder, MIGRATIONS)
    expect(checkLog(db.$client)).toEqual({ drives: 1, entries: 6, erased: 0, problems: [] })
    db.$client.close()
    past(
      w,
      `insert into log_entries (id, drive_id, at, kind, station, title) values ('${uuid(9)}', '${uuid(1)}', '${NOW}', 'note', 'look', 'x')`,
    )
    const again = await openDatabase(w.folder, MIGRATIONS)
    expect(checkLog(again.$client).problems[0]).toMatch(/was not written by Wobrin/)
  })
})

describe('the ends of the logs beside the database', () => {
  it('tell that acknowledged entries are missing: a database put back by hand, a lost log of writes', async () => {
    const w = await filled(2)
    w.db.$client.pragma('wal_checkpoint(TRUNCATE)')
    const earlier = join(w.root, 'earlier.sqlite')
    cpSync(w.folder.database, earlier)
    for (let n = 0; n < 3; n++) w.drives.append(note(uuid(1), uuid(200 + n)))
    w.drives.receive(newDrive({ tag: 'SK-06' }), NOW, uuid(2))
    expect(compareHeads(w.db, heads(w))).toEqual([])
    w.db.$client.close()
    for (const end of ['', '-wal', '-shm']) rmSync(w.folder.database + end, { force: true })
    cpSync(earlier, w.folder.database)
    const db = await openDatabase(w.folder, MIGRATIONS)
    expect(compareHeads(db, heads(w))).toEqual([
      '3 entries that the log of SK-05 had are missing.',
      `A drive with one entry on its log is missing (${uuid(2)}).`,
    ])
    db.$client.close()
  })

  it('name a log that is another one, and entries that were put in or taken out', async () => {
    const w = await filled(2)
    appendFileSync(
      join(w.root, HEADS_FILE),
      `${JSON.stringify({ drive: uuid(1), entries: 3, hash: 'f'.repeat(64) })}\n`,
    )
    expect(compareHeads(w.db, heads(w))).toEqual(['The log of SK-05 is not the one that was written here.'])
    past(w, `delete from log_entries where id = '${uuid(100)}'`)
    expect(compareHeads(w.db, new Map())).toEqual(['One entry of the log of SK-05 is missing.'])
  })

  it('survive a line that was cut off, and go aside when a backup is put back', async () => {
    const w = await filled(2)
    const backup = await w.backups.make(NOW)
    w.drives.append(note(uuid(1), uuid(300)))
    writeFileSync(join(w.root, HEADS_FILE), `${readFileSync(join(w.root, HEADS_FILE), 'utf8')}{"drive":"0`)
    expect(heads(w).get(uuid(1))!.entries).toBe(4)
    w.db.$client.close()
    restoreBackup(w.folder, NOW, backup.name)
    expect(existsSync(join(w.root, HEADS_FILE))).toBe(false)
    expect((await verifyFolder(openDataFolder(w.root))).problems).toEqual([])
  })
})

describe('chains of two workshops', () => {
  it('an archive brings its links along, and a drive that moved goes on with them', async () => {
    const a = await filled()
    const b = await workshop(mkdtempSync(join(tmpdir(), 'wobrin-b-')))
    b.drives.receive(newDrive({ tag: 'B-1' }), NOW, uuid(50))
    await b.archives.import(once(await archiveOf(a, uuid(1))))
    const hashes = (w: Filled) =>
      w.db.$client.prepare('select hash from log_chain where drive_id = ? order by hash').pluck().all(uuid(1))
    expect(hashes(b)).toEqual(hashes(a))
    b.drives.append(note(uuid(1), uuid(400)))
    expect(problems(b)).toEqual([])
    expect(compareHeads(b.db, heads(b))).toEqual([])
    // And back again: what was added there follows what is here.
    await a.archives.import(once(await archiveOf(b, uuid(1))))
    expect(problems(a)).toEqual([])
    expect(hashes(a)).toEqual(hashes(b))
  })

  it('a certificate verifies after its drive moved, and after two logs became one', async () => {
    const a = await filled()
    const b = await workshop(mkdtempSync(join(tmpdir(), 'wobrin-b-')))
    b.drives.receive(newDrive({ tag: 'B-1' }), NOW, uuid(50))
    const atA = a.certificates.of(uuid(1), NOW)
    await b.archives.import(once(await archiveOf(a, uuid(1))))
    expect(b.drives.log(uuid(1))[0]!.seq).not.toBe(a.drives.log(uuid(1))[0]!.seq)
    expect(b.certificates.check(atA)).toMatchObject({ state: 'whole', call: { kind: 'leave' } })
    b.drives.append(note(uuid(1), uuid(800)))
    const atB = b.certificates.of(uuid(1), NOW)
    expect(b.certificates.check(atB).call.reasons[0]).toMatch(/every entry that it was made from\./)
    expect(b.certificates.check(atA).call.reasons[0]).toMatch(/1 entry has come since/)
    a.drives.append(note(uuid(1), uuid(801)))
    await a.archives.import(once(await archiveOf(b, uuid(1))))
    for (const certificate of [atA, atB]) expect(a.certificates.check(certificate).state).toBe('whole')
    past(a, `update log_entries set detail = 'other' where id = '${uuid(103)}'`)
    const changed = await workshop(a.root)
    for (const certificate of [atA, atB]) expect(changed.certificates.check(certificate).state).toBe('log differs')
  })

  it('where both have gone on, one entry makes one log of both', async () => {
    const a = await filled()
    const b = await workshop(mkdtempSync(join(tmpdir(), 'wobrin-b-')))
    await b.archives.import(once(await archiveOf(a)))
    a.drives.append(note(uuid(1), uuid(500), { title: 'here' }))
    b.drives.append(note(uuid(1), uuid(600), { title: 'there' }))
    b.drives.append(note(uuid(1), uuid(601), { title: 'there again' }))
    await a.archives.import(once(await archiveOf(b)))
    expect(problems(a)).toEqual([])
    const log = a.drives.log(uuid(1))
    expect(log.slice(-4).map(e => e.title)).toEqual([
      'here',
      'there',
      'there again',
      'Two logs of this drive became one',
    ])
    const parents = a.db.$client.prepare('select before from log_chain where entry = ?').pluck().get(log.at(-1)!.id)
    expect(JSON.parse(parents as string)).toHaveLength(2)
    // The other workshop has it too then, and nothing is merged a second time.
    await b.archives.import(once(await archiveOf(a)))
    expect(problems(b)).toEqual([])
    expect(b.drives.log(uuid(1)).filter(e => /became one/.test(e.title))).toHaveLength(1)
    await a.archives.import(once(await archiveOf(b)))
    expect(a.drives.log(uuid(1))).toHaveLength(log.length)
  })

  it('links that lead nowhere here are made anew: each linked the same old log by itself', async () => {
    const a = await filled()
    const b = await workshop(mkdtempSync(join(tmpdir(), 'wobrin-b-')))
    await b.archives.import(once(await archiveOf(a)))
    b.drives.append(note(uuid(1), uuid(700)))
    past(a, 'delete from log_chain', 'delete from log_heads', 'pragma user_version = 1')
    a.db.$client.close()
    const again = await workshop(a.root)
    await again.archives.import(once(await archiveOf(b)))
    expect(problems(again)).toEqual([])
    expect(again.drives.log(uuid(1)).at(-1)!.id).toBe(uuid(700))
  })
})
