import { setTimeout } from 'node:timers/promises'
import { parentPort, workerData } from 'node:worker_threads'
import { sendAnswer } from '../services/answer-of'
import { importArchive } from '../services/archive'
import type { FromImport, ImportTask, ToImport } from '../services/import-thread'
import { openBeside } from '../services/open-database'

/** Between two transactions: time for one who did not say that something is to be written, milliseconds. */
const PAUSE_MS = 5
/** Nobody is waited for longer, milliseconds: one may send a file over a slow line first. */
const MOST_WAIT_MS = 2000

const { path, folder, now } = workerData as ImportTask
/** How many want to write. */
let wanting = 0

parentPort!.on('message', (message: ToImport) => {
  wanting += message === 'wait' ? 1 : -1
  // Messages are read between two transactions.
  if (message === 'wait') parentPort!.postMessage({ waits: true } satisfies FromImport)
})

async function letOthersWrite(): Promise<void> {
  const begun = performance.now()
  do await setTimeout(PAUSE_MS)
  while (wanting > 0 && performance.now() - begun < MOST_WAIT_MS)
}

await sendAnswer(async () => {
  const db = openBeside(folder)
  try {
    return await importArchive(path, folder, db, now, letOthersWrite)
  } finally {
    db.$client.close()
  }
})
parentPort!.unref()
