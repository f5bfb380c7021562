import { driveNamed, partsOn, piecesOf, withAssembly, withPieces } from '@wobrin/core/parts'
import type { DriveFacts, PartLeft } from '@wobrin/core/log'
import type { Donor, DonorPart } from '../../../shared/parts'
import type { DriveService } from '../drives'
import type { PartLogs, Stripped } from './part-logs'

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

  /** Donors, the latest first. */
  list(): Donor[] {
    return this.made(this.logs.strippedDrives())
  }

  /** One donor, by its release; null where there is none. */
  find(release: string): Donor | null {
    return this.made(this.logs.strippedDrives().filter(s => s.release === release))[0] ?? null
  }

  private made(stripped: readonly Stripped[]): Donor[] {
    /** Tags of the drives that parts went into, by the donor's release and the part. */
    const went = new Map<string, Map<string, string>>()
    const asked = new Set(stripped.map(s => s.release))
    for (const { release, part, driveId } of this.logs.usedParts()) {
      if (!asked.has(release)) continue
      const parts = went.get(release) ?? new Map<string, string>()
      went.set(release, parts.set(part, this.drives.get(driveId).tag))
    }
    return stripped.map(s => donorOf(s, this.drives.get(s.driveId), went.get(s.release) ?? new Map()))
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
