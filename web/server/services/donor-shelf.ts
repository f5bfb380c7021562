import { and, asc, inArray, isNotNull, sql } from 'drizzle-orm'
import { ParameterError } from '@wobrin/core/base/errors'
import type { LogEntry } from '@wobrin/core/log'
import type { Donor, PartUse } from '../../shared/parts'
import { logEntries } from '../database/schema'
import { arrived } from '../database/arrived'
import type { DriveService } from './drives'
import type { Db } from '../database/db'

const typeIs = (type: string) => sql`json_extract(${logEntries.data}, '$.type') = ${type}`

/**
 * What drives that were given up for parts still have. Where a part went is read from the logs of the drives that got
 * it.
 */
export class DonorShelf {
  constructor(
    private readonly db: Db,
    private readonly drives: DriveService,
  ) {}

  list(): Donor[] {
    const releases = this.db
      .select()
      .from(logEntries)
      .where(
        and(
          arrived(logEntries.driveId),
          typeIs('release'),
          sql`json_extract(${logEntries.data}, '$.outcome') = 'parts'`,
        ),
      )
      .orderBy(asc(logEntries.seq))
      .all()
    if (releases.length === 0) return []
    const used = this.db
      .select()
      .from(logEntries)
      .where(and(arrived(logEntries.driveId), typeIs('part-used')))
      .all()
    const gone = new Set(
      this.db
        .select({ id: logEntries.takesBack })
        .from(logEntries)
        .where(
          and(
            isNotNull(logEntries.takesBack),
            inArray(
              logEntries.takesBack,
              [...releases, ...used].map(e => e.id),
            ),
          ),
        )
        .all()
        .map(r => r.id),
    )
    const went = new Map(
      used.flatMap(e =>
        e.data?.type === 'part-used' && !gone.has(e.id)
          ? [[`${e.data.release} ${e.data.part}`, this.drives.get(e.driveId).tag] as const]
          : [],
      ),
    )
    return releases
      .flatMap((e): Donor[] => {
        if (gone.has(e.id) || e.data?.type !== 'release' || !e.data.parts?.length) return []
        const drive = this.drives.get(e.driveId)
        return [
          {
            driveId: drive.id,
            tag: drive.tag,
            mechanism: drive.mechanism,
            name: `${drive.maker} ${drive.model}`.trim(),
            release: e.id,
            at: e.at,
            remark: e.detail,
            parts: e.data.parts.map(p => ({ ...p, wentTo: went.get(`${e.id} ${p.id}`) ?? null })),
          },
        ]
      })
      .reverse()
  }

  /**
   * Puts a donor's part into a drive: on that drive's log.
   * @throws ParameterError where it is gone, or of the drive itself
   */
  use(driveId: string, { id, at, release, part: partId, remark }: PartUse): LogEntry {
    const drive = this.drives.get(driveId)
    const sent = this.drives.sent(id, drive.id)
    if (sent) return sent
    const donor = this.list().find(d => d.release === release)
    const part = donor?.parts.find(p => p.id === partId)
    if (!donor || !part)
      throw new ParameterError('there is no such part on the shelf', 'one that is', { field: 'part' })
    if (part.wentTo)
      throw new ParameterError(
        `the ${part.label.toLowerCase()} of ${donor.tag} is in ${part.wentTo} already`,
        'one that is still there',
        { field: 'part' },
      )
    if (donor.driveId === drive.id)
      throw new ParameterError('a drive is no donor of its own', 'another drive', { field: 'part' })
    return this.drives.append({
      id,
      driveId,
      at,
      kind: 'part-used',
      station: 'drive-train',
      title: `${part.label} of ${donor.tag} fitted`,
      detail: [part.state === 'not known' ? 'Nobody had tested it.' : `There: ${part.says}.`, remark]
        .filter(Boolean)
        .join(' '),
      call: null,
      observations: [],
      evidence: null,
      data: { type: 'part-used', release, part: partId, from: donor.tag },
      takesBack: null,
    })
  }
}
