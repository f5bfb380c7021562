import Database from 'better-sqlite3'
import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { StartProblem } from './start-problem'

/** What a server says of itself while it holds a data folder. */
export interface Holder {
  readonly address: string
  readonly process: number
  readonly since: string
}

const LOCK = '.server-lock.sqlite'
const HOLDER = '.server.json'

/**
 * One server for one data folder. The lock is the operating system's own, by way of an empty database that is kept
 * locked: it goes with the process however that ends, and no number of a process can be mistaken for another.
 * @returns lets go of it; whoever locks keeps it, since a lock that nothing refers to is cleared away
 * @throws StartProblem saying who holds it
 */
export function lockFolder(root: string, holder: Holder): () => void {
  const lock = new Database(join(root, LOCK), { timeout: 0 })
  try {
    lock.pragma('locking_mode = EXCLUSIVE')
    lock.exec('BEGIN EXCLUSIVE')
  } catch (error) {
    lock.close()
    if ((error as { code?: string }).code !== 'SQLITE_BUSY') throw error
    throw new StartProblem(`${heldBy(root)} Stop that one, or choose another folder with WOBRIN_DATA.`)
  }
  writeFileSync(join(root, HOLDER), `${JSON.stringify(holder)}\n`, { mode: 0o600 })
  return () => {
    rmSync(join(root, HOLDER), { force: true })
    lock.close()
  }
}

function heldBy(root: string): string {
  const holder = holderOf(root)
  if (!holder) return `The data folder ${root} is in use by another server.`
  const { address, process, since } = holder
  return `The data folder ${root} is in use by the server at ${address} (process ${process}, since ${since}).`
}

/** Who holds a folder, as it said itself; only where the lock is held does it hold it still. */
export function holderOf(root: string): Holder | null {
  try {
    return JSON.parse(readFileSync(join(root, HOLDER), 'utf8')) as Holder
  } catch {
    return null
  }
}
