import type { MechanismId } from '../../drives'
import { findPeriod, HARMONICS, REACH, rpmOf, tellsNothing, tellsSpeed, type SensedSpeed, type Series } from '../rhythm'
import { rightSpeeds } from '../sound'
import { frameRate, type Frames } from './frames'

/** What turns past the place that is looked at: one mark, or a ring of even bars. */
export type FilmOf = 'mark' | 'ring'

export interface FilmAsk {
  readonly of: FilmOf
  readonly mechanism: MechanismId
  readonly nominalRpm?: number | null
  /** How many times slower the film plays than it was taken (slow motion); 1 otherwise. */
  readonly slowed?: number
  /** Bars of the ring. */
  readonly bars?: number
  /** Which way the bars seem to creep: with the disk, against it, or not known. */
  readonly creeps?: 'with' | 'against' | null
}

/** Slow motion plays one of these times slower (from memory: 60, 120, 240, 480 frames shown as 30). */
const SLOWED = [2, 4, 8, 16]
/** A mark has to be caught so many times a revolution. */
const FRAMES_PER_TURN = 2.5
/** A ring is thought to turn this far off nominal at most. */
const NEAR = 0.1
/** Bars that creep slower than this seem to stand still, Hz. */
const STILL_HZ = 0.4
/** So many marks or bars have to pass at least. */
const FEWEST_CYCLES = 17

/**
 * The spindle’s speed by what a camera sees: brightness of one place, frame by frame. The brightness of the whole
 * picture is taken out of it, for lamps flicker and cameras set themselves. How long a frame is exposed blurs a mark,
 * and a rolling shutter shifts it, the same in each frame: neither changes the mean speed.
 */
export function filmSpeed(frames: Frames, ask: FilmAsk): SensedSpeed {
  const slowed = ask.slowed ?? 1
  const series: Series = {
    timesS: frames.timesS.map(t => t / slowed),
    values: frames.place.map((v, i) => v / Math.max(1, frames.picture[i]!)),
  }
  const rate = frameRate(series)
  const right = rightSpeeds(ask.mechanism, ask.nominalRpm)
  const notes = [
    ...(rate.missing ? [`${rate.missing} frames are missing; the times of the others were used.`] : []),
    ...(rate.uneven ? ['The frames come unevenly; the time of each was used.'] : []),
  ]
  return ask.of === 'ring'
    ? rate.uneven
      ? tellsNothing(
          'The frames come unevenly, so that the creep of the bars says nothing.',
          'Film with a fixed frame rate, or film a single mark.',
        )
      : ringSpeed(series, rate.perSecond, right, ask, notes)
    : markSpeed(series, rate.perSecond, right, slowed, notes)
}

function markSpeed(
  series: Series,
  perSecond: number,
  right: readonly number[],
  slowed: number,
  notes: readonly string[],
): SensedSpeed {
  const fastest = Math.max(...right)
  const needed = Math.ceil((fastest / 60) * REACH * FRAMES_PER_TURN)
  if (perSecond < needed)
    return tellsNothing(
      `The film has ${perSecond.toFixed(0)} frames a second; a mark at ${fastest} r/min needs ${needed}.`,
      'Film at a higher rate, or use a ring of bars.',
    )
  const [slowest, quickest] = [Math.min(...right) / REACH, Math.max(...right) * REACH]
  const spanS = series.timesS.at(-1)! - series.timesS[0]!
  // Slower rhythms too: a film in slow motion that does not say so has a mark whose multiples would pass for speeds.
  const found = findPeriod(series, {
    slowestHz: Math.max(slowest / 60 / SLOWED.at(-1)!, FEWEST_CYCLES / spanS),
    fastestHz: quickest / 60,
    harmonics: HARMONICS,
  })
  const speed = found && rpmOf(found)
  if (speed && speed.rpm >= slowest)
    return tellsSpeed(speed, found.cycles, [
      `A mark passes once a revolution, seen over ${found.cycles} revolutions at ${perSecond.toFixed(0)} frames a second.`,
      ...notes,
    ])
  const others = SLOWED.flatMap(times => {
    if (!speed || speed.rpm * times < slowest || speed.rpm * times > quickest) return []
    const told = `it plays ${times * slowed} times slower than it was taken`
    return [{ rpm: speed.rpm * times, uncertainty: speed.uncertainty * times, if: told }]
  })
  return tellsNothing(
    speed
      ? `A mark passes ${speed.rpm.toFixed(1)} times a minute, far from ${right.join(', ')} r/min.`
      : `Nothing passes once a revolution near ${right.join(', ')} r/min.`,
    others.length
      ? 'Say how many times slower the film plays, if it is slow motion.'
      : 'Stick a white mark on the dark flywheel, choose a place that the mark passes, and film for ten seconds or more.',
    others,
  )
}

function ringSpeed(
  series: Series,
  perSecond: number,
  right: readonly number[],
  { bars, creeps = null }: FilmAsk,
  notes: readonly string[],
): SensedSpeed {
  if (!bars) return tellsNothing('The number of bars is not known.', 'Count the bars of the ring, or print a ring.')
  const spanS = series.timesS.at(-1)! - series.timesS[0]!
  const slowestHz = Math.max(STILL_HZ, FEWEST_CYCLES / spanS)
  const found = findPeriod(series, { slowestHz, fastestHz: 0.48 * perSecond, harmonics: 1 })
  if (!found)
    return tellsNothing(
      'No bars pass the place in an even rhythm.',
      'Choose a place no larger than one bar, or film at another rate: at this one the bars may seem to stand still.',
    )
  const speeds = right.flatMap(nominal => {
    const whole = Math.round((nominal * bars) / 60 / perSecond)
    return [whole - 1, whole, whole + 1].flatMap(k =>
      ([1, -1] as const).flatMap(sign => {
        const speed = rpmOf({ hz: k * perSecond + sign * found.hz, uncertainty: found.uncertainty }, bars)
        if (Math.abs(speed.rpm / nominal - 1) > NEAR) return []
        if (creeps && (creeps === 'with') !== sign > 0) return []
        return [{ ...speed, if: sign > 0 ? 'the bars creep with the disk' : 'the bars creep against the disk' }]
      }),
    )
  })
  const others = speeds.filter((s, i) => speeds.findIndex(t => Math.abs(t.rpm - s.rpm) < 0.01) === i)
  const seen = `Bars pass the place ${found.hz.toFixed(3)} times a second, at ${perSecond.toFixed(1)} frames a second.`
  const [only] = others
  if (only && others.length === 1) return tellsSpeed(only, Math.round((only.rpm / 60) * spanS), [seen, ...notes])
  return {
    ...tellsNothing(
      seen,
      others.length
        ? 'Say which way the bars seem to creep, or film at another frame rate: only the right speed comes out again.'
        : 'Check the number of bars and the drive type.',
      others,
    ),
    says: [
      seen,
      ...notes,
      others.length
        ? `${others.map(o => o.rpm.toFixed(1)).join(' or ')} r/min explain it alike.`
        : `No speed near ${right.join(', ')} r/min explains it.`,
    ],
  }
}
