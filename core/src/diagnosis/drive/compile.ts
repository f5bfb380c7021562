import { findMechanism } from '../../drives'
import { OUTSIDE, TOLD_BY_COMPARING, TREATMENTS } from '../knowledge/actions'
import { BUILT_IN } from '../knowledge/knowledge'
import { lampCheck } from '../knowledge/lamp-codes'
import type { Check, DriveFunction, Fault, Knowledge } from '../knowledge/types'
import { onceForEachKind } from './once-for-each-kind'
import { thereOn, type DiagnosedDrive, type HasChecks, type There } from './there'

/** Chances of the modes of each function; what they lack to 1 is that it works. */
type States = ReadonlyMap<string, Readonly<Record<string, number>>>

/** One fault in one of its ways, or not showing: what is weighed. */
export interface Element {
  readonly fault: Fault
  /** Number of its way; −1 where it does not show. */
  readonly way: number
  readonly odds: number
  readonly states: States
}

/** Answers of a check under one element: a share of them is the element's own, the rest is as without it. */
export interface Influence {
  readonly strength: number
  readonly chances: Float64Array
}

/** A check of a drive with what each element makes of it. */
export interface CompiledCheck {
  readonly check: Check
  readonly base: Float64Array
  /** By element; null where it has no say. */
  readonly influences: readonly (Influence | null)[]
  /** By element: chance that this treatment or swap takes its fault away; null for a check that changes nothing. */
  readonly removes: Float64Array | null
}

/** Functions, faults and checks that a drive has, with the chances of each. */
export interface DriveModel extends Omit<There, 'checks'>, HasChecks<CompiledCheck> {
  /** In the order of the chain, what stands first first. */
  readonly elements: readonly Element[]
  /** By element: 1 where its fault does not show. */
  readonly silent: Uint8Array
}

/** How strongly an evidence speaks at most: slips, second faults and odd boards are never impossible. */
const SURE = 0.98

const once = onceForEachKind<DriveModel>()

/** The model of a drive; worked out once for each kind. */
export function compileDrive(
  drive: DiagnosedDrive,
  factors?: Readonly<Record<string, number>>,
  knowledge: Knowledge = BUILT_IN,
): DriveModel {
  const lamp = lampCheck(knowledge.lampCodes, drive.model)
  const kind = [drive.mechanism, drive.features, drive.year, factors, lamp && drive.model]
  return once(knowledge, kind, () => compiled(drive, factors, thereOn(drive, knowledge)))
}

function compiled(drive: DiagnosedDrive, factors: Readonly<Record<string, number>> = {}, there: There): DriveModel {
  const depth = new Map(there.functions.map((f, i) => [f.id, i]))
  const ranked = there.faults
    .flatMap(f => elementsOf(f, drive, there.functions, factors[f.id] ?? 1))
    .map(element => ({ element, rank: rankOf(element, depth) }))
    .sort((a, b) => a.rank - b.rank)
  const elements = ranked.map(r => r.element)
  return {
    ...there,
    elements,
    silent: Uint8Array.from(elements, e => (e.way < 0 ? 1 : 0)),
    checks: new Map([...there.checks].map(([id, c]) => [id, compiledCheck(c.check, elements)])),
  }
}

/** Place in the chain of the first function that it breaks. */
function rankOf({ fault, way }: Element, depth: ReadonlyMap<string, number>): number {
  if (way < 0) return depth.size
  return Math.min(depth.size, ...Object.keys(fault.ways[way]!.breaks).map(f => depth.get(f) ?? depth.size))
}

function elementsOf(
  fault: Fault,
  drive: DiagnosedDrive,
  functions: readonly DriveFunction[],
  factor: number,
): Element[] {
  const { year } = drive
  const era = year ? (fault.era?.find(e => year >= e.from && year <= e.to)?.factor ?? 1) : 1
  const odds = (fault.odds / 1000) * era * (fault.byType?.[drive.mechanism] ?? 1) * factor
  const covered = findMechanism(drive.mechanism).protectCovered?.value
  const shown = fault.ways
    .map(({ chance, breaks }, way) => ({ chance, way, breaks: resolved(breaks, functions, covered) }))
    .filter(w => Object.keys(w.breaks).length > 0)
  const silent = Math.max(0.02, 1 - shown.reduce((s, w) => s + w.chance, 0))
  return [
    ...shown.flatMap(w => {
      const slight = slightShare(w.breaks, functions)
      const plain = { fault, way: w.way, odds: odds * w.chance * (1 - slight), states: propagated(w.breaks, functions) }
      if (slight === 0) return [plain]
      const only = new Map(Object.entries(w.breaks).map(([fn, mode]) => [fn, { [mode]: 1 }]))
      return [plain, { fault, way: w.way, odds: odds * w.chance * slight, states: only }]
    }),
    { fault, way: -1, odds: odds * silent, states: new Map() },
  ]
}

/** How often what is broken touches nothing behind it. */
const slightShare = (breaks: Readonly<Record<string, string>>, functions: readonly DriveFunction[]): number =>
  Math.min(...Object.entries(breaks).map(([fn, mode]) => functions.find(f => f.id === fn)!.modes[mode]!.slight ?? 0))

