import { Worker } from 'node:worker_threads'
import type { Imported } from '../../shared/archive'
import type { Db } from '../database/db'
import type { ThreadAnswer } from './answer-of'
import { sweepImports } from './archive'
import type { DataFolder } from './data-folder'
import { asThrown } from './thread-errors'

/** What a thread is told that reads an archive in. */
export interface ImportTask {
  readonly path: string
  readonly folder: DataFolder
  readonly now: string
}

/** Somebody wants to write, and has written. */
export type ToImport = 'wait' | 'go on'

/** What the thread sends: it waits between two transactions; the archive is read in; why it is not. */
export type FromImport = { readonly waits: true } | ThreadAnswer<Imported>

/**
 * Reads an archive in with a thread and a connection of its own: who reads never waits for it. Who writes says so
 * first, and the import waits between two of its transactions; a connection that finds the database taken would keep
 * everybody waiting.
 */
export class ImportThread {
  private worker: Worker | null = null
  private readonly wanting: (() => void)[] = []
  private stopped = false

  /** @param script path of the built worker script */
  constructor(
    private readonly script: string,
    private readonly folder: DataFolder,
    private readonly db: Db,
  ) {}

  /** @param path of the archive's file @throws InputError in one sentence, with nothing changed */
  async run(path: string, now: string): Promise<Imported> {
    const client = this.db.$client
    const pages = client.pragma('wal_autocheckpoint', { simple: true }) as number
    // The thread carries pages over; here everybody would wait for the disk.
    client.pragma('wal_autocheckpoint = 0')
    try {
      return await this.inThread({ path, folder: this.folder, now })
    } catch (error) {
      if (this.stopped) throw new Error('the database connection is not open any more', { cause: error })
      // A thread that ended before its time left what it had brought.
      await sweepImports(this.db, this.folder)
      throw error
    } finally {
      if (!this.stopped) client.pragma(`wal_autocheckpoint = ${pages}`)
    }
  }

  /** Runs what may write to the database, while an import waits. */
  async first<T>(run: () => T | Promise<T>): Promise<T> {
    const { worker } = this
    if (!worker) return run()
    const say = (message: ToImport) => worker.postMessage(message)
    const waits = new Promise<void>(resolve => this.wanting.push(resolve))
    say('wait')
    await waits
    try {
      return await run()
    } finally {
      say('go on')
    }
  }

  /** Ends what is under way: the database is about to be closed. What came is taken out at the next start. */
  async stop(): Promise<void> {
    this.stopped = true
    await this.worker?.terminate()
  }

  private inThread(task: ImportTask): Promise<Imported> {
    const worker = new Worker(this.script, { workerData: task })
    this.worker = worker
    return new Promise<Imported>((resolve, reject) => {
      worker.on('message', (message: FromImport) => {
        if ('waits' in message) this.wanting.shift()?.()
        else if ('answer' in message) resolve(message.answer)
        else reject(asThrown(message.error))
      })
      worker.once('error', reject)
      worker.once('exit', () => reject(new Error('the thread that reads archives ended')))
    }).finally(() => {
      this.worker = null
      for (const go of this.wanting.splice(0)) go()
      return worker.terminate()
    })
  }
}
