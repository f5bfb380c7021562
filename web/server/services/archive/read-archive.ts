import { createHash } from 'node:crypto'
import type { Readable } from 'node:stream'
import { promisify } from 'node:util'
import yauzl from 'yauzl'
import { InputError, LimitError } from '@wobrin/core/base/errors'
import { SHA_256 } from '../../../shared/patterns'
import type { MissingFile } from '../../../shared/archive'
import { ARCHIVE_VERSION, CONTENTS, MANIFEST, TABLES, type Manifest, type ManifestFile } from './tables'

/** What an archive may unpack to, bytes, and how many files it may have. */
export const MOST_UNPACKED = 64 * 1024 ** 3
const MOST_FILES = 500_000
const MOST_MANIFEST = 100 * 1024 ** 2

const bad = (problem: string, expected: string, file = '') => new InputError(problem, expected, file ? { file } : {})

/** An archive that is open: its manifest, and its files as streams. */
export interface OpenArchive {
  readonly manifest: Manifest
  /**
   * A file's contents, checked against size and SHA-256 as they go by.
   * @throws InputError at its end where they differ
   */
  readonly contents: (path: string) => AsyncGenerator<Buffer>
  readonly close: () => void
}

/** The tables of this version, and contents by their SHA-256; nothing else is read, so that no path leads anywhere. */
const isKnown = (path: string) =>
  TABLES.some(t => t.file === path) ||
  CONTENTS.some(c => new RegExp(`^${c.folder}/[0-9a-f]{64}$`).test(path)) ||
  path === 'README.txt' ||
  /^[a-z-]+\.csv$/.test(path)

/** Opens an archive and checks what it says of itself. @throws InputError in one sentence */
export async function openArchive(path: string): Promise<OpenArchive> {
  const zip = await (promisify(yauzl.open) as (path: string, options: yauzl.Options) => Promise<yauzl.ZipFile>)(path, {
    lazyEntries: true,
    autoClose: false,
    strictFileNames: true,
  }).catch((error: Error) => {
    throw bad(`the archive cannot be opened: ${worded(error)}`, 'a whole ZIP as it was exported')
  })
  try {
    const entries = await listed(zip)
    const open = promisify(zip.openReadStream.bind(zip)) as (entry: yauzl.Entry) => Promise<Readable>
    const manifest = await readManifest(entries, open)
    for (const f of manifest.files) {
      const entry = entries.get(f.path)
      if (!entry) throw bad(`${f.path} is missing from the archive`, 'every file that its manifest lists')
      if (entry.uncompressedSize !== f.bytes)
        throw bad(
          `${f.path} has ${entry.uncompressedSize} bytes and should have ${f.bytes}`,
          'the file as it was exported',
        )
    }
    const byPath = new Map(manifest.files.map(f => [f.path, f]))
    const stray = [...entries.keys()].find(p => p !== MANIFEST && !byPath.has(p))
    if (stray !== undefined) throw bad(`${stray} is not in the archive’s manifest`, 'no other files than it lists')
    return {
      manifest,
      close: () => zip.close(),
      contents: async function* (wanted) {
        const file = byPath.get(wanted)
        if (!file) return
        yield* checked(() => open(entries.get(wanted)!), file)
      },
    }
  } catch (error) {
    zip.close()
    throw error
  }
}

function worded({ message }: Error): string {
  if (/end of central directory/i.test(message)) return 'it is cut short, or no ZIP'
  if (/invalid relative path|absolute path|invalid characters/i.test(message))
    return 'a path in it leads out of its folder'
  return message.charAt(0).toLowerCase() + message.slice(1)
}

function listed(zip: yauzl.ZipFile): Promise<Map<string, yauzl.Entry>> {
  const entries = new Map<string, yauzl.Entry>()
  let unpacked = 0
  return new Promise((resolve, reject) => {
    const fail = (error: Error) =>
      reject(
        error instanceof InputError
          ? error
          : bad(`the archive cannot be read: ${worded(error)}`, 'a whole ZIP as it was exported'),
      )
    zip.on('error', fail)
    zip.on('end', () => resolve(entries))
    zip.on('entry', (entry: yauzl.Entry) => {
      unpacked += entry.uncompressedSize
      if (unpacked > MOST_UNPACKED)
        return fail(
          new LimitError('the archive unpacks to more than is read here', `at most ${MOST_UNPACKED / 1024 ** 3} GB`),
        )
      if (entries.size >= MOST_FILES)
        return fail(new LimitError('the archive has too many files', `at most ${MOST_FILES}`))
      if (entry.fileName !== MANIFEST && !isKnown(entry.fileName))
        return fail(bad(`“${entry.fileName.slice(0, 80)}” has no place in an archive`, 'tables, recordings and photos'))
      if (entries.has(entry.fileName)) return fail(bad(`${entry.fileName} is in the archive twice`, 'each file once'))
      entries.set(entry.fileName, entry)
      zip.readEntry()
    })
    zip.readEntry()
  })
}

async function readManifest(
  entries: ReadonlyMap<string, yauzl.Entry>,
  open: (entry: yauzl.Entry) => Promise<Readable>,
): Promise<Manifest> {
  const entry = entries.get(MANIFEST)
  if (!entry) throw bad('the archive has no manifest', `${MANIFEST}, as every export has`)
  if (entry.uncompressedSize > MOST_MANIFEST)
    throw new LimitError('the manifest is larger than it can be', 'at most 100 MB')
  const pieces: Buffer[] = []
  let manifest: unknown
  try {
    for await (const piece of await open(entry)) pieces.push(piece as Buffer)
    manifest = JSON.parse(Buffer.concat(pieces).toString('utf8'))
  } catch {
    throw bad('the manifest is damaged', 'JSON as it was exported')
  }
  const m = manifest as Partial<Manifest> | null
  if (
    typeof m !== 'object' ||
    m === null ||
    m.format !== 'wobrin-archive' ||
    typeof m.version !== 'number' ||
    !Array.isArray(m.files)
  )
    throw bad('this is no archive of a workshop', 'one that was exported here')
  if (m.version > ARCHIVE_VERSION)
    throw bad(`the archive is of version ${m.version}`, `at most ${ARCHIVE_VERSION}; read it with a newer application`)
  const wrong = m.files.find(
    (f: Partial<ManifestFile> | null) =>
      typeof f?.path !== 'string' || !Number.isSafeInteger(f.bytes) || !SHA_256.test(String(f.sha256)),
  )
  if (m.missing !== undefined && !isMissingList(m.missing))
    throw bad('the manifest’s list of missing files is damaged', 'path and reason of each')
  if (wrong) throw bad('the manifest lists a file without its size or checksum', 'path, bytes and sha256 of each')
  return m as Manifest
}

const isMissingList = (list: unknown): boolean =>
  Array.isArray(list) &&
  list.every(
    (f: Partial<MissingFile> | null) =>
      typeof f?.path === 'string' && isKnown(f.path) && ['missing', 'damaged', 'left out'].includes(f.why ?? ''),
  )

async function* checked(open: () => Promise<Readable>, file: ManifestFile): AsyncGenerator<Buffer> {
  const hash = createHash('sha256')
  try {
    for await (const chunk of await open()) {
      hash.update(chunk as Buffer)
      yield chunk as Buffer
    }
  } catch (error) {
    throw error instanceof InputError
      ? error
      : bad(`${file.path} is damaged: ${worded(error as Error)}`, 'the file as it was exported')
  }
  if (hash.digest('hex') !== file.sha256)
    throw bad(`${file.path} was changed: its contents do not fit its checksum`, 'the file as it was exported')
}
