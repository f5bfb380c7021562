import { Readable } from 'node:stream'
import { Worker } from 'node:worker_threads'
import type { MissingFile } from '../../shared/archive'
import type { WrittenArchive } from './archive'
import type { DataFolder } from './data-folder'
import { asThrown, type SentError } from './thread-errors'

/** What a thread is told that writes an archive. */
export interface ExportTask {
  readonly folder: DataFolder
  readonly madeAt: string
  /** One drive alone; null for the whole workshop. */
  readonly drive: { readonly id: string; readonly tag: string } | null
  readonly withPhotos: boolean
}

/** What the thread sends: what cannot come along; all of the archive is written; why it is not. */
export type FromExport =
  { readonly missing: readonly MissingFile[] } | { readonly done: true } | { readonly error: SentError }

/**
 * Writes an archive in a thread: its standard output is the archive, written as fast as it is read. The thread ends
 * with the stream, or with whoever no longer wants it.
 * @param script path of the built worker script
 */
export function exportInThread(script: string, task: ExportTask): Promise<WrittenArchive> {
  const worker = new Worker(script, { workerData: task, stdout: true })
  /** Kept once all is written: the output of a thread that died ends like any other. */
  const written = new Promise<void>((resolve, reject) => {
    worker.on('message', (message: FromExport) => {
      if ('done' in message) resolve()
      if ('error' in message) reject(asThrown(message.error))
    })
    worker.once('error', reject)
    worker.once('exit', () => reject(new Error('the thread that writes the archive ended')))
  })
  async function* whole() {
    yield* worker.stdout
    await written
  }
  return new Promise((resolve, reject) => {
    written.catch(reject)
    worker.on('message', (message: FromExport) => {
      if (!('missing' in message)) return
      const stream = Readable.from(whole(), { objectMode: false })
      stream.once('close', () => void worker.terminate())
      resolve({ stream, missing: message.missing })
    })
  })
}
