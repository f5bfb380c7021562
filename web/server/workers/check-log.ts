import { workerData } from 'node:worker_threads'
import Database from 'better-sqlite3'
import { sendAnswer } from '../services/answer-of'
import { checkLog } from '../services/check-log'

await sendAnswer(() => {
  const db = new Database(String(workerData), { readonly: true, fileMustExist: true })
  try {
    return checkLog(db)
  } finally {
    db.close()
  }
})
