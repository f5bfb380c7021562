import { existsSync, mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { BackupService } from '../server/services/backups'
import { checkLog } from '../server/services/check-log'
import { compareHeads } from '../server/services/compare-heads'
import { EraseService } from '../server/services/erasing'
import { KeptHeads } from '../server/services/kept-heads'
import { archiveOf, chunks, logProblems, newDrive, note, recording, uuid, workshop, type Workshop } from './helpers'

const NOW = '2026-03-01T09:00:00.000Z'
const LATER = '2026-03-02T09:00:00.000Z'
const SECRET = 'Kittiwake'
const fresh = () => mkdtempSync(join(tmpdir(), 'wobrin-erasing-'))
const nothing = { id: uuid(900), ownerWords: false, words: [], photos: [] }

const picture = (grey: number) =>
  sharp({ create: { width: 40, height: 30, channels: 3, background: { r: grey, g: grey, b: grey } } })
    .png()
    .toBuffer()

async function withPhoto(w: Workshop, drive: string, id: string, grey = 90) {
  const { sha, width, height } = await w.photos.keep('p.png', chunks(await picture(grey)))
  w.drives.append(note(drive, id, { kind: 'photo', title: 'Photo', data: { type: 'photo', sha, width, height } }))
  return sha
}

/** Two drives with a note that has the secret word, the owner’s words as well, and a photo of both. */
async function filled(root?: string) {
  const w = await workshop(root)
  w.drives.receive(newDrive({ ownerWords: `It was ${SECRET}’s.` }), NOW, uuid(1))
  w.drives.receive(newDrive({ tag: 'SK-06' }), NOW, uuid(2))
  w.drives.append(note(uuid(1), uuid(100), { title: `Call ${SECRET}`, detail: `${SECRET} wants it back.` }))
  w.drives.append(note(uuid(1), uuid(101), { title: 'Cleaned', detail: 'Both heads.' }))
  return w
}

/** Everything that the workshop keeps, as bytes. */
const kept = (w: Workshop): string =>
  readdirSync(w.root, { recursive: true, withFileTypes: true })
    .filter(f => f.isFile())
    .map(f => readFileSync(join(f.parentPath, f.name)).toString('latin1'))
    .join('\n')
const readIn = (w: Workshop, archive: Buffer) => w.archives.import(chunks(archive, 50_000))

describe('erasing words', () => {
  it('nothing of them is left: in the file, its write-ahead log, the index of words, or a backup made afterwards', async () => {
    const w = await filled()
    w.drives.append(
      note(uuid(1), uuid(102), { kind: 'taken-back', title: `Taken back: Call ${SECRET}`, takesBack: uuid(100) }),
    )
    expect(w.finder.find(SECRET).entries).not.toEqual([])
    await w.erasing.erase(uuid(1), { ...nothing, ownerWords: true, words: [uuid(100)] }, LATER)
    await w.backups.make(LATER)
    expect(kept(w)).not.toMatch(new RegExp(SECRET, 'i'))
    expect(w.finder.find(SECRET)).toEqual({ drives: [], entries: [] })
    expect(w.finder.find('heads').entries).toHaveLength(1)
    expect(w.drives.get(uuid(1)).ownerWords).toBe('')
    expect(w.drives.log(uuid(1)).map(e => [e.kind, e.title])).toEqual([
      ['received', 'Received'],
      ['note', 'Words erased'],
      ['note', 'Cleaned'],
      ['taken-back', 'Words erased'],
      ['erased', 'Words of 3 entries were erased'],
    ])
    expect(logProblems(w)).toEqual([])
  })

  it('the owner’s words go from every entry that has them, and no other fact does', async () => {
    const w = await filled()
    w.drives.change(uuid(1), { ownerWords: `${SECRET} says it hums.` })
    w.drives.change(uuid(1), { maker: 'Staithe' })
    await w.erasing.erase(uuid(1), { ...nothing, ownerWords: true }, LATER)
    const said = w.drives.log(uuid(1)).filter(e => e.kind === 'facts' || e.kind === 'received')
    expect(said.map(e => e.detail)).toEqual(['', '', 'maker: Staithe'])
  })

  it('sent twice it happens once; what is not there is refused, and then nothing goes', async () => {
    const w = await filled()
    w.drives.append(note(uuid(2), uuid(200)))
    for (const words of [[uuid(100), uuid(200)], [uuid(100), uuid(999)], []])
      await expect(w.erasing.erase(uuid(1), { ...nothing, words }, LATER)).rejects.toThrow(/expected/)
    expect(kept(w)).toContain(SECRET)
    await w.erasing.erase(uuid(1), { ...nothing, words: [uuid(100)] }, LATER)
    await w.erasing.erase(uuid(1), { ...nothing, words: [uuid(100)] }, LATER)
    expect(w.drives.log(uuid(1)).filter(e => e.kind === 'erased')).toHaveLength(1)
    await expect(w.erasing.erase(uuid(1), { ...nothing, id: uuid(901), words: [uuid(100)] }, LATER)).rejects.toThrow(
      /no words that can be erased/,
    )
    expect(() => w.drives.append(note(uuid(1), uuid(902), { kind: 'taken-back', takesBack: uuid(900) }))).toThrow(
      /cannot be taken back/,
    )
  })

  it('the log is kept from changes as before, after an erasure and after one that failed', async () => {
    const w = await filled()
    const change = () => w.db.$client.exec("update log_entries set detail = 'other'")
    await w.erasing.erase(uuid(1), { ...nothing, words: [uuid(100)] }, LATER)
    expect(change).toThrow(/only ever added/)
    w.db.$client.exec("create trigger broken before update on log_chain begin select raise(abort, 'full'); end")
    await expect(w.erasing.erase(uuid(1), { ...nothing, id: uuid(901), words: [uuid(101)] }, LATER)).rejects.toThrow(
      'full',
    )
    expect(change).toThrow(/only ever added/)
    expect(w.drives.log(uuid(1)).map(e => e.title)).toContain('Cleaned')
  })
})

describe('erasing a photo', () => {
  it('goes from every entry that shows it, with its copies, here and at the second place', async () => {
    const w = await filled()
    const place = fresh()
    const [shared, other] = [await withPhoto(w, uuid(1), uuid(110)), await withPhoto(w, uuid(1), uuid(111), 200)]
    await withPhoto(w, uuid(2), uuid(210))
    const backups = new BackupService(w.folder, w.db, () => place)
    await backups.make(NOW)
    const erasing = new EraseService(w.db, w.drives, w.folder, () => true)
    await erasing.erase(uuid(1), { ...nothing, photos: [uuid(110)] }, LATER)
    const here = () => readdirSync(w.folder.photos).map(n => n.slice(0, 64))
    expect(here()).not.toContain(shared)
    expect(here()).toContain(other)
    expect(existsSync(join(place, 'wobrin/photos', shared))).toBe(true)
    await backups.make(LATER)
    expect(readdirSync(join(place, 'wobrin/photos'))).toEqual([other])
    expect(w.photos.has(shared)).toBe(false)
    for (const drive of [uuid(1), uuid(2)]) {
      const log = w.drives.log(drive)
      expect(log.find(e => e.id === (drive === uuid(1) ? uuid(110) : uuid(210)))!.data).toMatchObject({ sha: null })
      expect(log.at(-1)).toMatchObject({ kind: 'erased', title: 'A photo was erased', data: { what: 'photo' } })
    }
    expect(logProblems(w)).toEqual([])
    expect(w.certificates.check(w.certificates.of(uuid(1), LATER)).state).toBe('whole')
  })

  it('one that is taken again later is kept again', async () => {
    const w = await filled()
    const sha = await withPhoto(w, uuid(1), uuid(110))
    await w.erasing.erase(uuid(1), { ...nothing, photos: [uuid(110)] }, LATER)
    expect(await withPhoto(w, uuid(1), uuid(111))).toBe(sha)
    await w.erasing.finish()
    expect(readdirSync(w.folder.photos)).toContain(sha)
  })
})

describe('erasing a drive', () => {
  it('goes with its log and what nothing else names; that it was there stays', async () => {
    const w = await filled()
    await withPhoto(w, uuid(1), uuid(110))
    const [own, shared] = [
      await w.captures.keep('own.vcd', chunks(recording())),
      await w.captures.keep('both.vcd', chunks(`${recording()}\n`)),
    ]
    const named = (sha: string) => ({ source: 'recording' as const, by: 'x', recording: sha })
    w.drives.append(note(uuid(1), uuid(120), { evidence: named(own.sha) }))
    w.drives.append(note(uuid(1), uuid(121), { evidence: named(shared.sha) }))
    w.drives.append(note(uuid(2), uuid(221), { evidence: named(shared.sha) }))
    await expect(w.erasing.eraseDrive(uuid(1), 'SK-06', LATER)).rejects.toThrow('“SK-06” is not the tag of this drive')
    await w.erasing.eraseDrive(uuid(1), 'SK-05', LATER)
    await w.backups.make(LATER)
    expect(kept(w)).not.toContain(SECRET)
    expect(w.drives.list().map(d => d.tag)).toEqual(['SK-06'])
    expect(readdirSync(w.folder.photos)).toEqual([])
    expect(readdirSync(w.folder.captures)).toEqual([shared.sha])
    expect(checkLog(w.db.$client)).toMatchObject({ drives: 1, erased: 1, problems: [] })
    expect(w.db.$client.prepare('select * from erased_drives').all()).toEqual([
      { id: uuid(1), at: LATER, entries: 6, hash: expect.stringMatching(/^[0-9a-f]{64}$/) },
    ])
    expect(logProblems(w)).toEqual([])
  })

  it('a file beside the database that still counts its log is not believed', async () => {
    const w = await filled()
    const before = new KeptHeads(w.root).read()
    await w.erasing.eraseDrive(uuid(1), 'SK-05', LATER)
    expect(compareHeads(w.db, before)).toEqual([])
  })

  it('files that a server which was killed left go when the next one starts', async () => {
    const w = await filled()
    const sha = await withPhoto(w, uuid(1), uuid(110))
    const killed = new EraseService(w.db, w.drives, w.folder)
    killed.finish = () => Promise.reject(new Error('killed'))
    await expect(killed.eraseDrive(uuid(1), 'SK-05', LATER)).rejects.toThrow('killed')
    expect(readdirSync(w.folder.photos)).toContain(sha)
    await w.erasing.finish()
    expect(readdirSync(w.folder.photos)).toEqual([])
  })
})

describe('archives and what was erased', () => {
  it('an archive from before brings back neither words nor photo', async () => {
    const w = await filled()
    const sha = await withPhoto(w, uuid(1), uuid(110))
    const archive = await archiveOf(w)
    await w.erasing.erase(uuid(1), { ...nothing, ownerWords: true, words: [uuid(100)], photos: [uuid(110)] }, LATER)
    const came = await readIn(w, archive)
    expect(came.tables.log_entries!.added).toBe(0)
    expect(
      w.drives
        .log(uuid(1))
        .map(e => `${e.title} ${e.detail}`)
        .join(),
    ).not.toContain(SECRET)
    expect(w.drives.get(uuid(1)).ownerWords).toBe('')
    expect(w.photos.has(sha)).toBe(false)
    expect(readdirSync(w.folder.photos)).toEqual([])
    expect(logProblems(w)).toEqual([])
  })

  it('an archive from afterwards erases the same in a workshop that still has it', async () => {
    const w = await filled()
    const sha = await withPhoto(w, uuid(1), uuid(110))
    const other = await workshop()
    await readIn(other, await archiveOf(w))
    expect(other.photos.has(sha)).toBe(true)
    await w.erasing.erase(uuid(1), { ...nothing, ownerWords: true, words: [uuid(100)], photos: [uuid(110)] }, LATER)
    await readIn(other, await archiveOf(w))
    expect(other.drives.log(uuid(1))).toEqual(w.drives.log(uuid(1)).map(e => ({ ...e, seq: expect.any(Number) })))
    expect(other.drives.get(uuid(1)).ownerWords).toBe('')
    expect(readdirSync(other.folder.photos)).toEqual([])
    expect(other.finder.find(SECRET)).toEqual({ drives: [], entries: [] })
    expect(logProblems(other)).toEqual([])
  })

  it('a drive that was erased stays out of a workshop’s archive, and comes back by one of it alone', async () => {
    const w = await filled()
    const sha = await withPhoto(w, uuid(1), uuid(110))
    const [whole, alone] = [await archiveOf(w), await archiveOf(w, uuid(1))]
    await w.erasing.eraseDrive(uuid(1), 'SK-05', LATER)
    expect(await readIn(w, whole)).toMatchObject({ erased: ['SK-05'], tables: { drives: { added: 0, there: 1 } } })
    expect(w.photos.has(sha)).toBe(false)
    expect(readdirSync(w.folder.photos)).toEqual([])
    expect(await readIn(w, alone)).toMatchObject({ erased: [], drive: 'SK-05' })
    expect(w.drives.log(uuid(1))).toHaveLength(4)
    expect(w.photos.has(sha)).toBe(true)
    expect(checkLog(w.db.$client)).toMatchObject({ erased: 0, problems: [] })
    expect(logProblems(w)).toEqual([])
  })

  it('that a drive was erased goes along with the workshop', async () => {
    const w = await filled()
    await w.erasing.eraseDrive(uuid(1), 'SK-05', LATER)
    const other = await workshop()
    await readIn(other, await archiveOf(w))
    expect(checkLog(other.db.$client)).toMatchObject({ drives: 1, erased: 1, problems: [] })
  })
})
