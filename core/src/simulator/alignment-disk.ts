import { QuickGauss } from './gauss'

/** What a scope sees of an analogue alignment disk, for want of one. */
export interface AlignmentTrack {
  readonly pattern: 'lobes' | 'azimuth' | 'index'
  /** Where the head stands, µm towards the hub of the middle of the alignment track. */
  readonly offsetUm: number
  readonly azimuthMin: number
  /** When the burst begins after the index, µs. */
  readonly indexUs: number
  readonly headUm: number
  /** How far out the two bands stand. */
  readonly eccentricUm: number
  readonly rpm: number
  readonly noise: number
  readonly seed: number
}

export const SOUND_ALIGNMENT: AlignmentTrack = {
  pattern: 'lobes',
  offsetUm: 0,
  azimuthMin: 0,
  indexUs: 200,
  headUm: 330,
  eccentricUm: 180,
  rpm: 300,
  noise: 0.02,
  seed: 1,
}

/** Samples a second, and the carrier on the disk, Hz. */
const RATE = 500_000
const CARRIER = 62_500
/** Angles of the four bursts, minutes of arc, and the wavelength and width that make their loss (from memory). */
const BURSTS = [-12, -9, 9, 12] as const
const BURST_UM = { width: 330, wavelength: 10 }

/** A hump between two places of a turn, soft at both ends. */
const hump = (turn: number, from: number, to: number) =>
  turn < from || turn > to ? 0 : Math.min(1, Math.sin((Math.PI * (turn - from)) / (to - from)) * 1.8)

/** Envelope at a place of the turn, share of the full signal. */
export function alignmentEnvelope(t: AlignmentTrack, turn: number): number {
  if (t.pattern === 'index') {
    const since = ((turn * 60) / t.rpm) * 1e6
    return since >= t.indexUs && since < t.indexUs + 3000 ? 1 : 0
  }
  if (t.pattern === 'azimuth') {
    const k = Math.floor(turn * 5)
    if (k > 3 || turn * 5 - k > 0.7 || turn * 5 - k < 0.1) return 0
    const x =
      (Math.PI * BURST_UM.width * Math.tan((((t.azimuthMin - BURSTS[k]!) / 60) * Math.PI) / 180)) / BURST_UM.wavelength
    return x === 0 ? 1 : Math.abs(Math.sin(x) / x)
  }
  // Two bands as far out on either side: overlap of head and band, each in its part of the turn.
  const overlap = (away: number) => Math.max(0, t.headUm - Math.abs(away)) / t.headUm
  return (
    hump(turn, 0.08, 0.42) * overlap(t.offsetUm + t.eccentricUm) +
    hump(turn, 0.58, 0.92) * overlap(t.offsetUm - t.eccentricUm)
  )
}

/** What a scope keeps of one turn from the index on: the signal, and the index line beside it. */
export function scopeTrace(
  t: AlignmentTrack,
  turns = 1,
): { readonly sampleRateHz: number; readonly signal: Float64Array; readonly index: Float64Array } {
  const n = Math.round(((turns * 60) / t.rpm) * RATE)
  const gauss = new QuickGauss(t.seed)
  const signal = new Float64Array(n)
  const index = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const turn = (((i / RATE) * t.rpm) / 60) % 1
    signal[i] = alignmentEnvelope(t, turn) * Math.sin((2 * Math.PI * CARRIER * i) / RATE) + t.noise * gauss.next()
    index[i] = turn < 0.02 ? 0 : 5
  }
  return { sampleRateHz: RATE, signal, index }
}

/** The same as a WAV file of 16-bit samples, left the signal and right the index. */
export function scopeWav(t: AlignmentTrack, turns = 1): Uint8Array<ArrayBuffer> {
  const { sampleRateHz, signal, index } = scopeTrace(t, turns)
  const bytes = new Uint8Array(44 + signal.length * 4)
  const view = new DataView(bytes.buffer)
  const word = (at: number, text: string) => [...text].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)))
  word(0, 'RIFF')
  view.setUint32(4, bytes.length - 8, true)
  word(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  view.setUint16(20, 1, true)
  view.setUint16(22, 2, true)
  view.setUint32(24, sampleRateHz, true)
  view.setUint32(28, sampleRateHz * 4, true)
  view.setUint16(32, 4, true)
  view.setUint16(34, 16, true)
  word(36, 'data')
  view.setUint32(40, signal.length * 4, true)
  for (let i = 0; i < signal.length; i++) {
    view.setInt16(44 + i * 4, Math.max(-32767, Math.min(32767, Math.round(signal[i]! * 20000))), true)
    view.setInt16(46 + i * 4, Math.round(index[i]! * 5000), true)
  }
  return bytes
}
