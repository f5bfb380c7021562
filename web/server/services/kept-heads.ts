import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { inArray } from 'drizzle-orm'
import type { ChainHead } from '@wobrin/core/log'
import { logHeads } from '../database/schema'
import type { Db } from '../database/db'

/** One line: where the chain of a drive ended. The one that counts most entries holds. */
interface Line extends ChainHead {
  readonly drive: string
}

export const HEADS_FILE = 'log-heads.jsonl'

/**
 * Where the chain of each drive ends, in a file beside the database: it tells when the database was put back to an
 * earlier state, or lost what it had acknowledged.
 */
export class KeptHeads {
  private file: number | null = null

  constructor(private readonly root: string) {}

  /** The furthest that each log has come. Lines that a crash cut off are left out. */
  read(): Map<string, ChainHead> {
    const path = join(this.root, HEADS_FILE)
    const heads = new Map<string, ChainHead>()
    if (!existsSync(path)) return heads
    for (const text of readFileSync(path, 'utf8').split('\n')) {
      const line = asLine(text)
      if (line && line.entries >= (heads.get(line.drive)?.entries ?? 0))
        heads.set(line.drive, { entries: line.entries, hash: line.hash })
    }
    return heads
  }

  /** Writes anew what the database holds, so that the file does not grow for ever. */
  renew(db: Pick<Db, 'select'>): void {
    this.close()
    const path = join(this.root, HEADS_FILE)
    const file = openSync(`${path}.new`, 'w', 0o600)
    writeSync(file, db.select().from(logHeads).all().map(asText).join(''))
    fsyncSync(file)
    closeSync(file)
    renameSync(`${path}.new`, path)
  }

  /** Adds where the chains of these drives end now. The database has it already: the file is never ahead of it. */
  keep(db: Pick<Db, 'select'>, drives: ReadonlySet<string>): void {
    if (drives.size === 0) return
    this.file ??= openSync(join(this.root, HEADS_FILE), 'a', 0o600)
    const heads = db
      .select()
      .from(logHeads)
      .where(inArray(logHeads.driveId, [...drives]))
      .all()
    writeSync(this.file, heads.map(asText).join(''))
  }

  close(): void {
    if (this.file !== null) closeSync(this.file)
    this.file = null
  }
}

const asText = ({ driveId, entries, hash }: typeof logHeads.$inferSelect) =>
  `${JSON.stringify({ drive: driveId, entries, hash } satisfies Line)}\n`

function asLine(text: string): Line | null {
  try {
    const line = JSON.parse(text) as Partial<Line> | null
    const right = typeof line?.drive === 'string' && typeof line.entries === 'number' && typeof line.hash === 'string'
    return right ? (line as Line) : null
  } catch {
    return null
  }
}
