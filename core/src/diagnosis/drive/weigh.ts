import type { CheckModel, DiagnosisModel } from '../engine'
import { actionOf, changedBy } from './action-of'
import type { CompiledCheck, DriveModel, Element } from './compile'
import { SLIPS, type Evidence } from './evidence'
import { afterwards, among, chanceUnder, foldAnswer, shrunk, type Folded } from './fold'
import { chanceOfItem, likelihoodOf, tempered, type Item } from './likelihood'
import { pairBounds } from './pair-bounds'
import { priorsOf } from './priors'

/** An answer that is likelier than this where nothing is at fault is a good one. */
const USUAL = 0.3
/** How often a fault that is in no list is met beside those in it (a guess). */
const UNLISTED = 0.012
/** An element that makes evidence likelier by less than this factor explains nothing. */
const HELPS = 1.4
/** All evidence of a drive over its model, for the engine. */
export interface Weighing {
  readonly model: DiagnosisModel
  /** Elements that the engine weighs, by its own numbering. */
  readonly relevant: readonly number[]
  /** Natural logarithm of prior and likelihood of a fault that is in no list. */
  readonly unlisted: number
  /** Chance of a piece of evidence under a set of the engine's numbers. */
  readonly chanceOf: (evidence: number, set: readonly number[]) => number
  /**
   * Chance that a fault that the drive came with is still there, by the engine's numbers: less after what was done and
   * did not cure. What cured is told as the cause that it was.
   */
  readonly still: (fault: number) => number
  /** The same, after what cured as well: chance that a fault is in the drive now. */
  readonly now: (fault: number) => number
  /** A check as the engine sees it at a time; null where the drive has none of that id. */
  readonly check: (id: string, order: number) => CheckModel | null
}

/** What helped took away what it is for: a treatment that cures a fault so often is its own. */
const HELPED = new Set(['cures', 'better'])
const OWN = 0.5
/** Chance that it was something else that helped (a guess). */
const REMAINS = 0.02

/** Chance that an element's fault is still there at a time, after what was done; null where nothing was. */
function keptAt(order: number, drive: DriveModel, evidence: readonly Evidence[]): Float64Array | null {
  let kept: Float64Array | null = null
  for (const e of evidence) {
    const action = actionOf(e, drive)
    if (e.order >= order || !action?.removes) continue
    const { answer } = e.any[0]![0]!
    if (!e.weak && !changedBy(action, answer)) continue
    kept ??= new Float64Array(drive.elements.length).fill(1)
    const helped = HELPED.has(answer)
    for (let i = 0; i < kept.length; i++) {
      const gone = action.removes[i]!
      kept[i]! *= helped && gone >= OWN ? REMAINS : 1 - gone
    }
  }
  return kept
}

const cured = (e: Evidence): boolean => ['cures', 'works'].includes(e.any[0]?.[0]?.answer ?? '')

function itemsOf(drive: DriveModel, evidence: readonly Evidence[]): Item[] {
  return evidence.map(e => {
    const kept = keptAt(e.order, drive, evidence)
    const any = e.any
      .map(all =>
        all
          .map(({ check: id, answer }) => {
            const check = drive.checks.get(id)
            const index = check?.check.answers.indexOf(answer) ?? -1
            if (!check || index < 0) return null
            const alone = foldAnswer(check, index, SLIPS[e.source])
            // A good answer says of every bad one that it is not there; a bad one says nothing of the others.
            const good = (check.check.base[answer] ?? 0) > USUAL
            const plain = check.check.several && !good ? among(alone) : alone
            return kept ? afterwards(plain, kept) : plain
          })
          .filter(f => f !== null),
      )
      .filter(all => all.length > 0)
    return { any, negated: e.negated === true, weak: e.weak === true }
  })
}

/**
 * Evidence of a drive as the engine weighs it. Evidence of checks that the drive has not is left out.
 * @param complained whether somebody complains: then a drive without a fault is rare
 */
export function weighing(drive: DriveModel, evidence: readonly Evidence[], complained: boolean): Weighing {
  const { elements } = drive
  const items = itemsOf(drive, evidence)
  const relevant = relevantOf(items, elements)
  const silent = Uint8Array.from(relevant, i => (elements[i]!.way < 0 ? 1 : 0))
  const own = items.map(item => ({ ...item, any: item.any.map(all => all.map(f => shrunk(f, relevant))) }))
  // What splits the faults most comes first, so that hopeless sets are left early.
  const live = own.filter(i => i.any.length > 0).sort((a, b) => baseOf(a) - baseOf(b))
  const priors = priorsOf(relevant, elements, complained)
  const kept = keptAt(
    Infinity,
    drive,
    evidence.filter(e => !cured(e) && !e.weak),
  )
  const keptNow = evidence.some(cured)
    ? keptAt(
        Infinity,
        drive,
        evidence.filter(e => !e.weak),
      )
    : kept
  // All checks are asked for at one time after another: what is left then is worked out once.
  const known = new Map<number, Float64Array | null>()
  const keptBy = (order: number): Float64Array | null => {
    if (!known.has(order)) known.set(order, keptAt(order, drive, evidence))
    return known.get(order)!
  }
  return {
    relevant,
    still: n => kept?.[relevant[n]!] ?? 1,
    now: n => keptNow?.[relevant[n]!] ?? 1,
    model: {
      faults: relevant.length,
      logPrior: priors.of,
      logLikelihood: likelihoodOf(live, silent),
      pairBounds: pairBounds(priors, live, silent),
      logMost: live.reduce((s, item) => s + Math.log(mostOf(item)), 0),
    },
    unlisted: Math.log(UNLISTED) + live.reduce((s, i) => s + Math.log(unlistedChance(i)), 0),
    chanceOf: (i, set) => (own[i]!.any.length ? chanceOfItem(own[i]!, set, silent) : 1),
    check: (id, order) => checkModel(id, keptBy(order), drive, relevant),
  }
}

