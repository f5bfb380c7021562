import { readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { Backup, SecondState } from '../../shared/archive'
import { AUTOMATIC, isDue, superseded, type MadeBackup } from './backup-rotation'
import { copyDatabase, makeBackup, MAKING } from './copy-database'
import { doneElsewhere, dueElsewhere } from './contents-to-remove'
import { stampOf, type DataFolder } from './data-folder'
import { SecondPlace } from './second-place'
import { backupsIn } from './start'
import { logLine } from './server-log'
import { storageProblem } from './storage-problem'
import type { Db } from '../database/db'

/** Why a backup was made; the first part of its name. */
type Reason = 'daily' | 'before-import' | 'by-hand'

/** Copies of the database, made while it is in use. Recordings and photos are never changed, so they need none. */
export class BackupService {
  private second: SecondState | null = null
  private copying: Promise<void> = Promise.resolve()

  /**
   * @param place path of the second place; empty where there is none
   * @param copy copies the database to a path and says what is wrong with the copy; in a thread, where others are not
   *   to wait for it
   */
  constructor(
    private readonly folder: DataFolder,
    private readonly db: Pick<Db, '$client'>,
    private readonly place: () => string = () => '',
    private readonly copy = (to: string): Promise<string | null> => copyDatabase(db.$client, to),
  ) {}

  /** What came of the last copy to the second place, since the server started. */
  secondState(): SecondState | null {
    return this.second
  }

  list(): Backup[] {
    return backupsIn(this.folder)
  }

  /** Makes one, and looks whether it is sound before it gets its name. @throws Error where it is not */
  async make(now: string, reason: Reason = 'by-hand'): Promise<Backup> {
    const name = `${reason}-${stampOf(now)}.sqlite`
    const fault = await makeBackup(this.folder.backups, name, this.copy)
    if (fault) throw new Error(`The backup is not sound: ${fault}`)
    // An archive that waits to be read in does not wait for recordings to be copied.
    if (reason !== 'before-import') await this.toSecond(name, now)
    return this.list().find(b => b.name === name)!
  }

  /** A backup stands, whatever becomes of its copy; what went wrong there is said. */
  private toSecond(name: string, now: string): Promise<void> {
    // One at a time: each clears what it finds half made.
    this.copying = this.copying.then(() => this.copyToSecond(name, now))
    return this.copying
  }

  private async copyToSecond(name: string, now: string): Promise<void> {
    const path = this.place()
    if (!path) return
    try {
      const second = new SecondPlace(this.folder, path)
      second.remove(dueElsewhere(this.db.$client))
      doneElsewhere(this.db.$client)
      const { files } = await second.take(name)
      this.second = { at: now, files, problem: null }
    } catch (error) {
      const why = storageProblem(error) ?? (error as Error).message
      this.second = { at: now, files: 0, problem: `The backup was not copied to ${path}: ${why}` }
      logLine('error', this.second.problem!)
    }
  }

  /** Makes the one of the day, where it is due, and removes those that later ones have replaced. */
  async daily(now: string): Promise<Backup | null> {
    const due = isDue(
      this.made().filter(b => b.name.startsWith('daily-')),
      new Date(now),
    )
    const made = due ? await this.make(now, 'daily') : null
    this.rotate()
    return made
  }

  /** Removes what a server that was killed left half made. Before anything else runs. */
  sweep(): void {
    for (const name of readdirSync(this.folder.backups))
      if (name.startsWith(MAKING)) rmSync(join(this.folder.backups, name), { force: true })
  }

  private rotate(): void {
    for (const name of superseded(this.made())) rmSync(join(this.folder.backups, name), { force: true })
  }

  private made(): MadeBackup[] {
    return this.list()
      .filter(b => AUTOMATIC.test(b.name))
      .map(({ name, at }) => ({ name, at: new Date(at) }))
  }
}
