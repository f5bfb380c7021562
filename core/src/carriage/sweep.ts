import { ParameterError } from '../errors'
import type { Call, Observation } from '../observations'
import { plain } from '../sums'
import { bindings, contribution, tryNext } from './try-next'
import { estimate, searchRange, windowOf, windowsOf, type Tried, type WindowEstimate } from './window'

/** One position of an adjuster: what the lower head read, and the upper one where there is one. */
export interface SweepPosition { readonly position: number, readonly lower: Counted, readonly upper: Counted | null }
export interface Counted { readonly good: number, readonly expected: number }

export interface SweepContext {
  /** Unit of the adjuster's scale, as a person writes it. */
  readonly unit?: string
  /** Sentences about what has to be done before a sweep means anything; the first stops it. */
  readonly notYet?: readonly string[]
}

export interface SweepResult {
  readonly call: Call
  readonly lower: WindowEstimate | null
  readonly upper: WindowEstimate | null
  /** Where both read; null where they do not overlap or nothing is known. */
  readonly common: { readonly from: number, readonly to: number, readonly centre: number, readonly uncertainty: number } | null
  /** Null where the centre is known well enough. */
  readonly tryNext: number | null
  readonly observations: readonly Observation[]
}

/** The centre is known well enough when its 95 % interval is this share of the window, either way: most results are then within 5 %. */
const ENOUGH = 0.065

/** @throws ParameterError that names the row */
export function checkPositions(positions: readonly SweepPosition[]): void {
  for (const [i, p] of positions.entries()) {
    const where = { field: `row ${i + 1}` }
    if (!Number.isFinite(p.position)) throw new ParameterError(`row ${i + 1} has no position`, 'a number on the adjuster’s scale', where)
    for (const [name, c] of [['lower', p.lower], ['upper', p.upper]] as const) {
      if (!c) continue
      if (!Number.isInteger(c.good) || !Number.isInteger(c.expected) || c.good < 0 || c.expected < 1) throw new ParameterError(`row ${i + 1}: ${name} head ${c.good} of ${c.expected}`, 'whole numbers of sectors, at least 1 expected', where)
      if (c.good > c.expected) throw new ParameterError(`row ${i + 1}: ${name} head read ${c.good} sectors of ${c.expected}`, 'no more than there are', where)
    }
  }
  if (positions.some(p => (p.upper === null) !== (positions[0]!.upper === null))) throw new ParameterError('some rows have an upper head and some have none', 'both heads in every row, or one', { field: 'upper' })
}

