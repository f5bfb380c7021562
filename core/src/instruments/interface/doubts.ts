import type { Capture, EdgeList } from '../../signals/captures'
import { median } from '../../base/numbers'
import { fallsOf, isLow, lowShare, turnedOver } from './levels'
import { LINES, LINE_NAMES, type BusLines, type LineName } from './lines'

/** Something about the recording itself that should be put right before it is believed. */
export interface Doubt {
  readonly kind:
    | 'inverted'
    | 'swapped'
    | 'undersampled'
    | 'no index'
    | 'no side'
    | 'no read data'
    | 'two selected'
    | 'begins mid-seek'
    | 'never selected'
  readonly says: string
  readonly next: string
  /** For swapped names: what each line should be instead. */
  readonly instead?: Readonly<Partial<Record<LineName, LineName>>>
}

/** Lines that carry short pulses: low for a small part of the time. */
const PULSES: readonly LineName[] = ['index', 'step', 'read-data']

/** Whether the recording has its levels the other way round: its pulses are high. */
export function looksInverted(lines: BusLines, durationS: number): boolean {
  const known = PULSES.flatMap(l => (lines[l] && lines[l]!.times.length > 3 ? [lowShare(lines[l]!, 0, durationS)] : []))
  return known.length > 0 && known.filter(s => s > 0.6).length > known.length / 2
}

/** Every line turned over. */
export const invertLines = (lines: BusLines): BusLines =>
  Object.fromEntries(Object.entries(lines).map(([l, e]) => [l, turnedOver(e)]))

/** Finest step of a channel's times, s: what the recorder sampled at. NaN where too few changes tell. */
export function samplePeriod(e: EdgeList): number {
  const n = Math.min(e.times.length, 4000)
  if (n < 50) return Number.NaN
  // Times are whole multiples of the period: their common divisor, by Euclid with a tolerance for rounding.
  let period = 0
  for (let i = 1; i < n; i++) {
    let [a, b] = [period, e.times[i]! - e.times[i - 1]!]
    while (b > 5e-10) [a, b] = [b, a % b < 5e-10 || b - (a % b) < 5e-10 ? 0 : a % b]
    period = a
    if (period < 2e-9) return period
  }
  return period
}

/** Samples in a half cell that the separator needs at least. */
const SAMPLES_NEEDED = 8

/** What makes a recording doubtful, gravest first. @param others channels that were not mapped */
export function doubtsOf(
  lines: BusLines,
  capture: Pick<Capture, 'durationS' | 'channels'>,
  others: readonly { readonly name: string; readonly edges: EdgeList | null }[] = [],
): Doubt[] {
  const doubts: Doubt[] = []
  const { durationS } = capture
  const { index, side, step, select } = lines
  const data = lines['read-data']
  if (looksInverted(lines, durationS))
    doubts.push({
      kind: 'inverted',
      says: 'The levels are the other way round: pulses are high where the interface has them low.',
      next: 'Turn the recording over (--inverted), then read it again.',
    })
  else doubts.push(...swaps(lines, durationS))
  if (data) {
    const period = samplePeriod(data)
    const half = shortest(data) / 2
    if (period > 0 && half > 0 && half / period < SAMPLES_NEEDED)
      doubts.push({
        kind: 'undersampled',
        says: `The read line was sampled every ${nice(period)}, too seldom for bits that are ${nice(half * 2)} apart.`,
        next: `Record it at ${Math.ceil(SAMPLES_NEEDED / half / 1e6)} million samples a second or more.`,
      })
  } else
    doubts.push({
      kind: 'no read data',
      says: 'There is no read-data line, so nothing can be read.',
      next: 'Map the channel that carries it, or record it too.',
    })
  const second = others.filter(o => o.edges && LINES.select.words.test(o.name.split('.').at(-1)!))
  const both =
    select &&
    second.find(
      o =>
        [...fallsOf(o.edges!)].some(t => isLow(select, t)) ||
        (isLow(o.edges!, 0) && isLow(select, 0)) ||
        [...fallsOf(select)].some(t => isLow(o.edges!, t)),
    )
  if (both)
    doubts.push({
      kind: 'two selected',
      says: `Two drives are selected at once: ${both.name} is low while select is.`,
      next: 'Set one of them to another select strap; until then their lines mix.',
    })
  if (select && lowShare(select, 0, durationS) === 0)
    doubts.push({
      kind: 'never selected',
      says: 'The drive is never selected: its other lines are not valid.',
      next: 'Record again while the host uses it, or map another channel as select.',
    })
  if (!index)
    doubts.push({
      kind: 'no index',
      says: 'There is no index line: speed and turns are not known.',
      next: 'Record the index line too; tracks are read all the same.',
    })
  if (!side && data)
    doubts.push({
      kind: 'no side',
      says: 'There is no side line: heads are told apart by their headers alone.',
      next: 'Record the side line too, where the disk has two sides.',
    })
  if (step && step.times.length > 1 && step.times[0]! < 0.02)
    doubts.push({
      kind: 'begins mid-seek',
      says: 'The recording begins in the middle of a seek: where the heads were is known only from track zero on.',
      next: 'Begin the recording before the host starts.',
    })
  return doubts
}

