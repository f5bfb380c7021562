import { addTo } from '../../base/order'
import { findMechanism } from '../../drives'
import { modelKey } from '../../drives/models'
import type { DriveFacts, LogEntry } from '../../log'
import {
  findPart,
  LIKELY,
  partsThere,
  piecesOf,
  proveAgain,
  withAssembly,
  type CaseOfParts,
  type PartThere,
} from '../../parts'
import { lowerFirst } from '../../base/observations'
import type { BoxDrive, PartCondition, Pool, PooledDrive } from './box'
import { poolParts } from './pool-parts'

/** A drive of the workshop whose parts may be put together with those of others. */
export interface PoolDrive {
  readonly drive: DriveFacts
  readonly log: readonly LogEntry[]
  /** What its case suspects; null where nobody complains. */
  readonly found: CaseOfParts | null
  /** It works: nothing is taken from it unless that is allowed. */
  readonly inUse: boolean
  /** Ids of parts that are in another drive by now. */
  readonly gone: ReadonlySet<string>
}

/** A part on the shelf. */
export interface PoolSpare {
  readonly id: string
  readonly name: string
  readonly part: string
  readonly model: Pick<DriveFacts, 'mechanism' | 'maker' | 'model'>
  readonly tested: boolean
}

/** Where a part comes from: a drive, or the shelf, whose parts have no tag. */
export interface PoolSource {
  readonly id: string
  readonly tag: string
  readonly spare: boolean
}

/** A part that is taken. */
export interface TakenPart {
  readonly part: string
  readonly label: string
  readonly from: PoolSource
  readonly minutes: number
  /** Nobody has tested it. */
  readonly untested: boolean
}

/** A drive that would work, and what it takes for that. */
export interface MadeDrive {
  readonly drive: { readonly id: string; readonly tag: string }
  readonly takes: readonly TakenPart[]
  /** Assemblies of its own that nobody has tested, and on which this counts. */
  readonly countsOn: readonly string[]
  /** What has to be shown afterwards. */
  readonly again: readonly string[]
}

/** Drives of one model, and what can be made of them. */
export interface ModelPool {
  readonly name: string
  readonly makes: readonly MadeDrive[]
  /** Drives that stay as donors. */
  readonly left: readonly { readonly id: string; readonly tag: string }[]
  readonly minutes: number
  /** No other choice is better. */
  readonly proved: boolean
}

/**
 * Which parts of drives of one model would make others work: by what their logs and their cases say of their parts. A
 * part that nobody tested is counted on, and named: testing it costs less than replacing it; one that a case suspects
 * is not. Models of which no part would be moved are left out, and drives of which nobody knows the model, as nobody
 * knows what fits them.
 * @param allowed ids of drives in use from which parts may be taken nevertheless
 */
export function poolWorkshop(
  drives: readonly PoolDrive[],
  spares: readonly PoolSpare[] = [],
  allowed: readonly string[] = [],
): ModelPool[] {
  const models = new Map<string, PoolDrive[]>()
  for (const d of drives) {
    const key = modelKey(d.drive)
    if (key !== null) addTo(models, key, d)
  }
  return [...models]
    .map(([model, list]) =>
      poolModel(
        model,
        list,
        spares.filter(s => modelKey(s.model) === model),
        allowed,
      ),
    )
    .filter(m => m.makes.length > 0)
}

/** A drive with its parts as they are known. */
type Known = PoolDrive & { readonly parts: ReadonlyMap<string, PartThere> }

