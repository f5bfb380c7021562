import Database from 'better-sqlite3'
import { createHash } from 'node:crypto'
import { createWriteStream, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { execFileSync } from 'node:child_process'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import fc from 'fast-check'
import Papa from 'papaparse'
import yauzl from 'yauzl'
import yazl from 'yazl'
import { promisify } from 'node:util'
import { beforeAll, describe, expect, it } from 'vitest'
import { InputError } from '../../core/src/base/errors'
import { sealOf } from '../../core/src/release'
import { ARCHIVE_VERSION, TABLES } from '../server/services/archive'
import { diskSchema, type DiskInput } from '../shared/disks'
import { restoreBackup } from '../server/services/start'
import { defaultWorkshop } from '../shared/workshop-defaults'
import { chunks, newDrive, note, recording, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
type Workshop = Awaited<ReturnType<typeof workshop>>
const folder = mkdtempSync(join(tmpdir(), 'wobrin-archive-'))

/** A workshop with something in every table, and files. */
async function filled(): Promise<Workshop> {
  const w = await workshop()
  const { default: sharp } = await import('sharp')
  for (const [n, tag, mechanism] of [
    [1, 'SK-09', '3.5in'],
    [2, 'SK-15', '3.5in'],
    [3, 'SK-05', '5.25in-48'],
  ] as const)
    w.drives.receive(
      newDrive({ tag, mechanism, maker: 'Staithe', ownerWords: 'Liest nichts – „gar nichts“, = 1+1' }),
      NOW,
      uuid(n),
    )
  const { sha } = await w.captures.keep('one.vcd', chunks(recording()))
  await w.captures.keep('two.vcd', chunks(recording({ rpm: 300 })))
  await w.speed.measure(
    uuid(3),
    { id: uuid(100), at: NOW, captureSha: sha, evenMarks: false, movedTurns: 0, simulated: false, remark: 'first' },
    w.settings.get(),
  )
  const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#345' } })
    .png()
    .toBuffer()
  const photo = await w.photos.keep('a.png', chunks(picture))
  w.drives.append({
    id: uuid(101),
    driveId: uuid(3),
    at: NOW,
    kind: 'photo',
    station: 'open',
    title: 'Photo',
    detail: '',
    call: null,
    observations: [],
    evidence: null,
    data: { type: 'photo', sha: photo.sha, width: 40, height: 30 },
    takesBack: null,
  })
  w.disks.put(
    uuid(10),
    diskSchema.cast({
      name: 'Harbour A',
      mechanism: '3.5in',
      writtenBy: uuid(2),
      writtenAt: '2026-01-31',
      proof: 'instrument',
    }) as DiskInput,
    NOW,
  )
  w.disks.say(uuid(10), { id: uuid(110), at: NOW, kind: 'verified', detail: 'whole' })
  w.blame.keep(uuid(1), {
    id: uuid(102),
    at: NOW,
    disk: uuid(10),
    remark: '',
    places: [{ head: 0, zone: 'outer', good: 9, sectors: 9 }],
  })
  w.drives.append({
    id: uuid(103),
    driveId: uuid(1),
    at: NOW,
    kind: 'taken-back',
    station: 'prove',
    title: 'x',
    detail: '',
    call: null,
    observations: [],
    evidence: null,
    data: null,
    takesBack: uuid(102),
  })
  w.settings.put({ ...defaultWorkshop(), name: 'Skerrow' })
  w.belts.put(
    uuid(20),
    { name: 'Bag', insideMm: 100, sectionMm: 1, material: 'square', origin: '', gone: null } as never,
    NOW,
  )
  w.profiles.put(uuid(30), (await import('../../core/src/drives/hosts')).HOSTS[0]!, NOW)
  return w
}

async function exported(w: Workshop, driveId?: string): Promise<string> {
  const path = join(folder, `${Math.random()}.zip`)
  await pipeline((await w.archives.export(NOW, driveId)).stream, createWriteStream(path))
  return path
}
const imported = (w: Workshop, path: string) => w.archives.import(chunks(readFileSync(path), 50_000))
const dump = (w: Workshop) =>
  Object.fromEntries(
    TABLES.map(t => [t.table, w.db.$client.prepare(`select * from ${t.table} order by ${t.order}`).all()]),
  )
const files = (w: Workshop) =>
  ['captures', 'photos']
    .flatMap(f =>
      readdirSync(join(w.root, f))
        .filter(n => /^[0-9a-f]{64}$/.test(n))
        .map(
          n =>
            `${f}/${n} ${createHash('sha256')
              .update(readFileSync(join(w.root, f, n)))
              .digest('hex')}`,
        ),
    )
    .sort()

/** All files of an archive. */
async function unzipped(path: string): Promise<Map<string, Buffer>> {
  const zip = await promisify<string, yauzl.Options, yauzl.ZipFile>(yauzl.open)(path, {
    lazyEntries: true,
    autoClose: false,
  })
  const files = new Map<string, Buffer>()
  for await (const entry of zip.eachEntry()) {
    const pieces: Buffer[] = []
    for await (const piece of await zip.openReadStreamPromise(entry)) pieces.push(piece as Buffer)
    files.set(entry.fileName, Buffer.concat(pieces))
  }
  zip.close()
  return files
}
const fileOf = async (path: string, name: string) => (await unzipped(path)).get(name)!.toString()

/** An archive with some of its files put in another's place. */
async function altered(
  from: string,
  change: (name: string, content: Buffer) => Buffer | null,
  extra: Readonly<Record<string, string>> = {},
): Promise<string> {
  const zip = new yazl.ZipFile()
  for (const [name, content] of await unzipped(from)) {
    const changed = change(name, content)
    if (changed) zip.addBuffer(changed, name)
  }
  for (const [name, content] of Object.entries(extra)) zip.addBuffer(Buffer.from(content), name)
  zip.end()
  const path = join(folder, `${Math.random()}.zip`)
  await pipeline(zip.outputStream, createWriteStream(path))
  return path
}

let original: Workshop
let archive: string
beforeAll(async () => {
  original = await filled()
  archive = await exported(original)
})

describe('a workshop out and in again', () => {
  it('equals the one that it came from: every table, every file, every certificate but for its hour', async () => {
    const copy = await workshop()
    const said = await imported(copy, archive)
    expect(said.tables.drives).toEqual({ added: 3, there: 0 })
    expect(dump(copy)).toEqual(dump(original))
    expect(files(copy)).toEqual(files(original))
    expect(copy.certificates.of(uuid(3), NOW)).toEqual(original.certificates.of(uuid(3), NOW))
    expect(sealOf(dump(copy))).toBe(sealOf(dump(original)))
    // And out once more: the same files, byte for byte, but for the archive's own.
    const again = await exported(copy)
    const list = async (path: string) => (JSON.parse(await fileOf(path, 'manifest.json')) as { files: unknown }).files
    expect(await list(again)).toEqual(await list(archive))
  })

  it.skipIf(!existsSync('/usr/bin/unzip'))('is a ZIP without fault by Debian’s unzip', () => {
    expect(execFileSync('unzip', ['-tq', archive]).toString()).toContain('No errors detected')
  })

  it('has tables that other tools read', async () => {
    const csv = Papa.parse<Record<string, string>>(await fileOf(archive, 'drives.csv'), {
      header: true,
      skipEmptyLines: true,
    })
    expect(csv.data.map(r => r.tag).sort()).toEqual(['SK-05', 'SK-09', 'SK-15'])
    const lines = (await fileOf(archive, 'log.jsonl'))
      .trim()
      .split('\n')
      .map(l => JSON.parse(l) as { title: string; data: unknown })
    expect(lines.length).toBe(original.drives.count().entries)
    expect(lines.some(l => typeof l.data === 'object' && l.data !== null)).toBe(true)
  })

  it('adds nothing the second time, and only what is new after that', async () => {
    const copy = await workshop()
    await imported(copy, archive)
    const twice = await imported(copy, archive)
    expect(Object.values(twice.tables).every(t => t.added === 0)).toBe(true)
    original.drives.append(note(uuid(1), uuid(150), { at: NOW, station: 'prove', title: 'later' }))
    expect((await imported(copy, await exported(original))).tables.log_entries!.added).toBe(1)
    expect(dump(copy).log_entries).toEqual(dump(original).log_entries)
  })

  it('joins two workshops, entries in the order of each', async () => {
    const other = await workshop()
    other.drives.receive(newDrive({ tag: 'ZZ-01' }), NOW, uuid(77))
    await imported(other, archive)
    expect(other.drives.count().drives).toBe(4)
    expect(other.drives.log(uuid(1)).map(e => e.id)).toEqual(
      original.drives
        .log(uuid(1))
        .filter(e => e.id !== uuid(150))
        .map(e => e.id),
    )
  })
})

describe('one drive alone', () => {
  it('brings its log, recordings, photos and disks, and nothing of other drives', async () => {
    const copy = await workshop()
    const said = await imported(copy, await exported(original, uuid(3)))
    expect(said).toMatchObject({ drive: 'SK-05', files: 2 })
    expect(copy.drives.list().map(d => d.tag)).toEqual(['SK-05'])
    expect(copy.drives.log(uuid(3)).map(e => e.title)).toEqual(original.drives.log(uuid(3)).map(e => e.title))
    expect(files(copy)).toHaveLength(2)
  })
  it('keeps the word of a disk whose writer stays behind', async () => {
    const copy = await workshop()
    await imported(copy, await exported(original, uuid(1)))
    expect(copy.disks.view().standings.map(s => [s.disk.name, s.wroteIt])).toEqual([['Harbour A', 'SK-15']])
  })
})

describe('what cannot be read in changes nothing', () => {
  const refused = async (path: string, says: RegExp, into?: Workshop) => {
    const w = into ?? (await workshop())
    const before = dump(w)
    await expect(imported(w, path)).rejects.toThrow(says)
    expect(dump(w)).toEqual(before)
    expect(readdirSync(w.root).filter(n => n.startsWith('.'))).toEqual([])
    expect(readdirSync(join(w.root, 'captures')).filter(n => n.startsWith('.'))).toEqual([])
  }
  const damaged = (name: string, content: Buffer | string) => {
    const path = join(folder, name)
    writeFileSync(path, content)
    return path
  }

  it('an archive cut short, anywhere', async () => {
    const whole = readFileSync(archive)
    for (const share of [0, 0.1, 0.5, 0.9, 0.999])
      await refused(damaged('cut.zip', whole.subarray(0, Math.floor(whole.length * share))), /cut short, or no ZIP/)
  })
  it('a path that climbs out of its folder, or one that has no place', async () => {
    const climbing = Buffer.from(
      readFileSync(await altered(archive, (_, c) => c, { 'xx/yy/zz/evil.txt': 'x' }))
        .toString('latin1')
        .replaceAll('xx/yy/zz/evil.txt', '../../../evil.txt'),
      'latin1',
    )
    await refused(damaged('climbing.zip', climbing), /leads out of its folder/)
    expect(existsSync(join(folder, '../../../evil.txt'))).toBe(false)
    await refused(
      await altered(archive, (_, c) => c, { 'bin/run.sh': 'x' }),
      /“bin\/run.sh” has no place in an archive/,
    )
    await refused(
      await altered(archive, (_, c) => c, { 'other.csv': 'x' }),
      /other.csv is not in the archive’s manifest/,
    )
  })
  it('a newer version, a foreign manifest, none at all', async () => {
    const manifest = (change: (m: Record<string, unknown>) => unknown) =>
      altered(archive, (n, c) =>
        n === 'manifest.json' ? Buffer.from(JSON.stringify(change(JSON.parse(c.toString()) as never))) : c,
      )
    await refused(
      await manifest(m => ({ ...m, version: ARCHIVE_VERSION + 1 })),
      new RegExp(`of version ${ARCHIVE_VERSION + 1}; expected at most ${ARCHIVE_VERSION}; read it with a newer`),
    )
    await refused(await manifest(m => ({ ...m, format: 'other' })), /no archive of a workshop/)
    await refused(await manifest(() => 3), /no archive of a workshop/)
    await refused(await manifest(m => ({ ...m, files: [{ path: 'x' }] })), /without its size or checksum/)
    await refused(await altered(archive, (n, c) => (n === 'manifest.json' ? null : c)), /has no manifest/)
    await refused(
      await altered(archive, (n, c) => (n === 'manifest.json' ? Buffer.from('{') : c)),
      /the manifest is damaged/,
    )
    await refused(damaged('text.zip', 'not a zip at all'), /no ZIP/)
  })
  it('files that were changed, dropped or renamed', async () => {
    await refused(
      await altered(archive, (n, c) =>
        n === 'log.jsonl' ? Buffer.from(c.toString().replace('Received', 'Deceived')) : c,
      ),
      /log.jsonl was changed/,
    )
    await refused(await altered(archive, (n, c) => (n === 'belts.jsonl' ? null : c)), /belts.jsonl is missing/)
    await refused(
      await altered(archive, (n, c) => (n === 'belts.jsonl' ? Buffer.concat([c, c]) : c)),
      /belts.jsonl has \d+ bytes and should have/,
    )
  })
  /** An archive made by hand: a table's lines are others, and the manifest fits them. */
  const withTable = (name: string, change: (lines: string[]) => string[], lines: string[]) =>
    altered(archive, (n, c) => {
      const content = Buffer.from(`${change(lines).join('\n')}\n`)
      if (n === name) return content
      if (n !== 'manifest.json') return c
      const m = JSON.parse(c.toString()) as { files: { path: string; bytes: number; sha256: string }[] }
      return Buffer.from(
        JSON.stringify({
          ...m,
          files: m.files.map(f =>
            f.path === name
              ? { ...f, bytes: content.length, sha256: createHash('sha256').update(content).digest('hex') }
              : f,
          ),
        }),
      )
    })
  it('a file named by anything but its contents', async () => {
    for (const table of ['captures', 'photos']) {
      const lines = (await fileOf(archive, `${table}.jsonl`)).trim().split('\n')
      const named = (sha: string) =>
        withTable(`${table}.jsonl`, l => [l[0]!.replace(/"sha":"[^"]*"/, `"sha":"${sha}"`)], lines)
      for (const sha of ['../../../../etc/passwd', '', 'A'.repeat(64), `${'a'.repeat(64)}/x`])
        await refused(
          await named(sha),
          new RegExp(`${table}.jsonl, line 1: a file is named by something that is not a SHA-256`),
        )
      await refused(await named('0'.repeat(64)), new RegExp(`${table}/0{64} is not in the archive`))
    }
  })
  it('and a store leads to no other path, whatever its table says', async () => {
    const w = await workshop()
    expect(() => w.captures.path('../../wobrin.sqlite')).toThrow(/not a SHA-256/)
    w.db.$client
      .prepare("insert into photos (sha, name, bytes, width, height, kept_at) values (?, 'x', 1, 1, 1, ?)")
      .run('../wobrin.sqlite', NOW)
    await expect(w.photos.show('../wobrin.sqlite', 'view')).rejects.toThrow(/not a SHA-256/)
  })
  it('a log that cannot be replayed; recordings that came with it are gone again', async () => {
    const lines = (await fileOf(archive, 'log.jsonl')).trim().split('\n')
    const broken = await withTable(
      'log.jsonl',
      l => [
        ...l,
        JSON.stringify({ ...JSON.parse(l[0]!), seq: 9000, id: uuid(901), kind: 'released', data: { type: 'finding' } }),
      ],
      lines,
    )
    const w = await workshop()
    await refused(broken, /log cannot be replayed/, w)
    expect(files(w)).toEqual([])
  })
  it('rows that are none, with their line', async () => {
    const lines = (await fileOf(archive, 'log.jsonl')).trim().split('\n')
    const withLog = (log: (lines: string[]) => string[]) => withTable('log.jsonl', log, lines)
    await refused(await withLog(l => [...l, '{']), /log.jsonl, line \d+: the line is not JSON/)
    await refused(await withLog(l => [...l, '[1]']), /the line is no row/)
    await refused(
      await withLog(l => [l[0]!, l[1]!.replace('"title"', '"tilte"')]),
      /line 2: there is no column “tilte”/,
    )
    await refused(await withLog(l => [l[0]!, l[0]!]), /line 2: the row cannot be kept/)
    await refused(
      await withLog(l => [l[0]!.replace(/"drive_id":"[^"]*"/, `"drive_id":"${uuid(999)}"`)]),
      /the row names a row of drives that is not in the archive/,
    )
  })
  it.each([
    ['drives.jsonl', 'mechanism', '9in', /line 1: .*choose the drive type/i],
    ['drives.jsonl', 'tag', 'a tag with spaces in it', /line 1: .*tag/],
    ['drives.jsonl', 'tag', null, /line 1: .*tag/],
    ['drives.jsonl', 'received_at', '2026-13-01T09:00:00Z', /line 1: .*received\S* is a date that does not exist/],
    ['drives.jsonl', 'features', { heads: 7 }, /line 1: .*one head or two/],
    ['drives.jsonl', 'pulleys', ['belt'], /line 1: .*pulleys/],
    ['log.jsonl', 'kind', 'hologram', /line 1: .*the kind “hologram” is not known to this version/],
    ['log.jsonl', 'kind', 'constructor', /line 1: .*the kind “constructor” is not known/],
    ['log.jsonl', 'data', { type: 'hologram' }, /line 1: .*“hologram” is not known to this version/],
    ['log.jsonl', 'data', 'text', /line 1: .*data/],
    ['log.jsonl', 'at', '2026-02-30T09:00:00Z', /line 1: .*at is a date that does not exist/],
    ['log.jsonl', 'at', 'yesterday', /line 1: .*at is not a date/],
    ['log.jsonl', 'id', '../../etc/passwd', /line 1: .*id is not a UUID/],
    ['log.jsonl', 'observations', [null], /line 1: .*observations\[0\]/],
    ['log.jsonl', 'observations', null, /line 1: .*observations/],
    ['log.jsonl', 'call', { kind: 'perhaps', reasons: [], next: '' }, /line 1: .*the call “perhaps” is not known/],
    [
      'log.jsonl',
      'evidence',
      { source: 'dream', by: '', recording: null },
      /line 1: .*the source “dream” is not known/,
    ],
    ['log.jsonl', 'evidence', { source: 'hand', by: '', recording: '../../x' }, /line 1: .*recording is not a SHA-256/],
    ['captures.jsonl', 'bytes', -1, /line 1: .*bytes/],
    ['photos.jsonl', 'kept_at', '2026-00-01T00:00:00Z', /line 1: .*kept_at is a date that does not exist/],
  ])('%s with %s as %j is refused in a sentence', async (file, column, value, sentence) => {
    const lines = (await fileOf(archive, file)).trim().split('\n')
    const spoilt = JSON.stringify({ ...JSON.parse(lines[0]!), [column]: value })
    await refused(
      await withTable(file, l => [spoilt, ...l.slice(1)], lines),
      new RegExp(`${file}, ${sentence.source}`, 'i'),
    )
  })
  it('something that is here already with other contents, or a tag that is taken', async () => {
    const other = await workshop()
    await imported(other, archive)
    other.drives.change(uuid(1), { maker: 'Orlop' })
    await refused(archive, /The drive 0{8}-.* is here already, with other contents/, other)
    const taken = await workshop()
    taken.drives.receive(newDrive({ tag: 'SK-05' }), NOW, uuid(500))
    await refused(archive, /another drive here has the tag SK-05/, taken)
  })
  it('one that breaks off on its way', async () => {
    const w = await workshop()
    await expect(w.archives.import(chunks(readFileSync(archive)), 10_000_000)).rejects.toThrow(
      /cut off after \d+ of 10000000 bytes/,
    )
    await expect(w.archives.import(chunks(''), 9 * 1024 ** 3)).rejects.toThrow(/larger than is taken/)
  })
  it('any damage to any byte ends in a sentence', async () => {
    const whole = readFileSync(archive)
    const w = await workshop()
    await fc.assert(
      fc.asyncProperty(fc.nat(whole.length - 1), fc.integer({ min: 1, max: 255 }), async (at, by) => {
        const bytes = Buffer.from(whole)
        bytes[at] = bytes[at]! ^ by
        await imported(w, damaged('fuzz.zip', bytes)).then(
          // What does not show in contents is no damage: a time stamp, a comment.
          () => {
            expect(dump(w).drives).toEqual(dump(original).drives)
          },
          (error: unknown) => {
            expect(error, String((error as Error).stack)).toBeInstanceOf(InputError)
          },
        )
      }),
      { numRuns: 60 },
    )
  }, 60_000)
})

describe('an archive of a workshop with damage', () => {
  it('lists what is missing or damaged, brings the rest, and is read in with the same list', async () => {
    const w = await filled()
    const shas = readdirSync(w.folder.captures).filter(n => /^[0-9a-f]{64}$/.test(n))
    const photos = readdirSync(w.folder.photos).filter(n => /^[0-9a-f]{64}$/.test(n))
    rmSync(join(w.folder.captures, shas[0]!))
    writeFileSync(join(w.folder.photos, photos[0]!), 'something else')
    const { missing, stream } = await w.archives.export(NOW)
    stream.destroy()
    const expected = [
      { path: `captures/${shas[0]}`, why: 'missing' },
      { path: `photos/${photos[0]}`, why: 'damaged' },
    ]
    expect(missing).toEqual(expected)
    const other = await workshop()
    const came = await imported(other, await exported(w))
    expect(came.missing).toEqual(expected)
    expect(came.tables.drives!.added).toBe(3)
    expect(readdirSync(other.folder.captures).sort()).toEqual(shas.slice(1).sort())
    expect(dump(other)).toEqual(dump(w))
  })

  it('leaves photos out where that is asked, says so, and takes them in later', async () => {
    const w = await filled()
    const photos = readdirSync(w.folder.photos).filter(n => /^[0-9a-f]{64}$/.test(n))
    const { stream, missing } = await w.archives.export(NOW, undefined, false)
    expect(missing).toEqual(photos.map(sha => ({ path: `photos/${sha}`, why: 'left out' })))
    const parts: Buffer[] = []
    for await (const part of stream) parts.push(part as Buffer)
    const bytes = Buffer.concat(parts)
    const bare = join(mkdtempSync(join(tmpdir(), 'wobrin-bare-')), 'bare.zip')
    writeFileSync(bare, bytes)
    expect(bytes.includes(Buffer.from(readFileSync(join(w.folder.photos, photos[0]!)).subarray(0, 64)))).toBe(false)
    const other = await workshop()
    expect((await imported(other, bare)).missing).toEqual(missing)
    expect(readdirSync(other.folder.photos)).toEqual([])
    await imported(other, await exported(w))
    expect(readdirSync(other.folder.photos).filter(n => /^[0-9a-f]{64}$/.test(n))).toEqual(photos)
  })
})

describe('backups', () => {
  it('are made while entries come in, and are whole', async () => {
    const w = await filled()
    let n = 0
    const writing = setInterval(() => {
      w.drives.append(note(uuid(1), uuid(1000 + n++), { at: NOW, station: 'prove', title: `n${n}` }))
    }, 1)
    const backup = await w.backups.make(NOW)
    clearInterval(writing)
    const copy = new Database(join(w.folder.backups, backup.name), { readonly: true })
    expect(copy.pragma('integrity_check', { simple: true })).toBe('ok')
    expect((copy.prepare('select count(*) as n from drives').get() as { n: number }).n).toBe(3)
    copy.close()
    expect(w.backups.list()).toHaveLength(1)
  })
  it('put back, the workshop equals the one of that hour; what was there is kept', async () => {
    const w = await filled()
    const before = dump(w)
    const { name } = await w.backups.make(NOW)
    w.drives.append(note(uuid(1), uuid(2000), { at: NOW, station: 'prove', title: 'after' }))
    w.db.$client.close()
    const restore = (backup: string | null) => restoreBackup(w.folder, NOW, backup)
    writeFileSync(join(w.folder.backups, 'junk.sqlite'), 'no database')
    expect(() => restore('junk.sqlite')).toThrow(/is no sound backup.*Nothing was changed/)
    expect(() => restore('/nowhere.sqlite')).toThrow(/There is no file/)
    // Without a name: the newest that is sound.
    expect(restore(null)).toMatchObject({ from: name, drives: 3 })
    const again = await workshop(w.root)
    expect(dump(again)).toEqual(before)
    expect(readdirSync(w.folder.backups).some(f => f.startsWith('before-restore-'))).toBe(true)
    again.db.$client.close()
  })
})