/** Breaks of functions that the drive has, with what a covered place means on its type. */
function resolved(
  breaks: Readonly<Record<string, string>>,
  functions: readonly DriveFunction[],
  covered: 'protected' | 'writable' | undefined,
): Record<string, string> {
  const out: Record<string, string> = {}
  for (const [fn, mode] of Object.entries(breaks)) {
    const found = functions.find(f => f.id === fn)
    if (!found) continue
    if (!mode.startsWith('@')) out[fn] = mode
    else if (covered) out[fn] = (mode === '@covered') === (covered === 'protected') ? 'always' : 'never'
  }
  return out
}

/** What becomes of every function where some are broken: along the chain, what a function needs may block it. */
function propagated(breaks: Readonly<Record<string, string>>, functions: readonly DriveFunction[]): States {
  const states = new Map<string, Readonly<Record<string, number>>>()
  const byId = new Map(functions.map(f => [f.id, f]))
  for (const f of functions) {
    const own = breaks[f.id]
    if (own) {
      states.set(f.id, { [own]: 1 })
      continue
    }
    let worst: Record<string, number> | null = null
    for (const [need, weight] of Object.entries(f.needs)) {
      const state = states.get(need)
      const source = byId.get(need)
      if (!state || !source) continue
      const effect = effectOn(f, source, state, weight)
      if (!worst || total(effect) > total(worst)) worst = effect
    }
    if (worst && total(worst) > 0.01) states.set(f.id, worst)
  }
  return states
}

function effectOn(
  f: DriveFunction,
  source: DriveFunction,
  state: Readonly<Record<string, number>>,
  weight: number,
): Record<string, number> {
  const effect: Record<string, number> = {}
  for (const [mode, p] of Object.entries(state)) {
    const { blocks, then } = source.modes[mode]!
    const what = then?.[f.id] ?? { none: blocks }
    for (const [m, q] of Object.entries(what)) effect[m] = (effect[m] ?? 0) + p * q * weight
  }
  return effect
}

const total = (chances: Readonly<Record<string, number>>): number => Object.values(chances).reduce((s, x) => s + x, 0)

/** By treatment or swap: chance that a fault is gone afterwards. */
function removalOf(check: Check): ((fault: Fault) => number) | null {
  if (check.kind === 'treatment') {
    const { treatment } = TREATMENTS.find(t => t.id === check.id)!
    // Another host comes with its own cable and supply.
    const outside = (f: Fault) => 0.9 * (OUTSIDE[f.part] ?? 0)
    const cable = (f: Fault) => (f.part === 'interface-cable' ? 0.9 : 0)
    const swaps: Readonly<Record<string, (f: Fault) => number>> = { 'another.cable': cable, 'another.host': outside }
    return f => f.treatments?.[treatment] ?? swaps[treatment]?.(f) ?? 0
  }
  if (check.kind !== 'swap') return null
  if (check.id === 'drive.elsewhere') return f => OUTSIDE[f.part] ?? 0.02
  if (check.id === 'host.other-drive') return f => 1 - (OUTSIDE[f.part] ?? 0.02)
  const part = check.id.slice('swap.'.length)
  const sides: Readonly<Record<string, readonly string[]>> = { disk: ['disk', 'writer', 'cartridge'] }
  return f => ((sides[part] ?? [part]).includes(f.part) ? 0.95 : 0.01)
}

function compiledCheck(check: Check, elements: readonly Element[]): CompiledCheck {
  const base = Float64Array.from(check.answers, a => check.base[a] ?? 0)
  const removal = removalOf(check)
  return {
    check,
    base,
    influences: removal ? [] : elements.map(e => influenceOf(check, e)),
    removes: removal ? Float64Array.from(elements, e => removal(e.fault)) : null,
  }
}

/** What an element makes of a check: what it shows by itself, else what its functions do. */
function influenceOf(check: Check, { fault, states }: Element): Influence | null {
  const shown = fault.shows[check.id] ?? (check.compares === fault.part ? { differs: TOLD_BY_COMPARING } : undefined)
  const ownShare = shown ? Math.min(SURE, total(shown)) : 0
  const state = check.sees ? states.get(check.sees.function) : undefined
  const chances = new Float64Array(check.answers.length)
  if (shown && total(shown) > 0)
    check.answers.forEach((a, i) => (chances[i]! += (ownShare * (shown[a] ?? 0)) / total(shown)))
  const rest = 1 - ownShare
  let seenShare = 0
  if (state && check.sees)
    for (const [mode, p] of Object.entries(state)) {
      const by = check.sees.by[mode]
      if (!by) continue
      const share = Math.min(SURE, p) * rest
      seenShare += share
      check.answers.forEach((a, i) => (chances[i]! += share * (by[a] ?? 0)))
    }
  const strength = Math.min(SURE, ownShare + seenShare)
  if (strength < 0.005) return null
  const sum = chances.reduce((s, x) => s + x, 0)
  return { strength, chances: chances.map(c => c / sum) }
}
