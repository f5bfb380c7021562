import { addTo } from '@wobrin/core/base/order'
import { inArray } from 'drizzle-orm'
import {
  compareShapes,
  findPart,
  fitOf,
  matchWants,
  orderParts,
  partsThere,
  type Measures,
  type PartThere,
  type ShapeId,
  type Want,
} from '@wobrin/core/parts'
import { modelKey } from '@wobrin/core/drives/models'
import type { DriveFacts } from '@wobrin/core/log'
import type { PartDue } from '../bench-calendar'
import {
  offerIn,
  type Debt,
  type Obtainable,
  type ShelfPart,
  type ShelfParts,
  type UsedUp,
  type Wants,
} from '../../../shared/parts'
import { driveStates } from '../../database/schema'
import type { Db } from '../../database/db'
import { Breaks } from '../breaks'
import type { BenchService, OpenCase } from '../bench'
import type { DriveService } from '../drives'
import type { PartAtHand, PartPlaces } from './part-places'
import type { PartLogs } from './part-logs'

/** Drives of one model that are asked for a part, and offers for one want that are weighed. */
const ASKED = 20
const WEIGHED = 60
const SHOWN = 50

/** Measures of a part that something is to replace. */
export interface MeasuredLike {
  readonly shape: ShapeId
  readonly measures: Measures
}

/** What the open drives want, and what would serve them. */
export class WantService {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly bench: BenchService,
    private readonly places: PartPlaces,
    private readonly logs: PartLogs,
  ) {}

  async all(nowMs: number): Promise<Wants> {
    const breaks = new Breaks()
    const cases = await this.bench.cases(nowMs)
    const wants = await this.wantsIn(cases, breaks)
    // Nobody is asked where nothing is wanted.
    const byModel = wants.length ? this.byModel() : new Map<string, DriveFacts[]>()
    const offers = new Map<string, Obtainable>()
    const atHand = await this.places.ready()
    for (const want of wants) {
      if (want.part === null) continue
      await breaks.whereDue()
      for (const p of atHand.likely(want.part, modelKey(want.drive)).slice(0, WEIGHED))
        for (let piece = 0; piece < Math.min(p.pieces, wants.length); piece++)
          offers.set(`${p.key} ${piece}`, { ...bare(p), key: `${p.key} ${piece}` })
      for (const o of this.inDrives(want, cases, byModel)) offers.set(o.key, o)
    }
    const matched = matchWants(wants, [...offers.values()])
    return {
      wants: matched,
      order: orderParts(matched.filter(m => m.best === null).map(m => m.want)),
      debts: this.debts(),
      usedUp: usedUp(cases),
    }
  }

  /**
   * Parts at hand by their words, with the drives that each would serve.
   * @param like a part of the tree with its measures: only what may replace it by them, the surest first
   */
  async search(query: string, place: string, nowMs: number, like: MeasuredLike | null = null): Promise<ShelfParts> {
    const words = query.normalize('NFC').toLowerCase().split(/\s+/).filter(Boolean).slice(0, 8)
    const { all } = await this.places.ready()
    const found = all.filter(p => (place === '' || p.place === place) && words.every(w => p.words.includes(w)))
    const fitting = like ? byMeasures(found, like) : found
    const shown = fitting.slice(0, SHOWN)
    const wants = await this.wantsIn(await this.bench.cases(nowMs), new Breaks())
    const items = shown.map((p): ShelfPart => {
      const { words: _, ...rest } = p
      const serves = wants.filter(w => fitOf(w, p) !== null).map(w => w.drive.tag)
      return { fit: null, ...rest, serves: [...new Set(serves)] }
    })
    return { items, total: fitting.length }
  }

  /** Parts that are on their way, the first to arrive first. */
  async due(nowMs: number): Promise<PartDue[]> {
    const { items } = await this.search('', 'post', nowMs)
    return items
      .flatMap(p => (p.spare && p.dueOn ? [{ id: p.spare, name: p.name, on: p.dueOn, serves: p.serves }] : []))
      .sort((a, b) => (a.on < b.on ? -1 : 1))
  }

  private async wantsIn(cases: readonly OpenCase[], breaks: Breaks): Promise<Want[]> {
    const wants: Want[] = []
    for (const { drive, wants: its } of cases) {
      await breaks.whereDue()
      wants.push(...(this.drives.aside.guard(drive, () => [...its()]) ?? []))
    }
    return wants
  }

  /** The same part in other drives of the model: open ones, and those that are in use. */
  private inDrives(
    want: Want,
    cases: readonly OpenCase[],
    byModel: ReadonlyMap<string, readonly DriveFacts[]>,
  ): Obtainable[] {
    const key = modelKey(want.drive)
    // What is bought new is asked of no drive.
    if (key === null || !want.part || findPart(want.part)?.newOnly) return []
    const like = (byModel.get(key) ?? []).filter(d => d.id !== want.drive.id).slice(0, ASKED)
    if (like.length === 0) return []
    const outcomes = new Map(
      this.db
        .select({ id: driveStates.driveId, outcome: driveStates.outcome })
        .from(driveStates)
        .where(
          inArray(
            driveStates.driveId,
            like.map(d => d.id),
          ),
        )
        .all()
        .map(s => [s.id, s.outcome]),
    )
    return like.flatMap((d): Obtainable[] => {
      const outcome = outcomes.get(d.id)
      if (outcome !== null && outcome !== 'released') return []
      const found = cases.find(c => c.drive.id === d.id)?.found?.diagnosis ?? null
      const log = this.drives.aside.guard(d, () => this.drives.log(d.id))
      const part = log && partsThere(d, log, found).find(p => p.id === want.part && p.good)
      // Of a drive that is worked on itself, a part that nobody looked at is no help.
      if (outcome === null && part?.state === 'not known') return []
      return part ? [offerOf(d, part, outcome === 'released')] : []
    })
  }

  private byModel(): Map<string, DriveFacts[]> {
    const by = new Map<string, DriveFacts[]>()
    for (const d of this.drives.list()) {
      const key = d.practice ? null : modelKey(d)
      if (key === null) continue
      addTo(by, key, d)
    }
    return by
  }

  private debts(): Debt[] {
    const lent = this.logs.lentParts()
    if (lent.length === 0) return []
    const tags = new Map(this.drives.list().map(d => [d.id, d.tag]))
    return lent.map(l => ({
      lent: l.entry,
      at: l.at,
      label: findPart(l.part)?.label ?? l.part,
      lender: { id: l.driveId, tag: tags.get(l.driveId) ?? '' },
      to: { id: l.to.id, tag: tags.get(l.to.id) ?? l.to.tag },
    }))
  }
}

