import { randomUUID } from 'node:crypto'
import { open, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { InputError, LimitError, ParameterError } from '@wobrin/core/base/errors'
import type { Imported } from '../../shared/archive'
import { importArchive, writeArchive, type WrittenArchive } from './archive'
import type { BackupService } from './backups'
import type { DataFolder } from './data-folder'
import type { DriveService } from './drives'
import type { EraseService } from './erasing'
import type { ExportTask } from './export-thread'
import type { Db } from '../database/db'

/** Largest archive that is taken, bytes as sent. */
export const MAX_ARCHIVE_BYTES = 8 * 1024 ** 3

/** An archive on its way out, with a name for its file. */
export interface Exported extends WrittenArchive {
  readonly name: string
}

/** What reads an archive in and writes one. */
export interface ArchiveWork {
  /** @param path of the archive's file */
  readonly read: (path: string, now: string) => Promise<Imported>
  readonly write: (task: ExportTask) => Promise<WrittenArchive>
}

/** The workshop out and in again, as one file. */
export class ArchiveService {
  private reading = false

  /** @param by reads and writes archives; where nothing is said, this thread */
  constructor(
    private readonly folder: DataFolder,
    db: Db,
    private readonly drives: DriveService,
    private readonly backups: Pick<BackupService, 'make'>,
    private readonly erasing: Pick<EraseService, 'finish'>,
    private readonly by: ArchiveWork = {
      read: (path, now) => importArchive(path, folder, db, now),
      write: ({ madeAt, drive, withPhotos }) => writeArchive(folder, madeAt, drive, withPhotos),
    },
  ) {}

  async export(madeAt: string, driveId?: string, withPhotos = true): Promise<Exported> {
    const drive = driveId ? this.drives.get(driveId) : null
    return {
      name: `${drive ? drive.tag : 'workshop'}-${madeAt.slice(0, 10)}.zip`,
      ...(await this.by.write({ folder: this.folder, madeAt, drive, withPhotos })),
    }
  }

  /**
   * Takes an archive in as it arrives, then reads it; one at a time.
   * @throws InputError in one sentence, with nothing changed
   */
  async import(chunks: AsyncIterable<Uint8Array>, expected?: number): Promise<Imported> {
    if (expected !== undefined && expected > MAX_ARCHIVE_BYTES) throw tooLarge()
    if (this.reading)
      throw new ParameterError('another archive is being read in', 'one at a time; try again in a while')
    this.reading = true
    const path = join(this.folder.root, `.incoming-${randomUUID()}.zip`)
    try {
      const file = await open(path, 'wx')
      let bytes = 0
      try {
        for await (const chunk of chunks) {
          bytes += chunk.length
          if (bytes > MAX_ARCHIVE_BYTES) throw tooLarge()
          await file.write(chunk)
        }
      } finally {
        await file.close()
      }
      if (expected !== undefined && bytes < expected)
        throw new InputError(`the archive was cut off after ${bytes} of ${expected} bytes`, 'all of it; send it again')
      const now = new Date().toISOString()
      await this.backups.make(now, 'before-import')
      const imported = await this.by.read(path, now)
      this.drives.logsChanged()
      // What was erased where the archive was made is erased here as well.
      await this.erasing.finish()
      return imported
    } finally {
      await rm(path, { force: true })
      this.reading = false
    }
  }
}

const tooLarge = () =>
  new LimitError('the archive is larger than is taken', `at most ${MAX_ARCHIVE_BYTES / 1024 ** 3} GB`)
