import Papa from 'papaparse'
import { InputError, LimitError } from '../../base/errors'
import { latin1 } from './latin1'
import { fullScaleOf, parseWavFormat, sampleReader } from './wav-header'

/** What a scope kept: amplitudes of one channel or two, at even times. */
export interface Waveform {
  readonly fileName: string
  readonly sampleRateHz: number
  /** What the largest sample that the file can hold reads as; null where nothing limits it. */
  readonly fullScale: number | null
  readonly channels: readonly { readonly name: string; readonly samples: Float64Array }[]
  readonly notices: readonly string[]
}

/** A scope keeps few turns; more samples are another kind of recording. */
export const MOST_SAMPLES = 40_000_000
const MOST_BYTES = 400_000_000
/** Fewer are no waveform. */
const FEWEST = 200

/**
 * Reads a waveform from a WAV file or from a CSV table with a time column and one or two of amplitudes.
 * @throws InputError, LimitError with the place
 */
export function readWaveform(bytes: Uint8Array, fileName: string): Waveform {
  if (bytes.length > MOST_BYTES)
    throw new LimitError('it is larger than a scope’s memory', `at most ${MOST_BYTES / 1e6} MB`, { file: fileName })
  return latin1(bytes.subarray(0, 4)) === 'RIFF' ? fromWav(bytes, fileName) : fromCsv(bytes, fileName)
}

function fromWav(bytes: Uint8Array, file: string): Waveform {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let format: ReturnType<typeof parseWavFormat> | null = null
  for (let at = 12; at + 8 <= bytes.length;) {
    const id = latin1(bytes.subarray(at, at + 4))
    const size = view.getUint32(at + 4, true)
    if (id === 'fmt ')
      format = parseWavFormat(bytes.subarray(at + 8, Math.min(bytes.length, at + 8 + size)), file, at + 8)
    if (id === 'data') {
      if (!format)
        throw new InputError('sound comes before its format', 'a "fmt " chunk first', { file, byteOffset: at })
      const { channels, frameBytes, bits, sampleRateHz } = format
      const there = Math.min(size === 0 || size === 0xffffffff ? Infinity : size, bytes.length - at - 8)
      const frames = Math.floor(there / frameBytes)
      if (frames < FEWEST)
        throw new InputError(`it holds ${frames} samples`, `at least ${FEWEST}: one revolution of the disk`, {
          file,
          byteOffset: at + 8,
        })
      if (frames > MOST_SAMPLES)
        throw new LimitError(
          `it holds ${frames} samples`,
          `at most ${MOST_SAMPLES / 1e6} million: some revolutions of the disk`,
          { file },
        )
      const read = sampleReader(format)
      return {
        fileName: file,
        sampleRateHz,
        fullScale: fullScaleOf(format),
        notices:
          there < size && size < 0xffffffff
            ? [`${file} breaks off ${size - there} bytes before the end it announces; everything before that was read.`]
            : [],
        channels: Array.from({ length: Math.min(2, channels) }, (_, c) => ({
          name: channels === 1 ? 'signal' : ['left', 'right'][c]!,
          samples: Float64Array.from({ length: frames }, (_x, f) =>
            read(view, at + 8 + f * frameBytes + (c * bits) / 8),
          ),
        })),
      }
    }
    at += 8 + size + (size % 2)
  }
  throw new InputError('it ends before any sound', '"fmt " and "data" chunks', { file, byteOffset: bytes.length })
}

function fromCsv(bytes: Uint8Array, file: string): Waveform {
  const text = new TextDecoder('utf-8').decode(bytes)
  const semicolons = /^[^\n]*;/m.test(text.slice(0, 2000))
  const number = (cell: string | undefined) =>
    Number((semicolons ? cell?.replace(',', '.') : cell)?.trim() || Number.NaN)
  const rows = Papa.parse<string[]>(text, {
    skipEmptyLines: true,
    delimiter: semicolons ? ';' : text.slice(0, 2000).includes('\t') ? '\t' : ',',
  }).data
  const first = rows.findIndex(r => r.length >= 2 && Number.isFinite(number(r[0])) && Number.isFinite(number(r[1])))
  if (first < 0)
    throw new InputError('it has no rows of time and amplitude', 'a column of seconds and one or two of volts', {
      file,
      line: 1,
    })
  const heading = first > 0 ? rows[first - 1]! : []
  const body = rows.slice(first)
  if (body.length < FEWEST)
    throw new InputError(`it holds ${body.length} rows`, `at least ${FEWEST}: one revolution of the disk`, { file })
  const columns = Math.min(3, body[0]!.length)
  const data = Array.from({ length: columns }, () => new Float64Array(body.length))
  for (const [i, row] of body.entries()) {
    for (let c = 0; c < columns; c++) {
      const x = number(row[c])
      if (!Number.isFinite(x))
        throw new InputError(`“${row[c] ?? ''}” is not a number`, 'a number in every row', {
          file,
          line: first + i + 1,
          field: heading[c]?.trim() || `column ${c + 1}`,
        })
      data[c]![i] = x
    }
  }
  const unit = /\bms\b|milli/i.test(heading[0] ?? '') ? 1e-3 : /µs|\bus\b|micro/i.test(heading[0] ?? '') ? 1e-6 : 1
  const step = ((data[0]!.at(-1)! - data[0]![0]!) / (body.length - 1)) * unit
  if (!(step > 0))
    throw new InputError('its times do not rise', 'a first column of rising times', { file, line: first + 1 })
  return {
    fileName: file,
    sampleRateHz: 1 / step,
    fullScale: null,
    notices: [],
    channels: data.slice(1).map((samples, i) => ({ name: heading[i + 1]?.trim() || `channel ${i + 1}`, samples })),
  }
}
