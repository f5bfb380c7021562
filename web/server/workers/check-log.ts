import { parentPort, workerData } from 'node:worker_threads'
import Database from 'better-sqlite3'
import { checkLog } from '../services/check-log'
import { asSent } from '../services/thread-errors'

const db = new Database(String(workerData), { readonly: true, fileMustExist: true })
try {
  parentPort!.postMessage({ answer: checkLog(db) })
} catch (error) {
  parentPort!.postMessage({ error: asSent(error) })
} finally {
  db.close()
}
