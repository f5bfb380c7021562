import { leastSquares } from '../../base/numbers'
import { plain, type Call } from '../../base/observations'
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

/** How well an amplitude is read off a scope's screen, share of it (a guess where nothing was said). */
const READ_TO = 0.03

/**
 * Half-width of the 95 % interval of the angle, minutes of arc, where each amplitude is read to a share of itself: the
 * change of the top with each of them, added as independent errors.
 */
export function azimuthSpread(
  bursts: readonly { readonly angle: number; readonly amplitude: number }[],
  readTo: number,
): number | null {
  const top = azimuthOf(bursts)
  if (top === null) return null
  const moved = bursts.map((_, i) => {
    const other = bursts.map((b, k) => (k === i ? { ...b, amplitude: b.amplitude * (1 + readTo) } : b))
    return (azimuthOf(other) ?? Infinity) - top
  })
  return 1.96 * Math.hypot(...moved)
}

function judge(v: Values): CalculatorResult {
  const scale = maybe(v, 'outer')
  const bursts = KEYS.flatMap(k => {
    const amplitude = maybe(v, k)
    return amplitude === undefined ? [] : [{ angle: ANGLES[k] * (scale === undefined ? 1 : scale / 12), amplitude }]
  })
  const angle = azimuthOf(bursts)
  const readTo = (maybe(v, 'readTo') ?? READ_TO * 100) / 100
  const spread = azimuthSpread(bursts, readTo)
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
      next: 'Read the bursts again, larger on the screen, and say how well they were read.',
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
      key: 'readTo',
      label: 'Amplitudes read to',
      hint: '3 % if not given, a guess',
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
    'A parabola through the amplitudes has its top at the head’s angle: sin x ÷ x falls with the square of the angle near its top.',
  ],
  judge,
}
