import { addTo } from '@wobrin/core/base/order'
import { driveNamed, partsOn, piecesOf, withAssembly, withPieces } from '@wobrin/core/parts'
import type { DriveFacts, PartLeft } from '@wobrin/core/log'
import type { Donor, DonorPart } from '../../../shared/parts'
import type { DriveService } from '../drives'
import type { PartLogs, Stripped, Used } from './part-logs'

/** A donor that is not worked out yet. */
export interface DonorToMake {
  readonly release: string
  /** Differs whenever it would be made otherwise. */
  readonly stamp: string
  /** Null where its drive is gone. */
  readonly made: () => Donor | null
}

/**
 * What drives that were given up for parts still have. Where a part went is read from the logs of the drives that got
 * it.
 */
export class DonorShelf {
  constructor(
    private readonly drives: DriveService,
    private readonly logs: PartLogs,
  ) {}

  /** Some of the donors, the latest first, and how many there are. */
  page(from: number, most: number): { readonly donors: Donor[]; readonly total: number } {
    const all = this.logs.strippedDrives()
    return { donors: this.made(all.slice(from, from + most)), total: all.length }
  }

  /** One donor, by its release; null where there is none. */
  find(release: string): Donor | null {
    return this.made(this.logs.strippedDrives().filter(s => s.release === release))[0] ?? null
  }

  /** All donors, the latest first, each made where somebody asks for it. */
  each(): DonorToMake[] {
    const went = this.went()
    return this.logs.strippedDrives().map(s => {
      const its = went.get(s.release) ?? []
      const of = ({ driveId, part }: Used) => `${part} ${driveId} ${this.logs.factsOf(driveId)}`
      return {
        release: s.release,
        stamp: [this.logs.factsOf(s.driveId), ...its.map(of)].join(),
        made: () => this.donor(s, its),
      }
    })
  }

  private made(stripped: readonly Stripped[]): Donor[] {
    const went = this.went()
    return stripped.flatMap(s => this.donor(s, went.get(s.release) ?? []) ?? [])
  }

  /** Null where the drive is gone. */
  private donor(s: Stripped, went: readonly Used[]): Donor | null {
    const drive = this.drives.find(s.driveId)
    const tags = new Map(went.map(u => [u.part, this.drives.find(u.driveId)?.tag ?? '']))
    return drive && donorOf(s, drive, tags)
  }

  /** Parts that went into other drives, by the donor's release. */
  private went(): Map<string, Used[]> {
    const went = new Map<string, Used[]>()
    for (const u of this.logs.usedParts()) {
      addTo(went, u.release, u)
    }
    return went
  }
}

function donorOf(s: Stripped, drive: DriveFacts, went: ReadonlyMap<string, string>): Donor {
  const parts = withAllPieces(s.parts, drive)
  // An assembly without one of its pieces is none any more; a piece of one that went as a whole went with it.
  const goneTo = (p: DonorPart) =>
    [...withAssembly(p.id), ...piecesOf(p.id).map(x => x.id)].map(id => went.get(id)).find(x => x !== undefined) ?? null
  return {
    drive: driveNamed(drive),
    tag: drive.tag,
    name: `${drive.maker} ${drive.model}`.trim(),
    release: s.release,
    at: s.at,
    remark: s.remark,
    parts: parts.map(p => ({ ...p, wentTo: goneTo(p) })),
  }
}

/** Who names an assembly alone means all of it. */
function withAllPieces(parts: readonly PartLeft[], drive: DriveFacts): DonorPart[] {
  const there = new Map(partsOn(drive, []).map(n => [n.id, n]))
  const named = new Set(parts.map(p => p.id))
  return parts.flatMap((p): DonorPart[] => {
    const alone = piecesOf(p.id).every(x => !named.has(x.id))
    const ids = alone ? withPieces(p.id) : [p.id]
    return ids.flatMap(id => {
      const node = there.get(id)
      if (id === p.id) return [{ ...p, within: node?.within ?? null, wentTo: null }]
      const { measures: _, ...rest } = p
      return node ? [{ ...rest, id, label: node.label, within: p.id, wentTo: null }] : []
    })
  })
}
