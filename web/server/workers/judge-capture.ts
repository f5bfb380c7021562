import { parentPort, workerData } from 'node:worker_threads'
import { judge, type AnyJudgeRequest } from '../services/judge-file'
import type { ThreadMessage } from '../services/judge-pool'
import { asSent } from '../services/thread-errors'

/** How often it is told how far the work has come, milliseconds. */
const TELL_EVERY_MS = 250

const send = (message: ThreadMessage) => parentPort!.postMessage(message)
let told = 0
const tell = (share: number) => {
  const now = Date.now()
  if (now - told < TELL_EVERY_MS) return
  told = now
  send({ share })
}

judge(workerData as AnyJudgeRequest, tell).then(
  answer => send({ answer }),
  error => send({ error: asSent(error) }),
)
