import { mean, median, t95 } from '../../base/numbers'
import { partsAt, powerOf, shiftOf, HARMONICS, type Parts } from './harmonics'
import { aboutItsCourse, type Series } from './series'

/** Something that comes once a revolution. */
export interface Rhythm {
  readonly rpm: number
  /** Half-width of the 95 % interval, r/min; the recorder's clock included. */
  readonly uncertainty: number
  /** Revolutions that it was found in. */
  readonly revolutions: number
  /** Share of the revolutions, in stretches of a few, in which it was there. */
  readonly there: number
  /** How many times it stands above chance. */
  readonly aboveChance: number
}

export interface RhythmOptions {
  /** Speeds that would be right, r/min: it is looked for about each of them. */
  readonly nominalRpm: readonly number[]
  /** The recorder's clock may be off by this share. */
  readonly clock?: number
}

/** So far off, as a ratio, a spindle is looked for: a quarter too fast happens, twice as fast does not. */
export const REACH = 1.3
/** The rough search looks at so much, s: the rest only makes it finer. */
const ROUGH_S = 20
/** Steps of the search in a width of the highest harmonic's line. */
const FINE = 3
/** A rhythm holds so many times the power of the middle one of all that were tried. */
const ABOVE_CHANCE = 5
/** Revolutions of a stretch, and the fewest stretches. */
const STRETCH = 4
const FEWEST = 4
/** A stretch shows the rhythm where it is so much like the whole. */
const LIKE = 0.4
const MOSTLY = 0.6
/** So like it are most stretches, or longer ones are taken. */
const CLEAR = 0.8
/** Rounds in which speed and shape are found from each other. */
const ROUNDS = 3

/**
 * The speed of something that comes once a revolution, though each single time is uncertain: a rub, a mark in a film.
 * First the rhythm that holds most power (a periodogram of several harmonics), then how its phase runs on, stretch by
 * stretch, which says how sure the speed is. Only the mean speed comes of it: no single revolution is timed.
 * @param clock of the recorder; null where no rhythm stands out, or there are too few revolutions
 */
export function findRhythm(series: Series, { nominalRpm, clock = 1e-4 }: RhythmOptions): Rhythm | null {
  const { timesS } = series
  if (timesS.length < 16) return null
  const slowest = Math.min(...nominalRpm) / REACH / 60
  const fastest = (Math.max(...nominalRpm) * REACH) / 60
  const spanS = timesS.at(-1)! - timesS[0]!
  if (spanS * slowest < STRETCH * FEWEST) return null
  const flat = aboutItsCourse(series, 2 / slowest)
  const rough = roughly(flat, slowest, fastest, nominalRpm)
  if (!rough) return null
  return finely(flat, rough.hz, rough.aboveChance, clock)
}

function roughly(
  { timesS, values }: Series,
  slowest: number,
  fastest: number,
  nominalRpm: readonly number[],
): { readonly hz: number; readonly aboveChance: number } | null {
  const spanS = Math.min(ROUGH_S, timesS.at(-1)! - timesS[0]!)
  const middle = (timesS[0]! + timesS.at(-1)!) / 2
  const from = timesS.findIndex(t => t >= middle - spanS / 2)
  const end = timesS.findIndex(t => t > middle + spanS / 2)
  const to = end < 0 ? timesS.length : end
  const step = 1 / (spanS * HARMONICS * FINE)
  const tried: { hz: number; power: number }[] = []
  for (let hz = slowest; hz <= fastest; hz += step)
    tried.push({ hz, power: powerOf(partsAt(timesS, values, hz, from, to)) })
  const best = tried.reduce((a, b) => (b.power > a.power ? b : a))
  const aboveChance = best.power / Math.max(median(tried.map(t => t.power)), 1e-30)
  if (!(aboveChance > ABOVE_CHANCE)) return null
  // Where several speeds may be right, half and a third of one can look the same: the one that is expected is meant.
  const off = (hz: number) => Math.min(...nominalRpm.map(rpm => Math.abs(Math.log((hz * 60) / rpm))))
  const peaks = tried.filter(
    (t, i) =>
      t.power > 0.8 * best.power && t.power >= (tried[i - 1]?.power ?? 0) && t.power > (tried[i + 1]?.power ?? 0),
  )
  const chosen = peaks.reduce((a, b) => (off(b.hz) < off(a.hz) - 0.02 ? b : a), best)
  return { hz: chosen.hz, aboveChance }
}

