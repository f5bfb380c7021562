import type { CheckModel, DiagnosisModel, PairBounds } from '../engine'
import { actionOf, changedBy } from './action-of'
import type { CompiledCheck, DriveModel, Element } from './compile'
import { SLIPS, type Evidence } from './evidence'
import { afterwards, among, chanceUnder, foldAnswer, shrunk, type Folded } from './fold'
import { priorsOf, type Priors } from './priors'

/** A piece of evidence over the elements: any of its alternatives, in each all of its answers. */
interface Item {
  readonly any: readonly (readonly Folded[])[]
  readonly negated: boolean
  readonly weak: boolean
}

/** An answer that is likelier than this where nothing is at fault is a good one. */
const USUAL = 0.3
/** Of evidence that counts as weak so much is chance. */
const WEAK = 0.35
/** However surely something was not so, an owner may have meant something else. */
const LEAST = 0.03
/** How often a fault that is in no list is met beside those in it (a guess). */
const UNLISTED = 0.012
/** An element that makes evidence likelier by less than this factor explains nothing. */
const HELPS = 1.4
/** Sets whose evidence is less likely than the best by this factor are not weighed to the end. */
const HOPELESS = 1e-8

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

/** Counted loops: this is where the time goes. */
function chanceOfItem(item: Item, set: readonly number[], silent: Uint8Array): number {
  let best = 0
  const { any } = item
  for (let i = 0; i < any.length; i++) {
    const all = any[i]!
    let p = 1
    for (let k = 0; k < all.length && p > best; k++) p *= chanceUnder(all[k]!, set, silent)
    if (p > best) best = p
  }
  return item.negated || item.weak ? tempered(item, best) : best
}

function tempered(item: Item, seen: number): number {
  const p = item.negated ? Math.max(LEAST, 1 - seen) : seen
  return item.weak ? WEAK + (1 - WEAK) * p : p
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
  const likelihood = alike(live, relevant.length, silent)
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
  return {
    relevant,
    still: n => kept?.[relevant[n]!] ?? 1,
    now: n => keptNow?.[relevant[n]!] ?? 1,
    model: {
      faults: relevant.length,
      logPrior: priors.of,
      logLikelihood: likelihood,
      pairBounds: pairBounds(priors, live, silent),
      logMost: live.reduce((s, item) => s + Math.log(mostOf(item)), 0),
    },
    unlisted: Math.log(UNLISTED) + live.reduce((s, i) => s + Math.log(unlistedChance(i)), 0),
    chanceOf: (i, set) => (own[i]!.any.length ? chanceOfItem(own[i]!, set, silent) : 1),
    check: (id, order) => checkModel(id, keptAt(order, drive, evidence), drive, relevant),
  }
}

/**
 * Likelihood of sets. Elements that make the same of every piece of evidence are alike: what one pair of them comes to,
 * every pair of the same two kinds comes to, and is worked out once.
 */
function alike(live: readonly Item[], count: number, silent: Uint8Array): (set: readonly number[]) => number {
  const kinds = kindsOf(live, count, silent)
  const of = kinds.reduce((most, k) => Math.max(most, k + 1), 0)
  const known = new Float64Array(of * of).fill(Number.NaN)
  let best = 0
  const quick = live.map(item => plainItem(item, count))
  const weighed = (set: readonly number[]): number => {
    let p = 1
    const floor = best * HOPELESS
    const last = set.length - 1
    for (let i = 0; i < live.length; i++) {
      const plain = quick[i]
      p *= plain && last > 0 ? plainChance(plain, set, last) : chanceOfItem(live[i]!, set, silent)
      if (p < floor) return -Infinity
    }
    if (p > best) best = p
    return Math.log(p)
  }
  const knownThrees = new Map<number, number>()
  return set => {
    if (set.length < 2) return weighed(set)
    const key = kinds[set[0]!]! * of + kinds[set[1]!]!
    if (set.length === 2) {
      const before = known[key]!
      return Number.isNaN(before) ? (known[key] = weighed(set)) : before
    }
    const three = key * of + kinds[set[2]!]!
    let log = knownThrees.get(three)
    if (log === undefined) knownThrees.set(three, (log = weighed(set)))
    return log
  }
}

/** A piece of evidence that is one answer, ready for sets: what the last one makes of it alone is worked out before. */
interface PlainItem {
  readonly u: Float64Array
  readonly q: Float64Array
  readonly alone: Float64Array
  readonly share: number
  readonly slip: number
}

/** Null where a piece has alternatives, or several answers, or is something that was done. */
function plainItem(item: Item, count: number): PlainItem | null {
  const f = item.any.length === 1 && item.any[0]!.length === 1 ? item.any[0]![0]! : null
  if (!f || f.removes || item.negated) return null
  const alone = new Float64Array(count)
  for (let i = 0; i < count; i++) alone[i] = f.u[i]! + f.q[i]! * f.base
  const slip = f.slip * f.even
  return item.weak
    ? { u: f.u, q: f.q, alone, share: (1 - WEAK) * (1 - f.slip), slip: WEAK + (1 - WEAK) * slip }
    : { u: f.u, q: f.q, alone, share: 1 - f.slip, slip }
}

function plainChance({ u, q, alone, share, slip }: PlainItem, set: readonly number[], last: number): number {
  let p = alone[set[last]!]!
  for (let k = last - 1; k >= 0; k--) {
    const n = set[k]!
    p = u[n]! + q[n]! * p
  }
  return share * p + slip
}

/** Kinds of elements, by number: those of one kind make the same of every piece of evidence. */
function kindsOf(live: readonly Item[], count: number, silent: Uint8Array): Int32Array {
  const numbers = new Map<string, number>()
  const folded = live.flatMap(item => item.any.flat())
  return Int32Array.from({ length: count }, (_, i) => {
    let key = String(silent[i])
    for (const f of folded) key += f.removes ? `;${f.removes[i]}` : `;${f.u[i]},${f.q[i]}`
    if (!numbers.has(key)) numbers.set(key, numbers.size)
    return numbers.get(key)!
  })
}

/**
 * The most that a pair can weigh. With a first, u + q · v grows over what a makes alone by no more than what b makes of
 * it over nothing: so a alone times the gains of b. What was done, and what was not seen, is taken as certain.
 */
function pairBounds(priors: Priors, live: readonly Item[], silent: Uint8Array): PairBounds {
  const count = silent.length
  const alone = new Float64Array(count)
  const gain = new Float64Array(count)
  for (const item of live) {
    if (item.negated || item.weak || item.any.some(all => all.some(f => f.removes))) continue
    const set = [0]
    for (let i = 0; i < count; i++) {
      set[0] = i
      alone[i]! += Math.log(chanceOfItem(item, set, silent))
      let most = 1
      for (const all of item.any) {
        let p = 1
        for (const f of all) p *= Math.max(1, (f.u[i]! + f.q[i]! * f.base) / Math.max(f.base, 1e-9))
        if (p > most) most = p
      }
      gain[i]! += Math.log(most)
    }
  }
  const { first, second } = priors.pairMost
  return { first: first.map((p, a) => p + alone[a]!), second: second.map((p, b) => p + gain[b]!) }
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
