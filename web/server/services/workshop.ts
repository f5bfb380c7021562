import { eq } from 'drizzle-orm'
import { workshopSchema, type WorkshopSettings } from '../../shared/workshop'
import { defaultWorkshop } from '../../shared/workshop-defaults'
import { workshop } from '../database/schema'
import type { Db } from '../database/db'

/** The workshop's settings: one row; what an older version did not know gets its default. */
export class WorkshopService {
  constructor(private readonly db: Db) {}

  get(): WorkshopSettings {
    const row = this.db.select().from(workshop).where(eq(workshop.id, 1)).get()
    if (!row) return defaultWorkshop()
    return workshopSchema.cast({ ...defaultWorkshop(), ...row.settings }, { stripUnknown: true }) as WorkshopSettings
  }

  put(settings: WorkshopSettings): WorkshopSettings {
    this.db
      .insert(workshop)
      .values({ id: 1, settings })
      .onConflictDoUpdate({ target: workshop.id, set: { settings } })
      .run()
    return this.get()
  }
}