/** Shortest usual spacing of pulses, s. */
function shortest(e: EdgeList): number {
  // From the middle: at the beginning the disk may still come up to speed. An even number of changes leaves the level
  // as it was.
  const from = Math.max(0, (e.times.length >> 2) * 2 - 2000)
  const falls = fallsOf({ ...e, times: e.times.subarray(from, from + 4000) })
  const gaps = [...falls]
    .slice(1)
    .map((t, i) => t - falls[i]!)
    .sort((a, b) => a - b)
  return gaps.length > 20 ? gaps[Math.floor(gaps.length * 0.05)]! : Number.NaN
}

/** A time in the unit that suits it. */
function nice(s: number): string {
  return s < 1e-6
    ? `${Number((s * 1e9).toPrecision(2))} ns`
    : s < 1e-3
      ? `${Number((s * 1e6).toPrecision(2))} µs`
      : `${Number((s * 1e3).toPrecision(2))} ms`
}

/** What a line's changes look like. */
function characterOf(
  e: EdgeList,
  durationS: number,
): 'pulse train' | 'once a revolution' | 'short pulses' | 'levels' | 'still' {
  // Told by their number alone: a read line has too many changes to be listed once more.
  if (e.times.length / 2 / durationS > 5000) return 'pulse train'
  const falls = fallsOf(e)
  if (falls.length < 3) return e.times.length ? 'levels' : 'still'
  const gaps = [...falls].slice(1).map((t, i) => t - falls[i]!)
  const usual = median(gaps)
  if (usual > 0.1 && usual < 0.26 && gaps.filter(g => Math.abs(g / usual - 1) < 0.05).length > gaps.length * 0.7)
    return 'once a revolution'
  return (lowShare(e, 0, durationS) * durationS) / falls.length < 1e-3 ? 'short pulses' : 'levels'
}

const EXPECTED: Readonly<Partial<Record<LineName, readonly string[]>>> = {
  'read-data': ['pulse train', 'still', 'levels'],
  index: ['once a revolution', 'still', 'levels', 'short pulses'],
  step: ['short pulses', 'still', 'levels'],
  direction: ['levels', 'still'],
  side: ['levels', 'still'],
}

/** Two lines that each look like what the other should be. */
function swaps(lines: BusLines, durationS: number): Doubt[] {
  const is = new Map(LINE_NAMES.flatMap(l => (lines[l] ? [[l, characterOf(lines[l]!, durationS)] as const] : [])))
  const typical: Readonly<Partial<Record<LineName, string>>> = {
    'read-data': 'pulse train',
    index: 'once a revolution',
    step: 'short pulses',
  }
  for (const [line, wants] of Object.entries(typical) as [LineName, string][]) {
    const has = is.get(line)
    if (has === undefined || has === wants) continue
    const other = [...is].find(
      ([l, c]) => l !== line && c === wants && !(EXPECTED[l] ?? ['levels', 'still', 'once a revolution']).includes(c),
    )?.[0]
    if (other)
      return [
        {
          kind: 'swapped',
          says: `“${LINES[line].label}” and “${LINES[other].label}” look swapped: the pulses that one should carry are on the other.`,
          next: `Map them the other way round.`,
          instead: { [line]: other, [other]: line },
        },
      ]
  }
  return []
}
