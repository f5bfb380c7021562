import type { Series } from './series'

/** Real and imaginary part of each harmonic (once, twice … a revolution), one after the other. */
export type Parts = Float64Array

/**
 * How much of a rhythm of so many hertz the values hold, for each of its harmonics (Fourier sums at uneven times).
 * @param from first value @param to behind the last
 */
export function partsAt(
  { timesS, values }: Series,
  hz: number,
  harmonics: number,
  from = 0,
  to = values.length,
): Parts {
  const parts = new Float64Array(2 * harmonics)
  for (let i = from; i < to; i++) {
    const angle = 2 * Math.PI * hz * timesS[i]!
    const [c, s] = [Math.cos(angle), Math.sin(angle)]
    const v = values[i]!
    let [re, im] = [c, s]
    for (let h = 0; h < harmonics; h++) {
      parts[2 * h]! += v * re
      parts[2 * h + 1]! -= v * im
      const next = re * c - im * s
      im = re * s + im * c
      re = next
    }
  }
  return parts
}

export const powerOf = (parts: Parts): number => parts.reduce((p, x) => p + x * x, 0)

/** So finely a phase is looked for before it is refined. */
const STEPS = 96

/**
 * How far the rhythm in a stretch stands behind a template, and how like it it is.
 * @returns revolutions behind, −0.5 to 0.5, and their correlation, −1 to 1
 */
export function shiftOf(parts: Parts, template: Parts): { readonly turns: number; readonly like: number } {
  const likeness = (turns: number): number => {
    let total = 0
    for (let h = 0; 2 * h < parts.length; h++) {
      const angle = 2 * Math.PI * (h + 1) * turns
      const [c, s] = [Math.cos(angle), Math.sin(angle)]
      const [a, b] = [parts[2 * h]!, parts[2 * h + 1]!]
      const [x, y] = [template[2 * h]!, template[2 * h + 1]!]
      total += (a * x + b * y) * c + (a * y - b * x) * s
    }
    return total
  }
  let best = 0
  for (let k = 1; k < STEPS; k++) if (likeness(k / STEPS) > likeness(best / STEPS)) best = k
  const [before, here, after] = [best - 1, best, best + 1].map(k => likeness(k / STEPS)) as [number, number, number]
  const curve = before - 2 * here + after
  const turns = (best + (curve < 0 ? (0.5 * (before - after)) / curve : 0)) / STEPS
  const scale = Math.sqrt(powerOf(parts) * powerOf(template))
  return { turns: turns > 0.5 ? turns - 1 : turns, like: scale > 0 ? here / scale : 0 }
}

/** Adds a stretch to another, turned by so many revolutions. */
export function addTurned(sum: Parts, parts: Parts, turns: number): void {
  for (let h = 0; 2 * h < parts.length; h++) {
    const angle = 2 * Math.PI * (h + 1) * turns
    const [c, s] = [Math.cos(angle), Math.sin(angle)]
    const [a, b] = [parts[2 * h]!, parts[2 * h + 1]!]
    sum[2 * h]! += a * c - b * s
    sum[2 * h + 1]! += a * s + b * c
  }
}
