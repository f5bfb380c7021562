import { addTo } from '@wobrin/core/base/order'
import { findPart } from '@wobrin/core/parts'
import { findMechanism } from '@wobrin/core/drives'
import { modelKey } from '@wobrin/core/drives/models'
import { offerIn, type Donor, type Obtainable } from '../../../shared/parts'
import { Breaks } from '../breaks'
import type { DonorShelf } from './donor-shelf'
import type { PartLogs } from './part-logs'
import type { SpareRow, SpareShelf } from './spare-shelf'

/** A part that is on the shelf or in a donor. */
export interface PartAtHand extends Obtainable {
  readonly name: string
  readonly dueOn: string | null
  readonly pieces: number
  readonly photo: string | null
  /** Everything by which it is found, in small letters. */
  readonly words: string
}

/** Parts that are looked at between two looks whether others wait. */
const AT_ONCE = 500

/** Every part at hand at one moment, as it is looked for. */
export class PartsAtHand {
  /** By the part and the model that it came from. */
  private readonly byModel = new Map<string, PartAtHand[]>()
  /** Those that other models may use, by their shape. */
  private readonly byShape = new Map<string, PartAtHand[]>()

  constructor(readonly all: readonly PartAtHand[]) {}

  /** Finds its way in all of them, letting others in. */
  async index(breaks: Breaks): Promise<void> {
    for (const [i, p] of this.all.entries()) {
      if (i % AT_ONCE === 0) await breaks.whereDue()
      const model = p.model && modelKey(p.model)
      if (model) addTo(this.byModel, `${p.part} ${model}`, p)
      const shape = findPart(p.part)?.shape
      if (shape && (p.place !== 'donor' || Object.keys(p.measures).length)) addTo(this.byShape, shape, p)
    }
  }

  /** Parts of one kind and model, and those of its shape that are measured or on the shelf. */
  likely(part: string, model: string | null): readonly PartAtHand[] {
    const same = model === null ? [] : (this.byModel.get(`${part} ${model}`) ?? [])
    const shape = findPart(part)?.shape
    return [...new Set([...same, ...(shape ? (this.byShape.get(shape) ?? []) : [])])]
  }
}

/** Parts of a donor, and what they were made of. */
interface KnownDonor {
  readonly stamp: string
  readonly parts: readonly PartAtHand[]
}

/**
 * Every part at hand, kept ready to be searched. Where one moved, only its donor is worked out again; others are let in
 * meanwhile.
 */
export class PartPlaces {
  private known: { readonly stamp: string; readonly parts: PartsAtHand } | null = null
  private making: Promise<PartsAtHand> | null = null
  private donorsKnown: ReadonlyMap<string, KnownDonor> = new Map()

  constructor(
    private readonly donors: DonorShelf,
    private readonly spares: SpareShelf,
    private readonly logs: PartLogs,
  ) {}

  /** How many pieces of a part of the shelf went into drives. */
  used(spare: string): number {
    return this.logs.fittedSpares().filter(f => f.spare === spare).length
  }

  /** Reads everything anew: logs, and what lies on the shelf, changed otherwise than by what was entered here. */
  forget(): void {
    this.logs.forget()
    this.known = null
    this.donorsKnown = new Map()
  }

  /** Works it out before anybody asks. What goes wrong shows when somebody does. */
  async warm(): Promise<void> {
    await this.ready().catch(() => undefined)
  }

  /** What is at hand now. Who asks while it is worked out for somebody else gets the same. */
  async ready(): Promise<PartsAtHand> {
    const breaks = new Breaks()
    await this.logs.catchUpInSlices(breaks)
    // What is being worked out already may lack what was entered since.
    await this.making?.catch(() => undefined)
    this.logs.catchUp()
    if (this.known?.stamp === this.stamp()) return this.known.parts
    return (this.making ??= this.make(breaks).finally(() => (this.making = null)))
  }

  private stamp = () => `${this.logs.changes} ${this.spares.changes}`

  private async make(breaks: Breaks): Promise<PartsAtHand> {
    const [stamp, before] = [this.stamp(), this.logs.forgotten]
    const used = new Map<string, number>()
    for (const f of this.logs.fittedSpares()) used.set(f.spare, (used.get(f.spare) ?? 0) + 1)
    const all = this.spares.list().flatMap(s => spareAtHand(s, used.get(s.id) ?? 0))
    const donors = new Map<string, KnownDonor>()
    for (const d of this.donors.each()) {
      await breaks.whereDue()
      const known = this.donorsKnown.get(d.release)
      const own = known?.stamp === d.stamp ? known : { stamp: d.stamp, parts: ofDonor(d.made()) }
      donors.set(d.release, own)
      for (const p of own.parts) all.push(p)
    }
    const parts = new PartsAtHand(all)
    await parts.index(breaks)
    // What was made of logs that were forgotten meanwhile is not kept.
    if (before === this.logs.forgotten) {
      this.donorsKnown = donors
      this.known = { stamp, parts }
    }
    return parts
  }
}

function ofDonor(d: Donor | null): PartAtHand[] {
  if (d === null) return []
  const name = `${findMechanism(d.drive.mechanism).label} ${d.name} ${d.tag}`
  return d.parts
    .filter(p => p.wentTo === null)
    .map((p): PartAtHand => ({
      ...offerIn(d.drive, p, 'donor', d.release),
      name: '',
      dueOn: null,
      pieces: 1,
      photo: null,
      words: `${p.label} ${name} ${p.says}`.toLowerCase(),
    }))
}

function spareAtHand(s: SpareRow, used: number): PartAtHand[] {
  const left = s.pieces - used
  const node = findPart(s.part)
  if (s.gone !== null || left <= 0 || !node) return []
  const model = s.mechanism ? { mechanism: s.mechanism, maker: s.maker, model: s.model } : null
  const type = s.mechanism ? findMechanism(s.mechanism).label : ''
  return [
    {
      key: s.id,
      place: s.dueOn ? 'post' : 'shelf',
      part: s.part,
      label: node.label,
      drive: null,
      model,
      known: s.known,
      says: s.says,
      measures: s.measures,
      where: s.dueOn ? `due ${s.dueOn}` : s.place,
      release: null,
      spare: s.id,
      name: s.name,
      dueOn: s.dueOn,
      pieces: left,
      photo: s.photo,
      words: `${node.label} ${s.name} ${type} ${s.maker} ${s.model} ${s.place} ${s.says}`.toLowerCase(),
    },
  ]
}
