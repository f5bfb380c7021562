import { createHash, randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import { open, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { count, eq, sum } from 'drizzle-orm'
import { InputError, LimitError } from '@wobrin/core/base/errors'
import { captures } from '../database/schema'
import type { Db } from '../database/db'
import { contentPath } from './data-folder'

/** Largest recording that is kept, bytes as sent. */
export const MAX_CAPTURE_BYTES = 1024 ** 3

export interface KeptCapture {
  readonly sha: string
  readonly name: string
  readonly bytes: number
}

/** Recordings by content: written under a temporary name, flushed, then renamed to their SHA-256. */
export class CaptureStore {
  constructor(
    private readonly folder: string,
    private readonly db: Db,
  ) {}

  path(sha: string): string {
    return contentPath(this.folder, sha)
  }

  /**
   * Keeps a recording. The same content twice is kept once, under its first name.
   * @throws LimitError beyond {@link MAX_CAPTURE_BYTES}; nothing of it stays
   */
  async keep(name: string, chunks: AsyncIterable<Uint8Array>): Promise<KeptCapture> {
    const temporary = join(this.folder, `.incoming-${randomUUID()}`)
    const hash = createHash('sha256')
    let bytes = 0
    const file = await open(temporary, 'wx')
    try {
      for await (const chunk of chunks) {
        bytes += chunk.length
        if (bytes > MAX_CAPTURE_BYTES)
          throw new LimitError(
            'the recording is larger than is kept',
            `at most ${MAX_CAPTURE_BYTES / 1024 ** 2} MB; pack it with gzip`,
            { file: name },
          )
        hash.update(chunk)
        await file.write(chunk)
      }
      await file.sync()
    } catch (error) {
      await file.close()
      await rm(temporary, { force: true })
      throw error
    }
    await file.close()
    if (bytes === 0) {
      await rm(temporary, { force: true })
      throw new InputError('the recording is empty', 'a VCD, CSV or WAV recording', { file: name })
    }
    const sha = hash.digest('hex')
    if (existsSync(this.path(sha))) await rm(temporary, { force: true })
    else await rename(temporary, this.path(sha))
    this.db.insert(captures).values({ sha, name, bytes, keptAt: new Date().toISOString() }).onConflictDoNothing().run()
    return this.find(sha)
  }

  count(): { recordings: number; recordingBytes: number } {
    const { n, bytes } = this.db
      .select({ n: count(), bytes: sum(captures.bytes).mapWith(Number) })
      .from(captures)
      .get()!
    return { recordings: n, recordingBytes: bytes ?? 0 }
  }

  /** @throws InputError where there is no such recording */
  find(sha: string): KeptCapture {
    const row = this.db.select().from(captures).where(eq(captures.sha, sha)).get()
    if (!row)
      throw new InputError('there is no such recording', 'the SHA-256 of one that was kept', { field: 'captureSha' })
    return row
  }
}
