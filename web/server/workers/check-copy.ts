import { parentPort, workerData } from 'node:worker_threads'
import Database from 'better-sqlite3'
import { finishCopy } from '../services/finish-copy'

/** Looks through a copy of a database, which takes seconds where it is large. */
parentPort!.postMessage(finishCopy(new Database(String(workerData), { fileMustExist: true })))
