import { InputError } from '../../base/errors'

export interface WavFormat {
  readonly channels: number
  readonly sampleRateHz: number
  readonly bits: 8 | 16 | 24 | 32 | 64
  readonly float: boolean
  readonly frameBytes: number
}

const PCM = 1
const FLOAT = 3
const EXTENSIBLE = 0xfffe

/**
 * Reads a WAVE `fmt ` chunk (RIFF MCI data specification 1991, from memory; the extensible form too).
 * @throws InputError for a coding other than plain PCM or float
 */
export function parseWavFormat(chunk: Uint8Array, file: string, byteOffset: number): WavFormat {
  const where = { file, byteOffset }
  if (chunk.length < 16) throw new InputError('its format chunk is too short', 'at least 16 bytes', where)
  const view = new DataView(chunk.buffer, chunk.byteOffset, chunk.byteLength)
  let tag = view.getUint16(0, true)
  if (tag === EXTENSIBLE && chunk.length >= 26) tag = view.getUint16(24, true)
  const channels = view.getUint16(2, true)
  const sampleRateHz = view.getUint32(4, true)
  const bits = view.getUint16(14, true)
  const known = (tag === PCM && [8, 16, 24, 32].includes(bits)) || (tag === FLOAT && [32, 64].includes(bits))
  if (!known)
    throw new InputError(`it is coded as type ${tag} with ${bits} bits`, '8, 16, 24 or 32-bit PCM or float', where)
  if (channels < 1 || channels > 64) throw new InputError(`it has ${channels} channels`, '1 to 64', where)
  if (sampleRateHz < 100) throw new InputError(`its sample rate is ${sampleRateHz} Hz`, '100 Hz or more', where)
  return {
    channels,
    sampleRateHz,
    bits: bits as WavFormat['bits'],
    float: tag === FLOAT,
    frameBytes: (channels * bits) / 8,
  }
}

/** A function that reads one sample as a number; the scale does not matter to the pulse finder. */
export function sampleReader(format: WavFormat): (view: DataView, at: number) => number {
  if (format.float) return format.bits === 32 ? (v, i) => v.getFloat32(i, true) : (v, i) => v.getFloat64(i, true)
  switch (format.bits) {
    case 8:
      return (v, i) => v.getUint8(i) - 128
    case 16:
      return (v, i) => v.getInt16(i, true)
    case 24:
      return (v, i) => v.getInt16(i + 1, true) * 256 + v.getUint8(i)
    default:
      return (v, i) => v.getInt32(i, true)
  }
}

/** What the largest sample of a format reads as. */
export const fullScaleOf = ({ float, bits }: Pick<WavFormat, 'float' | 'bits'>): number => (float ? 1 : 2 ** (bits - 1))
