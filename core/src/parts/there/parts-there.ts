import { lowerFirst } from '../../base/observations'
import type { Cause, Diagnosis } from '../../diagnosis'
import { PART_KNOWN, type DriveFacts, type LogEntry, type PartKnown, type PartLeft } from '../../log'
import { IN_DRIVES, partsOn, withAssembly } from '../tree'
import type { PartNode } from '../types'
import { lentOut, partsLog, type LentPart, type PartsLog } from './parts-log'
import { lookedAt, measuresOf, settingOf, testedBy, type Word } from './words'

/** A part of a drive with what is known of it. */
export interface PartThere extends PartLeft {
  /** Assembly that it belongs to; null for one that stands by itself. */
  readonly within: string | null
  readonly condition: 'good' | 'bad' | 'suspected' | 'not known' | 'lent'
  /** False where something speaks against it: it stays in the list so that nobody takes it. */
  readonly good: boolean
  /** Another one has to be got. */
  readonly lost: boolean
  /** How strongly the case suspects it, 0 to 1. */
  readonly share: number
  readonly lent: LentPart | null
  /** Nothing speaks of it alone: what is known of its assembly holds for it. */
  readonly inherited: boolean
  readonly measures: Readonly<Record<string, number | string>>
}

/** What a drive's case says of its parts. */
export type CaseOfParts = Pick<Diagnosis, 'causes' | 'works'>

/** From here on a part is suspected: nobody is given it. */
export const SUSPECTED = 0.3

/**
 * The parts of a drive, assemblies before their pieces, with what its log says of each: a person's word, what was
 * fitted, looks, instruments, functions that work, and what its case suspects. A part may be good while the one beside
 * it is bad. What was seen of an assembly as a whole holds for its pieces.
 * @param found the drive's case; null where nobody worked it out
 * @param nodes parts that are asked for, assemblies before their pieces
 */
export function partsThere(
  drive: Pick<DriveFacts, 'mechanism' | 'features' | 'simulated'>,
  log: readonly LogEntry[],
  found: CaseOfParts | null = null,
  nodes: readonly PartNode[] = IN_DRIVES,
): PartThere[] {
  const read = partsLog(drive, log)
  const lent = lentOut(read.entries)
  const here = partsOn(
    drive,
    read.findings.map(f => f.finding.id),
    nodes,
  )
  const words = new Map(here.map(n => [n.id, wordOn(n, read, found)]))
  const there = new Map<string, PartThere>()
  for (const n of here) {
    const own = words.get(n.id)!
    const whole = here.find(x => x.id === n.within)
    const word = own ?? (whole ? heldBy(whole, words.get(whole.id)!) : null)
    there.set(n.id, { ...stateOf(n, word, read, lent, found), inherited: own === null && word !== null })
  }
  return here.map(n => {
    const pieces = here.filter(x => x.within === n.id).map(x => there.get(x.id)!)
    return asWhole(there.get(n.id)!, words.get(n.id)! !== null, pieces)
  })
}

/** The word on a part that counts: what sets it, and what was seen of it since. */
function wordOn(n: PartNode, read: PartsLog, found: CaseOfParts | null): Word | null {
  const set = settingOf(withAssembly(n.id), read)
  const after = set?.seq ?? -1
  const looked = lookedAt(n, read, after)
  if (looked?.condition === 'bad') return looked
  const tested = testedBy(n, read, after)
  if (tested?.condition === 'good') return tested
  // A function that works may have been seen to work before the part was changed.
  return (set ? null : worksBy(n, found)) ?? tested ?? looked ?? set
}

/** A part whose every function was seen to work is a part that works. */
function worksBy(n: PartNode, found: CaseOfParts | null): Word | null {
  const boxes = (n.does ?? []).map(id => found?.works.find(w => w.id === id))
  const shown = boxes.find(b => b?.says)
  if (!shown || !boxes.every(b => b?.state === 'works')) return null
  const says = `${shown.label}: ${lowerFirst(shown.says)}`
  return { seq: -1, condition: 'good', known: 'tested', says, by: 'function', lost: false }
}

/**
 * What is known of an assembly holds for its pieces where it speaks of all of them; a fault in it does not say where.
 */
function heldBy(whole: PartNode, word: Word | null): Word | null {
  if (word?.condition === 'bad') {
    const says = `${whole.label}: ${lowerFirst(word.says)}`
    return { ...word, condition: 'not known', known: 'not known', lost: false, says }
  }
  return word && (word.by === null || whole.whole?.includes(word.by)) ? word : null
}

function stateOf(
  n: PartNode,
  word: Word | null,
  read: PartsLog,
  lent: ReadonlyMap<string, LentPart>,
  found: CaseOfParts | null,
): PartThere {
  const suspects = suspectsOf(n, found)
  const share = suspects.reduce((sum, c) => sum + c.probability * c.left, 0)
  const away = withAssembly(n.id)
    .map(id => lent.get(id))
    .find(x => x !== undefined)
  const state = (condition: PartThere['condition'], known: PartKnown, says: string): PartThere => ({
    id: n.id,
    label: n.label,
    within: n.within,
    condition,
    good: condition === 'good' || condition === 'not known',
    lost: condition === 'bad' && word?.lost === true,
    state: known,
    says,
    share,
    lent: away ?? null,
    inherited: false,
    measures: measuresOf(n.id, read),
  })
  if (away) return state('lent', 'not known', `It is in ${away.to.tag}.`)
  if (word?.condition === 'bad') return state('bad', word.known, word.says)
  if (share >= SUSPECTED)
    return state(
      'suspected',
      'not known',
      `Suspected at ${Math.round(share * 100)} %: ${lowerFirst(suspects[0]!.label)}.`,
    )
  if (word?.condition === 'good') return state('good', word.known, word.says)
  return state('not known', 'not known', word?.says ?? 'Nobody looked at it.')
}

const suspectsOf = (n: PartNode, found: CaseOfParts | null): Cause[] =>
  (found?.causes ?? []).filter(c => n.cures?.includes(c.fault))

/**
 * An assembly with a piece that is amiss is so itself; one of which nobody said anything is as good as its pieces, and
 * no better known than the least known of them.
 */
function asWhole(whole: PartThere, spokenOf: boolean, pieces: readonly PartThere[]): PartThere {
  if (pieces.length === 0 || whole.condition === 'lent' || whole.condition === 'bad') return whole
  const amiss =
    pieces.find(p => p.condition === 'bad' || p.condition === 'lent') ?? pieces.find(p => p.condition === 'suspected')
  if (amiss)
    return {
      ...whole,
      condition: amiss.condition === 'suspected' ? 'suspected' : 'bad',
      good: false,
      state: amiss.state,
      says: `${amiss.label}: ${lowerFirst(amiss.says)}`,
    }
  if (spokenOf || !pieces.every(p => p.condition === 'good')) return whole
  const least = pieces.toSorted((a, b) => PART_KNOWN.indexOf(b.state) - PART_KNOWN.indexOf(a.state))[0]!
  return { ...whole, condition: 'good', state: least.state, says: `${least.label}: ${lowerFirst(least.says)}` }
}
