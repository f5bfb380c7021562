import { inArray } from 'drizzle-orm'
import { ParameterError } from '@wobrin/core/errors'
import type { LogEntry } from '@wobrin/core/observations'
import { blameBench, classesOf, DISK_FAMILIES, familyOf, headName, ZONE_NAMES } from '@wobrin/core/proving'
import type { BlameView, CrossReadInput } from '../../shared/blame'
import { drives as drivesTable } from '../database/schema'
import type { DiskShelf } from './disk-shelf'
import type { DriveService } from './drives'
import type { Db } from './open-database'

/** More drives of one family are not offered for the next read. */
const MOST_DRIVES = 60

/** Disks × drives: what was read where, for the inference. */
export class BlameService {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
    private readonly shelf: DiskShelf,
  ) {}

  /** The bench of a family of disks; the first that has one where none is named. */
  view(asked?: string): BlameView {
    const { standings } = this.shelf.view()
    const families = DISK_FAMILIES.filter(f => standings.some(s => familyOf(s.mechanism) === f))
    const family = families.find(f => f === asked) ?? families[0] ?? DISK_FAMILIES[0]!
    const disks = standings.filter(s => familyOf(s.mechanism) === family && !s.retired)
    const all = this.db
      .select()
      .from(drivesTable)
      .where(inArray(drivesTable.mechanism, [...classesOf(family)]))
      .all()
    // Those that read or wrote a disk first, the latest come first.
    const involved = new Set([...this.shelf.readers(disks.map(s => s.disk.id)), ...disks.map(s => s.disk.writtenBy)])
    const chosen = all
      .sort(
        (a, b) => Number(involved.has(b.id)) - Number(involved.has(a.id)) || b.receivedAt.localeCompare(a.receivedAt),
      )
      .slice(0, MOST_DRIVES)
    const bench = blameBench(
      disks.map(s => s.disk),
      chosen.map(d => ({
        id: d.id,
        tag: d.tag,
        mechanism: d.mechanism,
        heads: d.features?.heads ?? null,
        log: this.drives.log(d.id),
      })),
      id => standings.find(s => s.disk.id === id)?.trusted ?? false,
    )
    return { family, families, ...bench, drives: bench.drives.toSorted((a, b) => a.name.localeCompare(b.name)) }
  }

  /** A read counted by hand goes on the log of the drive that read it. @throws ParameterError */
  keep(driveId: string, input: CrossReadInput): LogEntry {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(input.id, drive.id)
    if (sent) return sent
    const disk = this.shelf.find(input.disk)
    if (!disk) throw new ParameterError('there is no such disk on the shelf', 'one that is', { field: 'disk' })
    if (familyOf(disk.mechanism) !== familyOf(drive.mechanism))
      throw new ParameterError(
        `${disk.name} does not go into ${drive.tag}`,
        `a disk for ${familyOf(drive.mechanism)} drives`,
        { field: 'disk' },
      )
    const names = new Set<string>()
    for (const [head, zone, good, sectors] of input.places) {
      const name = `${headName(head)}, ${zone}`
      if (names.has(name)) throw new ParameterError(`${name} is given twice`, 'each place once', { field: 'places' })
      names.add(name)
      if (good > sectors)
        throw new ParameterError(`${name}: ${good} of ${sectors} sectors cannot have read`, 'no more than were tried', {
          field: 'places',
        })
    }
    const [good, sectors] = [2, 3].map(i => input.places.reduce((n, p) => n + (p[i] as number), 0)) as [number, number]
    const places = [...input.places].sort((a, b) => a[0] - b[0] || ZONE_NAMES.indexOf(a[1]) - ZONE_NAMES.indexOf(b[1]))
    return this.drives.append({
      id: input.id,
      driveId,
      at: input.at,
      kind: 'measurement',
      station: 'prove',
      title: `${disk.name} read: ${good} of ${sectors} sectors`,
      detail: input.remark,
      call:
        good === sectors
          ? { kind: 'leave', reasons: [`All ${sectors} sectors that were tried read.`], next: 'Go on.' }
          : {
              kind: 'unknown',
              reasons: [`${sectors - good} of ${sectors} sectors failed.`],
              next: 'Once more; then ask who is to blame.',
            },
      observations: [
        {
          key: 'cross-read.failed',
          label: `${disk.name}: sectors that failed`,
          value: sectors - good,
          unit: '',
          how: `of ${sectors}, counted by hand`,
        },
      ],
      data: { type: 'cross-read', disk: disk.id, places },
      takesBack: null,
    })
  }
}
