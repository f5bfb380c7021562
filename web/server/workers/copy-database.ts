import { parentPort, workerData } from 'node:worker_threads'
import Database from 'better-sqlite3'
import { copyDatabase } from '../services/copy-database'
import { asSent } from '../services/thread-errors'

/** Copies a database and looks through the copy, which takes seconds where it is large. */
const { from, to } = workerData as { readonly from: string; readonly to: string }
const db = new Database(from, { readonly: true, fileMustExist: true })
try {
  parentPort!.postMessage({ answer: await copyDatabase(db, to) })
} catch (error) {
  parentPort!.postMessage({ error: asSent(error) })
} finally {
  db.close()
}
