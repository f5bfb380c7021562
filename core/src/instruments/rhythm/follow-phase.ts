import { mean, median, t95 } from '../../base/numbers'
import { addTurned, partsAt, shiftOf, type Parts } from './harmonics'
import type { Series } from './series'

/** How fast a rhythm runs, by its phase. */
export interface PhaseRate {
  readonly hz: number
  /** Half-width of the 95 % interval, Hz; without the clock's. */
  readonly uncertainty: number
  /** Cycles that it was found in. */
  readonly cycles: number
}

/** Cycles of the shortest stretch, and the fewest stretches. */
const STRETCH = 4
const FEWEST = 4
/** Cycles that a rhythm has to last at least. */
export const SHORTEST = STRETCH * FEWEST
/** Longer stretches are tried, by this factor. */
const LONGER = 1.5
/** A stretch shows the rhythm where it is so much like the whole. */
const LIKE = 0.4
const MOSTLY = 0.6
/** So like it are most stretches, or longer ones are taken. */
const CLEAR = 0.8
/** Rounds in which speed and shape are found from each other. */
const ROUNDS = 3

interface Track {
  readonly at: number[]
  readonly behind: number[]
  /** How like the whole the middle stretch is. */
  readonly like: number
}

/**
 * The phase of each stretch of a series against the mean of all, and the straight line through them. Faint rhythms need
 * longer stretches: a phase that is half guessed may be a whole cycle wrong.
 * @param roughHz near the answer @returns null where the phase cannot be followed
 */
export function followPhase(series: Series, roughHz: number, harmonics: number): PhaseRate | null {
  const spanS = series.timesS.at(-1)! - series.timesS[0]!
  for (let cycles = STRETCH; ; cycles *= LONGER) {
    const count = Math.floor((spanS * roughHz) / cycles)
    if (count < FEWEST) return null
    let hz = roughHz
    let track = follow(series, hz, harmonics, cycles / hz, count)
    for (let round = 0; round < ROUNDS && track.at.length >= FEWEST; round++) {
      hz -= line(track.at, track.behind).slope
      track = follow(series, hz, harmonics, cycles / hz, count)
    }
    const there = track.at.length / count
    if (track.like < CLEAR || track.at.length < FEWEST || there < MOSTLY) continue
    const { slope, error } = line(track.at, track.behind)
    return {
      hz: hz - slope,
      uncertainty: error * t95(track.at.length - 2),
      cycles: Math.round(track.at.length * cycles),
    }
  }
}

function follow(series: Series, hz: number, harmonics: number, stretchS: number, count: number): Track {
  const all = [...stretches(series, hz, harmonics, stretchS, count)]
  const template = meanOf(all.map(s => s.parts))
  const shifts = all.map(({ middleS, parts }) => ({ middleS, ...shiftOf(parts, template) }))
  const at: number[] = []
  const behind: number[] = []
  for (const { middleS, turns, like } of shifts) {
    if (like < LIKE) continue
    at.push(middleS)
    behind.push(turns + Math.round((behind.at(-1) ?? 0) - turns))
  }
  return { at, behind, like: shifts.length ? median(shifts.map(s => s.like)) : 0 }
}

function* stretches(series: Series, hz: number, harmonics: number, stretchS: number, count: number) {
  const { timesS } = series
  let from = 0
  for (let b = 0; b < count; b++) {
    const endS = timesS[0]! + (b + 1) * stretchS
    let to = from
    while (to < timesS.length && timesS[to]! < endS) to++
    if (to - from >= 2 * harmonics)
      yield { middleS: endS - stretchS / 2, parts: partsAt(series, hz, harmonics, from, to) }
    from = to
  }
}

/** The mean of all stretches, each turned to it: the speed wanders, the shape of the rhythm does not. */
function meanOf(all: readonly Parts[]): Parts {
  let template: Parts = new Float64Array(all[0]?.length ?? 2)
  for (const parts of all) addTurned(template, parts, 0)
  for (let round = 0; round < ROUNDS; round++) {
    const next: Parts = new Float64Array(template.length)
    for (const parts of all) addTurned(next, parts, shiftOf(parts, template).turns)
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
