import { InputError } from '../../base/errors'
import type { CaptureFormat } from './capture'
import { latin1 } from './latin1'

/** First bytes of files that people drop by mistake. */
const STRANGERS: readonly (readonly [string, string])[] = [
  ['\xFF\xD8\xFF', 'a JPEG picture'],
  ['\x89PNG', 'a PNG picture'],
  ['GIF8', 'a GIF picture'],
  ['%PDF', 'a PDF document'],
  ['PK\x03\x04', 'a ZIP archive'],
  ['ID3', 'an MP3 recording'],
  ['OggS', 'an Ogg recording'],
  ['fLaC', 'a FLAC recording'],
  ['BM', 'a bitmap picture'],
  ['Rar!', 'a RAR archive'],
  ['7z\xBC\xAF', 'a 7z archive'],
  ['\x7FELF', 'a program'],
  ['MZ', 'a program'],
  ['II*\x00', 'a TIFF picture'],
  ['MM\x00*', 'a TIFF picture'],
  ['SQLite format 3', 'a database'],
]

const EXPECTED = 'a VCD, CSV or WAV recording'

/**
 * Tells the format from the first bytes; the name is not trusted.
 * @param head the first bytes, at least 16 of them unless the file is shorter; up to 4096 are looked at
 * @throws InputError naming what the file seems to be instead
 */
export function sniffFormat(head: Uint8Array, file: string): CaptureFormat {
  const where = { file, byteOffset: 0 }
  if (head.length === 0) throw new InputError('the file is empty', EXPECTED, where)
  const text = latin1(head.subarray(0, 4096))
  if (text.startsWith('RIFF') && text.slice(8, 12) === 'WAVE') return 'wav'
  if (text.startsWith('transitions ns') || text.startsWith('TRNS\x01\x00\x00\x00')) return 'transitions'
  if (text.startsWith('RF64')) throw new InputError('this is a 64-bit WAV (RF64)', 'a plain WAV below 4 GB', where)
  if (text.slice(4, 8) === 'ftyp') throw new InputError('this looks like a video or phone photo', EXPECTED, where)
  for (const [magic, what] of STRANGERS) {
    if (text.startsWith(magic)) throw new InputError(`this looks like ${what}`, EXPECTED, where)
  }
  const plain = text.startsWith('\xEF\xBB\xBF') ? text.slice(3) : text
  // eslint-disable-next-line no-control-regex -- control characters are what gives a binary file away
  const odd = /[\x00-\x08\x0E-\x1F]/.exec(plain)
  if (odd)
    throw new InputError('this is a binary file of an unknown kind', EXPECTED, {
      file,
      byteOffset: odd.index + text.length - plain.length,
    })
  // Some writers put a remark of their own before the first command.
  if (/^\s*\$(?:date|version|comment|timescale|scope|var|enddefinitions)\b/m.test(plain)) return 'vcd'
  if (/^\s*</.test(plain)) throw new InputError('this looks like a web page or XML', EXPECTED, where)
  if (/^\s*\{/.test(plain)) throw new InputError('this looks like JSON', EXPECTED, where)
  return 'csv'
}

const EXTENSIONS: Readonly<Record<string, CaptureFormat>> = {
  vcd: 'vcd',
  csv: 'csv',
  txt: 'csv',
  tsv: 'csv',
  wav: 'wav',
  trns: 'transitions',
}

/** A sentence where the extension promises another format than the content holds; null where they agree. */
export function extensionNotice(file: string, format: CaptureFormat): string | null {
  const ext = /\.([a-z0-9]+)(?:\.gz)?$/i.exec(file)?.[1]!.toLowerCase()
  const promised = ext ? EXTENSIONS[ext] : undefined
  if (!ext || promised === format || format === 'transitions') return null
  return `The name ends in .${ext}, but the content is ${format.toUpperCase()} and was read as that.`
}
