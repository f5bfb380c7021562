import { leastSquares } from '../../base/numbers'
import { plain, type Call } from '../../base/observations'
import { afterAzimuth } from '../../signals/head'
import { maybe, type Calculator, type CalculatorLine, type CalculatorResult, type Values } from '../calculator'

/**
 * Angles of the bursts of an alignment track, minutes of arc: in pairs, the outer pair and the inner one (from
 * memory; disks differ, so they can be given).
 */
const KEYS = ['a', 'b', 'c', 'd'] as const
const ANGLES: Readonly<Record<(typeof KEYS)[number], number>> = { a: -12, b: -9, c: 9, d: 12 }

/**
 * The angle at which bursts of known angles would be largest: near its top sin x ÷ x falls with the square of the
 * angle, so a parabola
 * through the amplitudes has its top at the head's own angle.
 * @param bursts angle (minutes of arc) and amplitude of each, three or more @returns null where they have no top
 */
export function azimuthOf(bursts: readonly { readonly angle: number; readonly amplitude: number }[]): number | null {
  if (bursts.length < 3) return null
  const angles = Float64Array.from(bursts, b => b.angle)
  const [, b, a] = leastSquares(
    [new Float64Array(bursts.length).fill(1), angles, angles.map(x => x * x)],
    bursts.map(x => x.amplitude),
  )
  return a! < 0 ? -b! / (2 * a!) : null
}

/** How well amplitudes are compared on one screen, share of each (a guess where nothing was said). */
const READ_TO = 0.02

export interface Burst {
  /** Minutes of arc. */
  readonly angle: number
  readonly amplitude: number
}

/** What makes the loss known: width of the track that is read and wavelength of the bursts, µm. */
export interface BurstTrack {
  readonly widthUm: number
  readonly wavelengthUm: number
}

/**
 * The head's angle where the loss itself is known: the angle at which sin x ÷ x with one gain fits the amplitudes best.
 * @returns null for fewer than two bursts
 */
export function azimuthByLoss(bursts: readonly Burst[], track: BurstTrack): number | null {
  if (bursts.length < 2) return null
  const misfit = (own: number) => {
    const left = bursts.map(b => afterAzimuth(track.widthUm, b.angle - own, track.wavelengthUm))
    const gain = left.reduce((s, l, i) => s + l * bursts[i]!.amplitude, 0) / left.reduce((s, l) => s + l * l, 0)
    return left.reduce((s, l, i) => s + (bursts[i]!.amplitude - gain * l) ** 2, 0)
  }
  // Golden section over what a head can be turned by; the misfit has one valley there.
  let [low, high] = [-MOST_TURNED, MOST_TURNED]
  const share = (Math.sqrt(5) - 1) / 2
  for (let i = 0; i < 60; i++) {
    const [a, b] = [high - share * (high - low), low + share * (high - low)]
    if (misfit(a) < misfit(b)) high = b
    else low = a
  }
  return (low + high) / 2
}
const MOST_TURNED = 60

/**
 * Half-width of the 95 % interval of the angle, minutes of arc, where each amplitude is read to a share of itself: the
 * change of the answer with each of them, added as independent errors.
 */
export function azimuthSpread(bursts: readonly Burst[], readTo: number, track?: BurstTrack): number | null {
  const angleOf = (b: readonly Burst[]) => (track ? azimuthByLoss(b, track) : azimuthOf(b))
  const top = angleOf(bursts)
  if (top === null) return null
  const moved = bursts.map((_, i) => {
    const other = bursts.map((b, k) => (k === i ? { ...b, amplitude: b.amplitude * (1 + readTo) } : b))
    return (angleOf(other) ?? Infinity) - top
  })
  return 1.96 * Math.hypot(...moved)
}

