import type { DriveModel } from '../drive/compile'
import type { Check, DriveFunction, Lane } from '../knowledge/types'
import { faultAt, type Weighed } from '../weigh-case'
import { seenOf, type Seen } from './seen'

/** What is known of a function: seen to work, fails, nobody tried it, or what stands before it keeps it untried. */
export type WorkState = 'works' | 'fails' | 'not tried' | 'not judged'

/** One function of a drive on the map of what works. */
export interface WorkBox {
  readonly id: string
  readonly label: string
  /** Row of the map. */
  readonly lane: Lane
  readonly state: WorkState
  /** What was seen of it, in few words; empty where nothing was. */
  readonly says: string
  /** Functions that it needs directly: what a line is drawn from. */
  readonly after: readonly string[]
  /** Checks that see it or tell what may break it, by their ids. */
  readonly checks: readonly string[]
  /** Faults that may break it, the likeliest first, with their shares. */
  readonly suspects: readonly { readonly fault: string; readonly label: string; readonly probability: number }[]
  /** Probability that it does not work now. */
  readonly broken: number
}

/** A need below this is a help, not a condition. */
const NEEDED = 0.6
/** From here on a function counts as failing without having been tried. */
const SURELY = 0.85
/** A bad answer is told as a failure while so much speaks for it; a good one while no more speaks against it. */
const BELIEVED = 0.5
/** A working function proves those that it cannot do without. */
const PROVES = 0.9
const SUSPECTS = 4
const LEAST = 0.02
/** A look that shows a fault so often is one for the function that it breaks. */
const TELLING = 0.6
const CHECKS_SHOWN = 8
/** Hypotheses that are looked at, and their least share of the likeliest. */
const MOST = 400

/**
 * The functions of a drive with what is known of each: generated from the model, never drawn by hand. What works proves
 * what it needs; what stands behind a failure cannot be judged.
 */
export function whatWorks(w: Weighed): WorkBox[] {
  const { functions } = w.drive
  const drawn = drawingOf(w.drive)
  const broken = brokenNow(w)
  const seen = seenOf(w)
  const proved = provedOf(functions, seen, broken)
  const states = new Map<string, WorkState>()
  for (const f of functions) states.set(f.id, stateOf(f, seen.get(f.id), broken.get(f.id)!, proved, states))
  return functions.map(f => ({
    id: f.id,
    label: f.label,
    lane: f.lane,
    state: states.get(f.id)!,
    says: seen.get(f.id)?.says ?? '',
    ...drawn.get(f.id)!,
    suspects: suspectsOf(w, f.id),
    broken: broken.get(f.id)!,
  }))
}

function stateOf(
  f: DriveFunction,
  seen: Seen | undefined,
  broken: number,
  proved: ReadonlySet<string>,
  states: ReadonlyMap<string, WorkState>,
): WorkState {
  if (seen && !seen.good && broken > BELIEVED) return 'fails'
  if (proved.has(f.id)) return 'works'
  if (broken > SURELY && !blocked(f, states)) return 'fails'
  return blocked(f, states) ? 'not judged' : 'not tried'
}

/** Whether something that it needs fails, or cannot be judged itself. */
const blocked = (f: DriveFunction, states: ReadonlyMap<string, WorkState>): boolean =>
  Object.entries(f.needs).some(
    ([id, weight]) => weight >= NEEDED && (states.get(id) === 'fails' || states.get(id) === 'not judged'),
  )

/** Functions that were seen to work, and those that they cannot do without. */
function provedOf(
  functions: readonly DriveFunction[],
  seen: ReadonlyMap<string, Seen>,
  broken: ReadonlyMap<string, number>,
): Set<string> {
  const proved = new Set<string>()
  for (const f of [...functions].reverse()) {
    const good = seen.get(f.id)?.good === true && broken.get(f.id)! < BELIEVED
    if (!good && !proved.has(f.id)) continue
    proved.add(f.id)
    for (const [id, weight] of Object.entries(f.needs))
      if (weight >= PROVES && seen.get(id)?.good !== false) proved.add(id)
  }
  return proved
}