/** A part of a drive of the same model. One that works has shown that its parts do. */
const offerOf = (d: DriveFacts, part: PartThere, inUse: boolean): Obtainable =>
  offerIn(
    d,
    inUse && part.state === 'not known'
      ? { ...part, state: 'looked at', says: 'The drive was released working.' }
      : part,
    inUse ? 'used' : 'open',
  )

/** Parts of the shape that is asked for whose measures do not contradict it; what was compared most stands first. */
function byMeasures<P extends PartAtHand>(parts: readonly P[], { shape, measures }: MeasuredLike) {
  return parts
    .filter(p => findPart(p.part)?.shape === shape)
    .map(p => ({ p, its: compareShapes(shape, measures, p.measures) }))
    .filter(({ its }) => its.fits !== 'no')
    .sort((a, b) => Number(b.its.fits === 'yes') - Number(a.its.fits === 'yes') || b.its.compared - a.its.compared)
    .map(({ p, its }) => ({ ...p, fit: its.fits === 'yes' ? 'All measures agree.' : its.says }))
}

const bare = ({ words: _, name: _n, dueOn: _d, pieces: _p, photo: _f, ...offer }: PartAtHand): Obtainable => offer

/** Consumables of the steps ahead, those that most drives need first. */
function usedUp(cases: readonly OpenCase[]): UsedUp[] {
  const by = new Map<string, string[]>()
  for (const { drive, usesUp } of cases) for (const name of usesUp) addTo(by, name, drive.tag)
  return [...by]
    .map(([name, tags]) => ({ name, tags }))
    .sort((a, b) => b.tags.length - a.tags.length || (a.name < b.name ? -1 : 1))
}
