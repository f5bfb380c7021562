import { workerData } from 'node:worker_threads'
import Database from 'better-sqlite3'
import { sendAnswer } from '../services/answer-of'
import { copyDatabase } from '../services/copy-database'

/** Copies a database and looks through the copy, which takes seconds where it is large. */
const { from, to } = workerData as { readonly from: string; readonly to: string }

await sendAnswer(async () => {
  const db = new Database(from, { readonly: true, fileMustExist: true })
  try {
    return await copyDatabase(db, to)
  } finally {
    db.close()
  }
})
