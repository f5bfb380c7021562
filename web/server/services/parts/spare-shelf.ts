import { asc, eq } from 'drizzle-orm'
import { ParameterError } from '@wobrin/core/base/errors'
import { findPart, readMeasures } from '@wobrin/core/parts'
import type { SpareInput } from '../../../shared/spares'
import { photos, spares } from '../../database/schema'
import type { Db } from '../../database/db'

export type SpareRow = typeof spares.$inferSelect

/** Parts on the shelf, and on their way to it. */
export class SpareShelf {
  /** Grows with every change, so that who keeps what was read knows that it is old. */
  changes = 0

  constructor(private readonly db: Db) {}

  list(): SpareRow[] {
    return this.db.select().from(spares).orderBy(asc(spares.name), asc(spares.id)).all()
  }

  /** A part as it is kept; null where there is none of this id. */
  find(id: string): SpareRow | null {
    return this.db.select().from(spares).where(eq(spares.id, id)).get() ?? null
  }

  /**
   * Keeps a part under the id that its sender made: a new one, or in place of what stood there.
   * @throws ParameterError where a measure cannot be, the photo is not kept here, or fewer pieces are kept than went
   * into drives
   */
  put(id: string, input: SpareInput, used: number, now: string): SpareRow {
    const { shape } = findPart(input.part)!
    if (!shape && Object.keys(input.measures).length)
      throw new ParameterError('nothing is measured of this part', 'no measures', { field: 'measures' })
    if (input.pieces < used)
      throw new ParameterError(`${used} of it went into drives already`, `at least ${used} pieces`, { field: 'pieces' })
    if (input.photo !== null && !this.db.select().from(photos).where(eq(photos.sha, input.photo)).get())
      throw new ParameterError('there is no such photo', 'one that was sent before', { field: 'photo' })
    const row = { ...input, measures: shape ? readMeasures(shape, input.measures) : {} }
    this.db
      .insert(spares)
      .values({ id, ...row, addedAt: now })
      .onConflictDoUpdate({ target: spares.id, set: row })
      .run()
    this.changes++
    return this.find(id)!
  }
}