/** Probability of each function that it does not work now. */
function brokenNow(w: Weighed): Map<string, number> {
  const out = new Map(w.drive.functions.map(f => [f.id, 0]))
  const hypotheses = w.hypotheses.slice(0, MOST)
  const all = hypotheses.reduce((s, h) => s + h.weight, 0) || 1
  for (const { faults, weight } of hypotheses) {
    const works = new Map<string, number>()
    for (const n of faults) {
      const still = w.weigh.now(n)
      for (const [id, modes] of w.drive.elements[w.weigh.relevant[n]!]!.states) {
        const share = Object.values(modes).reduce((s, p) => s + p, 0) * still
        works.set(id, (works.get(id) ?? 1) * (1 - Math.min(1, share)))
      }
    }
    for (const [id, p] of works) out.set(id, out.get(id)! + ((1 - p) * weight) / all)
  }
  return out
}

/** Faults that break a function by themselves, not by what stands before it. */
function suspectsOf(w: Weighed, id: string): WorkBox['suspects'] {
  const shares = new Map<string, { label: string; probability: number }>()
  for (const { faults, weight } of w.hypotheses.slice(0, MOST))
    for (const n of faults) {
      const { way } = w.drive.elements[w.weigh.relevant[n]!]!
      const fault = faultAt(w, n)
      if (way < 0 || !(id in fault.ways[way]!.breaks)) continue
      const known = shares.get(fault.id)
      const probability = weight * w.weigh.now(n) * (1 - w.unknown)
      if (known) known.probability += probability
      else shares.set(fault.id, { label: fault.label, probability })
    }
  return [...shares]
    .map(([fault, s]) => ({ fault, ...s }))
    .filter(s => s.probability >= LEAST)
    .sort((a, b) => b.probability - a.probability)
    .slice(0, SUSPECTS)
}

type Drawn = Pick<WorkBox, 'after' | 'checks'>
const drawings = new WeakMap<DriveModel, ReadonlyMap<string, Drawn>>()

/** Lines and checks of each function: they hang on the model alone, and are worked out once for it. */
function drawingOf(drive: DriveModel): ReadonlyMap<string, Drawn> {
  let drawn = drawings.get(drive)
  if (!drawn) {
    const checks = [...drive.checks.values()].map(c => c.check)
    drawn = new Map(
      drive.functions.map(f => [
        f.id,
        {
          after: directNeeds(f, drive.functions),
          checks: checksOf(f.id, checks, drive),
        },
      ]),
    )
    drawings.set(drive, drawn)
  }
  return drawn
}

/** Checks of a function: those that see it, then looks and treatments that tell the faults that may break it. */
function checksOf(id: string, checks: readonly Check[], drive: DriveModel): string[] {
  const sees = checks.filter(c => c.sees?.function === id).map(c => c.id)
  const telling = new Map<string, number>()
  for (const f of drive.faults) {
    if (!f.ways.some(w => id in w.breaks)) continue
    const told = Object.entries(f.shows).map(([check, shows]) => [check, Math.max(...Object.values(shows))] as const)
    const cures = Object.entries(f.treatments ?? {}).map(([t, chance]) => [`after.${t}`, chance] as const)
    for (const [check, chance] of [...told, ...cures])
      if (chance >= TELLING && drive.checks.has(check)) telling.set(check, (telling.get(check) ?? 0) + f.odds * chance)
  }
  const others = [...telling].sort((a, b) => b[1] - a[1]).map(([check]) => check)
  return [...new Set([...sees, ...others])].slice(0, CHECKS_SHOWN)
}

/** What it needs directly: needs of its needs are left out, so that a line is drawn once. */
function directNeeds(f: DriveFunction, functions: readonly DriveFunction[]): string[] {
  const byId = new Map(functions.map(o => [o.id, o]))
  const needs = Object.entries(f.needs)
    .filter(([id, weight]) => weight >= NEEDED && byId.has(id))
    .map(([id]) => id)
  const behind = (id: string): Set<string> => {
    const out = new Set<string>()
    for (const [need] of Object.entries(byId.get(id)!.needs))
      if (byId.has(need)) {
        out.add(need)
        for (const further of behind(need)) out.add(further)
      }
    return out
  }
  return needs.filter(id => !needs.some(o => o !== id && behind(o).has(id)))
}
