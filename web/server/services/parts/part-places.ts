import { findPart } from '@wobrin/core/parts'
import { findMechanism } from '@wobrin/core/drives'
import { modelKey } from '@wobrin/core/drives/models'
import { offerIn, type Obtainable } from '../../../shared/parts'
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

interface Known {
  readonly stamp: string
  readonly all: readonly PartAtHand[]
  /** By the part and the model that it came from. */
  readonly byModel: ReadonlyMap<string, readonly PartAtHand[]>
  /** Those that other models may use, by their shape. */
  readonly byShape: ReadonlyMap<string, readonly PartAtHand[]>
}

/** Every part at hand, kept ready to be searched; made anew where one moved. */
export class PartPlaces {
  private known: Known | null = null

  constructor(
    private readonly donors: DonorShelf,
    private readonly spares: SpareShelf,
    private readonly logs: PartLogs,
  ) {}

  all(): readonly PartAtHand[] {
    return this.ready().all
  }

  /** Parts of one kind and model, and those of its shape that are measured or on the shelf. */
  likely(part: string, model: string | null): readonly PartAtHand[] {
    const { byModel, byShape } = this.ready()
    const same = model === null ? [] : (byModel.get(`${part} ${model}`) ?? [])
    const shape = findPart(part)?.shape
    return [...new Set([...same, ...(shape ? (byShape.get(shape) ?? []) : [])])]
  }

  /** How many pieces of a part of the shelf went into drives. */
  used(spare: string): number {
    return this.logs.fittedSpares().filter(f => f.spare === spare).length
  }

  /** Reads everything anew: logs, and what lies on the shelf, changed otherwise than by what was entered here. */
  forget(): void {
    this.logs.forget()
    this.known = null
  }

  private ready(): Known {
    this.logs.catchUp()
    const stamp = `${this.logs.changes} ${this.spares.changes}`
    if (this.known?.stamp === stamp) return this.known
    const used = new Map<string, number>()
    for (const f of this.logs.fittedSpares()) used.set(f.spare, (used.get(f.spare) ?? 0) + 1)
    const all: PartAtHand[] = [
      ...this.spares.list().flatMap(s => spareAtHand(s, used.get(s.id) ?? 0)),
      ...this.donors.list().flatMap(d => {
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
      }),
    ]
    return (this.known = { stamp, all, ...indexed(all) })
  }
}

function indexed(all: readonly PartAtHand[]): Pick<Known, 'byModel' | 'byShape'> {
  const byModel = new Map<string, PartAtHand[]>()
  const byShape = new Map<string, PartAtHand[]>()
  const add = (to: Map<string, PartAtHand[]>, key: string, p: PartAtHand) => {
    const list = to.get(key)
    if (list) list.push(p)
    else to.set(key, [p])
  }
  for (const p of all) {
    const model = p.model && modelKey(p.model)
    if (model) add(byModel, `${p.part} ${model}`, p)
    const shape = findPart(p.part)?.shape
    if (shape && (p.place !== 'donor' || Object.keys(p.measures).length)) add(byShape, shape, p)
  }
  return { byModel, byShape }
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
