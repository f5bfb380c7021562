import { Worker } from 'node:worker_threads'

/**
 * What the thread does. It stands here as text, so that nothing has to lie beside the bundled command; the rooms are
 * shared, so that no byte is copied.
 */
const SCRIPT = `
const { createHash } = require('node:crypto')
const { parentPort, workerData } = require('node:worker_threads')
const hash = createHash('sha256')
parentPort.on('message', piece => {
  if (piece === null) return parentPort.postMessage(hash.digest('hex'))
  hash.update(workerData[piece.room].subarray(0, piece.bytes))
  parentPort.postMessage(null)
})`

/** SHA-256 of pieces that lie in shared rooms, taken in a thread of its own while somebody else looks at them. */
export class HashBeside {
  private readonly thread: Worker
  private given = 0
  private done = 0
  private sha256: string | null = null
  private failure: Error | null = null
  private heard: () => void = () => undefined

  /** @param rooms bytes in shared memory */
  constructor(rooms: readonly Uint8Array[]) {
    this.thread = new Worker(SCRIPT, { eval: true, workerData: rooms })
    this.thread.on('message', (sha256: string | null) => {
      if (sha256 === null) this.done++
      else this.sha256 = sha256
      this.heard()
    })
    this.thread.on('error', error => {
      this.failure = error
      this.heard()
    })
  }

  /** The next piece; its room must stay as it is until {@link behind} says so. */
  take(room: number, bytes: number): void {
    this.given++
    this.thread.postMessage({ room, bytes })
  }

  /** Waits until at most so many of the pieces given are still to be looked at. */
  async behind(pieces: number): Promise<void> {
    await this.until(() => this.given - this.done <= pieces)
  }

  /** SHA-256 of all pieces, in hexadecimal digits. */
  async digest(): Promise<string> {
    this.thread.postMessage(null)
    await this.until(() => this.sha256 !== null)
    return this.sha256!
  }

  async end(): Promise<void> {
    await this.thread.terminate()
  }

  private async until(reached: () => boolean): Promise<void> {
    while (!reached()) {
      if (this.failure) throw this.failure
      await new Promise<void>(resolve => {
        this.heard = resolve
      })
    }
  }
}
