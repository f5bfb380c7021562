import { parentPort, workerData } from 'node:worker_threads'
import { sendAnswer } from '../services/answer-of'
import { judge, type AnyJudgeRequest } from '../services/judge-file'
import type { ThreadMessage } from '../services/judge-pool'

/** How often it is told how far the work has come, milliseconds. */
const TELL_EVERY_MS = 250

let told = 0
const tell = (share: number) => {
  const now = Date.now()
  if (now - told < TELL_EVERY_MS) return
  told = now
  parentPort!.postMessage({ share } satisfies ThreadMessage)
}

await sendAnswer(() => judge(workerData as AnyJudgeRequest, tell))