function judge(v: Values): CalculatorResult {
  const scale = maybe(v, 'outer')
  const bursts = KEYS.flatMap(k => {
    const amplitude = maybe(v, k)
    return amplitude === undefined ? [] : [{ angle: ANGLES[k] * (scale === undefined ? 1 : scale / 12), amplitude }]
  })
  const [width, wave] = [maybe(v, 'width'), maybe(v, 'wave')]
  const track =
    width !== undefined && wave !== undefined ? { widthUm: width * 1000, wavelengthUm: wave * 1000 } : undefined
  const angle = track ? azimuthByLoss(bursts, track) : azimuthOf(bursts)
  const readTo = (maybe(v, 'readTo') ?? READ_TO * 100) / 100
  const spread = azimuthSpread(bursts, readTo, track)
  const lines: CalculatorLine[] =
    angle === null
      ? [{ label: 'Bursts read', value: bursts.length, unit: '' }]
      : [
          {
            label: 'Azimuth',
            value: angle,
            unit: '′',
            note: `± ${plain(Number((spread ?? 0).toPrecision(2)))}′; ${angle > 0 ? 'towards the later bursts' : angle < 0 ? 'towards the earlier bursts' : 'square'}`,
          },
        ]
  return {
    call: callOf(angle, spread, bursts.length, maybe(v, 'limit') ?? 18),
    lines,
    observations: [
      angle === null
        ? { key: 'align.azimuth', label: 'Azimuth', value: 'not known', unit: '', how: `${bursts.length} bursts` }
        : {
            key: 'align.azimuth',
            label: 'Azimuth',
            value: Number(angle.toFixed(1)),
            unit: '′',
            ...(spread !== null && Number.isFinite(spread) ? { uncertainty: Number(spread.toPrecision(2)) } : {}),
            how: `${bursts.length} bursts, each read to ${plain(readTo * 100)} %`,
          },
    ],
  }
}

function callOf(angle: number | null, spread: number | null, n: number, limit: number): Call {
  if (n < 3)
    return {
      kind: 'unknown',
      reasons: [`${n} of four bursts were read: a top needs three.`],
      next: 'Read the others on the scope, with the same gain.',
    }
  if (angle === null)
    return {
      kind: 'unknown',
      reasons: ['The bursts have no top between them: they only rise, or were read at different gains.'],
      next: 'Read all four again in one sweep.',
    }
  const within = spread ?? Infinity
  const says = `The head is turned by ${plain(Number(Math.abs(angle).toFixed(1)))}′ ± ${plain(Number(within.toPrecision(2)))}′.`
  if (Math.abs(Math.abs(angle) - limit) < within)
    return {
      kind: 'unknown',
      reasons: [says, `That is too close to the ${plain(limit)}′ limit to decide.`],
      next: 'Give the width of the head and the wavelength of the bursts (from the disk’s sheet), or read the bursts larger.',
    }
  return Math.abs(angle) <= limit
    ? {
        kind: 'leave',
        reasons: [says, `${plain(limit)}′ are allowed${limit === 18 ? ' (from memory)' : ''}.`],
        next: 'Leave it: azimuth can seldom be set without a new head.',
      }
    : {
        kind: 'mend',
        reasons: [`${says.slice(0, -1)}, more than ${plain(limit)}′${limit === 18 ? ' (from memory)' : ''}.`],
        next: 'Is the head loose or bent in its mount? Where it cannot be turned, replace the head assembly.',
      }
}

/** Azimuth bursts, to minutes of arc. */
export const azimuthCalculator: Calculator = {
  id: 'azimuth',
  title: 'Azimuth bursts',
  station: 'align',
  group: 'Instrument method',
  purpose: 'How far a head is turned from square, from bursts of known angle on a scope.',
  fields: [
    ...KEYS.map(k => ({
      key: k,
      label: `Burst at ${ANGLES[k] > 0 ? '+' : '−'}${Math.abs(ANGLES[k])}′`,
      quantity: 'height' as const,
      zero: true as const,
    })),
    {
      key: 'limit',
      label: 'Allowed, minutes of arc',
      hint: '18 if not given, from memory',
      quantity: 'count',
      plausible: [3, 60],
    },
    {
      key: 'width',
      label: 'Track width of the head',
      hint: 'with the wavelength: a much better answer',
      quantity: 'length',
      plausible: [0.05, 0.5],
    },
    {
      key: 'wave',
      label: 'Wavelength of the bursts',
      hint: 'from the alignment disk’s sheet',
      quantity: 'length',
      plausible: [0.002, 0.05],
    },
    {
      key: 'readTo',
      label: 'Amplitudes read to',
      hint: '2 % if not given, a guess',
      quantity: 'share',
      rare: true,
      plausible: [0.5, 20],
    },
    {
      key: 'outer',
      label: 'Angle of the outer bursts, minutes',
      hint: '12 if not given',
      quantity: 'count',
      rare: true,
      plausible: [6, 40],
    },
  ],
  formulas: [
    'With width w and wavelength λ: sin x ÷ x with x = π w tan α ÷ λ and one gain, fitted to the amplitudes. ± is what reading each amplitude to its share makes of the angle, 95 %.',
    'Without them: a parabola through the amplitudes has its top at the head’s angle: sin x ÷ x falls with the square of the angle near its top.',
  ],
  judge,
}
