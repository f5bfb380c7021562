import { parentPort, Worker } from 'node:worker_threads'
import { asSent, asThrown, type SentError } from './thread-errors'

/** What a thread that does one thing sends. */
export type ThreadAnswer<T> = { readonly answer: T } | { readonly error: SentError }

/**
 * What a thread that does one thing answers.
 * @param script path of the built worker script @param data what it works on
 * @param begun is given the thread, so that it can be ended
 * @throws where it fails, or ends without an answer
 */
export function answerOf<T>(script: string, data: unknown, begun: (worker: Worker) => void = () => {}): Promise<T> {
  return new Promise<T>((resolve, reject) => {
    const worker = new Worker(script, { workerData: data })
    begun(worker)
    worker.once('message', (message: ThreadAnswer<T>) =>
      'answer' in message ? resolve(message.answer) : reject(asThrown(message.error)),
    )
    worker.once('error', reject)
    worker.once('exit', () => reject(new Error('its thread ended')))
  })
}

/** In such a thread: sends what comes of its work, or why nothing does. */
export async function sendAnswer<T>(work: () => T | Promise<T>): Promise<void> {
  const send = (message: ThreadAnswer<T>) => parentPort!.postMessage(message)
  try {
    send({ answer: await work() })
  } catch (error) {
    send({ error: asSent(error) })
  }
}