const baseOf = (item: Item): number => Math.max(...item.any.map(all => all.reduce((p, f) => p * f.base, 1)))

/** Elements that make a piece of evidence likelier than nothing would: others leave every set as likely as it was. */
function relevantOf(items: readonly Item[], elements: readonly Element[]): number[] {
  const helps = new Uint8Array(elements.length)
  for (const f of items.flatMap(item => item.any.flat()))
    for (let i = 0; i < helps.length; i++)
      if (f.removes ? f.removes[i]! > 0.05 : f.u[i]! + f.q[i]! * f.base > f.base * HELPS) helps[i] = 1
  const all = elements.map((_, i) => i)
  const relevant = all.filter(i => helps[i])
  // Where nothing points anywhere, everything that would show may be it.
  return relevant.length ? relevant : all.filter(i => elements[i]!.way >= 0)
}

/** The most that any set could make of a piece of evidence. */
function mostOf(item: Item): number {
  if (item.negated || item.weak) return 1
  const one = (f: Folded) => {
    if (f.removes) return 1
    let most = f.base
    for (let i = 0; i < f.u.length; i++) most = Math.max(most, f.u[i]! / Math.max(0.02, 1 - f.q[i]!))
    return Math.min(1, most)
  }
  return Math.max(...item.any.map(all => all.reduce((p, f) => p * one(f), 1)))
}

/** What a fault that nobody listed makes of it: partly what a sound drive shows, partly anything. */
function unlistedChance(item: Item): number {
  const one = (f: Folded) => (f.removes ? (f.outcome === 'same' ? 0.85 : 0.08) : 0.6 * f.base + 0.4 * f.even)
  return tempered(item, Math.max(...item.any.map(all => all.reduce((x, f) => x * one(f), 1))))
}

/** What harm done to a drive or a disk counts as, minutes of hands (a guess). */
const HARM_MINUTES = 90

function checkModel(
  id: string,
  kept: Float64Array | null,
  drive: DriveModel,
  relevant: readonly number[],
): CheckModel | null {
  const check = drive.checks.get(id)
  if (!check) return null
  const { answers, minutes, kind, needs } = check.check
  const all = foldedOnce(check)
  const { silent } = drive
  const harm = (n: number) => {
    const { harms } = drive.elements[n]!.fault
    const power = needs.includes('power') ? (harms?.power ?? 0) : 0
    return Math.max(power, needs.includes('disk') ? (harms?.disk ?? 0) : 0) * HARM_MINUTES
  }
  const chances = new Float64Array(answers.length)
  let last: readonly number[] | null = null
  return {
    answers: answers.length,
    minutes,
    chance(answer, set) {
      if (set !== last) {
        last = set
        const at = set.map(n => relevant[n]!)
        for (let a = 0; a < all.length; a++) chances[a] = chanceNow(all[a]!, at, silent, kept)
      }
      return chances[answer]!
    },
    // What was mended does no harm any more.
    risk: set => set.reduce((sum, n) => sum + harm(relevant[n]!) * (kept?.[relevant[n]!] ?? 1), 0),
    ...(kind === 'treatment' ? { settles: answers.indexOf('cures') } : {}),
  }
}

function chanceNow(f: Folded, set: readonly number[], silent: Uint8Array, kept: Float64Array | null): number {
  if (!kept || f.removes) return chanceUnder(f, set, silent)
  let p = f.base
  for (let i = set.length - 1; i >= 0; i--) {
    const n = set[i]!
    p = f.u[n]! * kept[n]! + (1 - (1 - f.q[n]!) * kept[n]!) * p
  }
  return (1 - f.slip) * p + f.slip * f.even
}

const ready = new WeakMap<CompiledCheck, Folded[]>()

/** All answers of a check, folded once. */
function foldedOnce(check: CompiledCheck): Folded[] {
  let all = ready.get(check)
  if (!all) ready.set(check, (all = check.check.answers.map((_, i) => foldAnswer(check, i, SLIPS[check.check.source]))))
  return all
}
