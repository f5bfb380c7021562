import { asc, count, eq } from 'drizzle-orm'
import { LimitError } from '@wobrin/core/base/errors'
import { checkProfile } from '@wobrin/core/drives/hosts'
import { checkModelSheet } from '@wobrin/core/drives/models'
import type { KeptProfile } from '../../shared/profiles'
import { profiles } from '../database/schema'
import { NotFound } from './not-found'
import type { Db } from '../database/db'

/** So many profiles are a mistake of a script, not a workshop. */
const MOST = 500

/** Hosts, drives and models as people of this workshop described them. */
export class ProfileService {
  constructor(private readonly db: Db) {}

  list(): KeptProfile[] {
    return this.db.select().from(profiles).orderBy(asc(profiles.changedAt)).all()
  }

  /** Keeps a profile under an id: a new one, or in place of what stood there. @throws InputError where it is none */
  put(id: string, json: unknown, now: string): KeptProfile {
    const isSheet = (json as { format?: unknown } | null)?.format === 'wobrin-model-sheet'
    const profile = isSheet ? checkModelSheet(json) : checkProfile(json)
    const there = this.db.select().from(profiles).where(eq(profiles.id, id)).get()
    if (!there && this.db.select({ n: count() }).from(profiles).get()!.n >= MOST)
      throw new LimitError('there are too many profiles already', `at most ${MOST}`)
    this.db
      .insert(profiles)
      .values({ id, profile, changedAt: now })
      .onConflictDoUpdate({ target: profiles.id, set: { profile, changedAt: now } })
      .run()
    return this.db.select().from(profiles).where(eq(profiles.id, id)).get()!
  }

  find(id: string): KeptProfile | null {
    return this.db.select().from(profiles).where(eq(profiles.id, id)).get() ?? null
  }

  /** @throws NotFound */
  remove(id: string): void {
    if (this.db.delete(profiles).where(eq(profiles.id, id)).run().changes === 0)
      throw new NotFound('There is no such profile.')
  }
}