interface Track {
  readonly at: number[]
  readonly behind: number[]
  /** Stretches that were looked at, and how like the whole the middle one is. */
  readonly count: number
  readonly like: number
}

/**
 * The phase of each stretch, and the straight line through them. Faint rhythms need longer stretches: a phase that is
 * half guessed may be a whole revolution wrong.
 */
function finely({ timesS, values }: Series, roughHz: number, aboveChance: number, clock: number): Rhythm | null {
  const spanS = timesS.at(-1)! - timesS[0]!
  for (let turns = STRETCH; ; turns *= 1.5) {
    const count = Math.floor((spanS * roughHz) / turns)
    if (count < FEWEST) return null
    let hz = roughHz
    let track = follow(timesS, values, hz, turns / hz, count)
    for (let round = 0; round < ROUNDS; round++) {
      if (track.at.length < FEWEST) break
      hz -= line(track.at, track.behind).slope
      track = follow(timesS, values, hz, turns / hz, count)
    }
    const there = track.at.length / count
    if (track.like < CLEAR || track.at.length < FEWEST || there < MOSTLY) continue
    const { slope, error } = line(track.at, track.behind)
    const rpm = 60 * (hz - slope)
    return {
      rpm,
      uncertainty: Math.hypot(60 * error * t95(track.at.length - 2), rpm * clock),
      revolutions: Math.round(track.at.length * turns),
      there,
      aboveChance,
    }
  }
}

function follow(timesS: Float64Array, values: Float64Array, hz: number, stretchS: number, count: number): Track {
  const all = [...stretches(timesS, values, hz, stretchS, count)]
  const template = meanParts(all.map(s => s.parts))
  const shifts = all.map(({ middleS, parts }) => ({ middleS, ...shiftOf(parts, template) }))
  const at: number[] = []
  const behind: number[] = []
  for (const { middleS, turns, like } of shifts) {
    if (like < LIKE) continue
    const last = behind.at(-1) ?? 0
    at.push(middleS)
    behind.push(turns + Math.round(last - turns))
  }
  return { at, behind, count, like: shifts.length ? median(shifts.map(s => s.like)) : 0 }
}

function* stretches(timesS: Float64Array, values: Float64Array, hz: number, stretchS: number, count: number) {
  let from = 0
  for (let b = 0; b < count; b++) {
    const endS = timesS[0]! + (b + 1) * stretchS
    let to = from
    while (to < timesS.length && timesS[to]! < endS) to++
    if (to - from >= 2 * HARMONICS) yield { middleS: endS - stretchS / 2, parts: partsAt(timesS, values, hz, from, to) }
    from = to
  }
}

/** The mean of all stretches, each turned to the ones before: the speed wanders, the shape of the rhythm does not. */
function meanParts(all: readonly Parts[]): Parts {
  let template: Parts = new Float64Array(2 * HARMONICS)
  for (const parts of all) template = template.map((x, i) => x + parts[i]!)
  for (let round = 0; round < ROUNDS; round++) {
    const next = new Float64Array(2 * HARMONICS)
    for (const parts of all) {
      const { turns } = shiftOf(parts, template)
      for (let h = 0; h < HARMONICS; h++) {
        const angle = 2 * Math.PI * (h + 1) * turns
        const [c, s] = [Math.cos(angle), Math.sin(angle)]
        const [a, b] = [parts[2 * h]!, parts[2 * h + 1]!]
        next[2 * h]! += a * c - b * s
        next[2 * h + 1]! += a * s + b * c
      }
    }
    template = next
  }
  return template
}

/** Least squares line, with the standard error of its slope. */
function line(x: readonly number[], y: readonly number[]): { readonly slope: number; readonly error: number } {
  const [mx, my] = [mean(x), mean(y)]
  const sxx = x.reduce((s, v) => s + (v - mx) ** 2, 0)
  const slope = x.reduce((s, v, i) => s + (v - mx) * (y[i]! - my), 0) / sxx
  const rest = y.reduce((s, v, i) => s + (v - my - slope * (x[i]! - mx)) ** 2, 0)
  return { slope, error: Math.sqrt(rest / Math.max(1, x.length - 2) / sxx) }
}
