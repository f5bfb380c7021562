import { parentPort, workerData } from 'node:worker_threads'
import { writeArchive } from '../services/archive'
import type { ExportTask, FromExport } from '../services/export-thread'
import { asSent } from '../services/thread-errors'

const { folder, madeAt, drive, withPhotos } = workerData as ExportTask

/** Takes a piece off this thread's hands, as fast as the other side wants it. */
const written = (piece: Uint8Array) =>
  new Promise<void>((resolve, reject) => {
    process.stdout.write(piece, error => (error ? reject(error) : resolve()))
  })

const send = (message: FromExport) => parentPort!.postMessage(message)

try {
  const { stream, missing } = await writeArchive(folder, madeAt, drive, withPhotos)
  send({ missing })
  for await (const piece of stream) await written(piece as Uint8Array)
  send({ done: true })
} catch (error) {
  send({ error: asSent(error) })
}