/** What a sweep of an adjuster says: the window of each head, the middle of both, where to try next, where to set it. */
export function judgeSweep(positions: readonly SweepPosition[], context: SweepContext = {}): SweepResult {
  checkPositions(positions)
  const { unit = '', notYet = [] } = context
  const u = (x: number) => `${plain(x)}${unit ? ` ${unit}` : ''}`
  const none = { lower: null, upper: null, common: null, observations: [] }
  if (notYet.length) return { ...none, tryNext: null, call: { kind: 'unknown', reasons: notYet, next: 'Do that first: a sweep before it would measure something else.' } }
  const places = new Set(positions.map(p => p.position))
  if (places.size < 2) return { ...none, tryNext: null, call: { kind: 'unknown', reasons: [`${places.size === 0 ? 'No position was' : 'Only one position was'} tried: a window has two edges.`], next: 'Try two positions well apart, one on either side of where it stood.' } }
  const heads = ([['lower', positions.map(p => ({ position: p.position, ...p.lower }))], ['upper', positions[0]!.upper ? positions.map(p => ({ position: p.position, ...p.upper! })) : null]] as const).filter((h): h is readonly ['lower' | 'upper', Tried[]] => h[1] !== null)
  const range = searchRange(heads[0]![1])
  const windows = heads.map(([, tried]) => windowsOf(tried, range))
  const estimates = heads.map(([, tried], i) => windowOf(tried, windows[i]))
  const [lower, upper] = [estimates[0]!, estimates[1] ?? null]
  const [from, to] = [Math.max(...estimates.map(e => e.from.value)), Math.min(...estimates.map(e => e.to.value))]
  const wide = Math.max(Number.EPSILON, to - from)
  const reads = heads.map(([, tried]) => tried.some(t => t.good * 2 > t.expected))
  const fails = heads.map(([, tried]) => tried.some(t => t.good * 2 <= t.expected))
  // Of two heads it is the edge that comes first that counts; the other head's lies beyond it.
  const bound = bindings(estimates)
  const uncertainty = Math.hypot(...windows.map((w, i) => estimate(w, c => contribution(c, bound[i]!)).uncertainty))
  const common = from < to && reads.every(Boolean) ? { from, to, centre: (from + to) / 2, uncertainty } : null
  const met = estimates.every((e, i) => (e.metBelow || !bound[i]!.from) && (e.metAbove || !bound[i]!.to))
  const known = met && uncertainty <= ENOUGH * wide
  const next = known ? null : tryNext(heads.map(h => h[1]), range, windows, bound)
  const contradiction = contradictionIn(heads)
  const observations: Observation[] = estimates.flatMap((e, i): Observation[] => [
    { key: `sweep.${heads[i]![0]}.centre`, label: `Middle, ${heads[i]![0]} head`, value: Number(e.centre.value.toPrecision(4)), unit, uncertainty: Number(e.centre.uncertainty.toPrecision(2)), how: `${positions.length} positions tried` },
  ])
  return { lower, upper, common, tryNext: next, observations, call: callOf() }

  function callOf(): Call {
    const go = next === null ? '' : `Try ${u(next)} next.`
    if (contradiction) return { kind: 'unknown', reasons: [contradiction], next: 'Come to each position from the same side, and let the screw rest before reading.' }
    const dead = heads.filter((_, i) => !reads[i]).map(h => h[0])
    if (dead.length) return { kind: 'unknown', reasons: [dead.length === heads.length ? 'Nothing reads at any position that was tried.' : `The ${dead[0]} head reads at no position that was tried.`], next: `${go} If nothing comes there either, it is not this adjuster.` }
    if (!fails.some(Boolean)) return { kind: 'leave', reasons: [`It reads at every position tried, from ${u(Math.min(...places))} to ${u(Math.max(...places))}: its edges were not met.`], next: 'Leave it where it stood, in the middle of what was tried.' }
    if (!common) return { kind: 'mend', reasons: ['The windows of the two heads do not overlap: no position suits both.'], next: 'Leave this adjuster: one head is off against the other, so it is the heads.' }
    if (!met) return { kind: 'unknown', reasons: [`One edge of the window was not met yet: it reads from ${u(from)} to ${u(to)} as far as is known.`], next: go }
    if (!known) return { kind: 'unknown', reasons: [`The middle lies at ${u(common.centre)}, give or take ${u(uncertainty)}: not well enough known yet.`], next: go }
    return { kind: 'nudge', reasons: [`It reads from ${u(from)} to ${u(to)}${heads.length === 2 ? ' with both heads' : ''}; the middle is ${u(common.centre)}, give or take ${u(uncertainty)}.`], next: `Set it to ${u(common.centre)}, coming from one side; tighten, and read outer, middle and inner again.` }
  }
}

/** The same position that read well once and not at all another time. */
function contradictionIn(heads: readonly (readonly [string, readonly Tried[]])[]): string | null {
  for (const [name, tried] of heads) {
    for (const t of tried) {
      const other = tried.find(o => o.position === t.position && Math.abs(o.good / o.expected - t.good / t.expected) > 0.6)
      if (other) return `At ${plain(t.position)} the ${name} head read ${t.good} of ${t.expected} once and ${other.good} of ${other.expected} another time: there is slack, or the contact changes.`
    }
  }
  return null
}

/** The answer as plain JSON, as scripts rely on it. */
export function sweepJson(r: SweepResult): Record<string, unknown> {
  const head = (e: WindowEstimate | null) => e && { from: e.from.value, to: e.to.value, centre: e.centre.value, uncertainty: e.centre.uncertainty, metBelow: e.metBelow, metAbove: e.metAbove }
  return { call: r.call.kind, reasons: r.call.reasons, next: r.call.next, lower: head(r.lower), ...r.upper ? { upper: head(r.upper) } : {}, common: r.common && { from: r.common.from, to: r.common.to, centre: r.common.centre }, tryNext: r.tryNext }
}