function poolModel(
  model: string,
  list: readonly PoolDrive[],
  spares: readonly PoolSpare[],
  allowed: readonly string[],
): ModelPool {
  const known = list.map((d): Known => {
    const parts = partsThere(d.drive, d.log, d.found)
    return { ...d, parts: new Map(parts.map(p => [p.id, p])) }
  })
  const units = unitsOf(known)
  const boxes: BoxDrive[] = [
    ...known.map(d => ({
      id: d.drive.id,
      mechanism: d.drive.mechanism,
      model,
      value: Math.max(0, d.drive.account?.working ?? 1),
      inUse: d.inUse,
      parts: Object.fromEntries(
        units.flatMap((u): [string, PartCondition][] => {
          const condition = d.parts.has(u) ? conditionOf(d, u) : null
          return condition ? [[u, condition]] : []
        }),
      ),
    })),
    ...spares
      .filter(s => units.includes(s.part))
      .map(s => ({
        id: s.id,
        mechanism: s.model.mechanism,
        model,
        value: 0,
        inUse: false,
        // It is one part and never a drive.
        parts: { [s.part]: 'good', [REST]: 'bad' } as const,
      })),
  ]
  const moves = Object.fromEntries(units.map(u => [u, findPart(u)!.minutes]))
  const risks = Object.fromEntries(units.map(u => [u, findPart(u)!.again.includes('alignment') ? ALIGNING : 0]))
  const whole = poolParts({ drives: boxes, mayTakeFromUsed: allowed, moves, risks })
  const first = list[0]!.drive
  return {
    name: `${findMechanism(first.mechanism).label}, ${`${first.maker} ${first.model}`.trim()}`,
    makes: whole.works
      .filter(w => Object.keys(w.from).length > 0)
      .map(w =>
        madeOf(
          w,
          known.find(d => d.drive.id === w.drive)!,
          known,
          spares,
        ),
      ),
    left: leftOf(whole, known),
    minutes: whole.minutes,
    proved: whole.proved,
  }
}

/** A part after which the alignment has to be shown again may cost so many minutes more (from memory). */
const ALIGNING = 40

/** What a part on the shelf lacks to be a drive. */
const REST = 'the rest'

/** What can be moved on its own; an assembly as one where a drive has one amiss and nobody knows in which piece. */
function unitsOf(known: readonly Known[]): string[] {
  const ids = [...new Set(known.flatMap(d => [...d.parts.keys()]))]
  const asOne = (id: string) =>
    piecesOf(id).length === 0 ||
    known.some(d => d.parts.get(id)?.condition === 'bad' && piecesOf(id).every(p => !isAmiss(d.parts.get(p.id))))
  return ids.filter(id => {
    const { within, newOnly } = findPart(id)!
    // What is bought new keeps no drive from working.
    if (newOnly) return false
    return within ? !asOne(within) : asOne(id)
  })
}

const isAmiss = (p: PartThere | undefined): boolean => p !== undefined && (!p.good || p.lent !== null)

/** How a part counts; null for one that is mended by hand: it is neither replaced nor given. */
function conditionOf(d: Known, unit: string): PartCondition | null {
  const p = d.parts.get(unit)!
  const away = [...withAssembly(unit), ...piecesOf(unit).map(x => x.id)].some(id => d.gone.has(id))
  if (away || p.lost || p.condition === 'lent') return 'bad'
  if (p.condition === 'suspected' && p.share >= LIKELY) return 'unknown'
  return p.good ? 'good' : null
}

function madeOf(w: PooledDrive, made: Known, known: readonly Known[], spares: readonly PoolSpare[]): MadeDrive {
  const takes = Object.entries(w.from).map(([part, from]): TakenPart => {
    const donor = known.find(d => d.drive.id === from)
    const spare = spares.find(s => s.id === from)
    return {
      part,
      label: lowerFirst(findPart(part)!.label),
      from: donor
        ? { id: donor.drive.id, tag: donor.drive.tag, spare: false }
        : { id: spare!.id, tag: spare!.name, spare: true },
      minutes: findPart(part)!.minutes,
      untested: donor ? donor.parts.get(part)!.state !== 'tested' && !donor.inUse : !spare!.tested,
    }
  })
  const moved = new Set(takes.flatMap(t => withAssembly(t.part)))
  return {
    drive: { id: made.drive.id, tag: made.drive.tag },
    takes,
    countsOn: [...made.parts.values()]
      .filter(p => p.within === null && p.condition === 'not known' && !moved.has(p.id))
      .map(p => lowerFirst(p.label)),
    again: proveAgain(takes.flatMap(t => findPart(t.part)!.again)),
  }
}

/** Drives that do not work in the end: donors of now, or of another time. */
function leftOf({ works }: Pool, known: readonly Known[]): ModelPool['left'] {
  const working = new Set(works.map(w => w.drive))
  return known.filter(d => !working.has(d.drive.id)).map(({ drive: { id, tag } }) => ({ id, tag }))
}
