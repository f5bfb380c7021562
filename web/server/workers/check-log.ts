import { parentPort, workerData } from 'node:worker_threads'
import Database from 'better-sqlite3'
import { checkLog } from '../services/check-log'

const db = new Database(String(workerData), { readonly: true, fileMustExist: true })
try {
  parentPort!.postMessage(checkLog(db))
} finally {
  db.close()
}
