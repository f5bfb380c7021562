import { parentPort, workerData } from 'node:worker_threads'
import { InputError } from '@wobrin/core/errors'
import { judgeFile, type JudgeRequest } from '../services/judge-file'

/** What the thread answers: the judgement, or an input error taken apart, since classes do not survive the way. */
judgeFile(workerData as JudgeRequest).then(
  answer => parentPort!.postMessage({ answer }),
  (error: Error) => parentPort!.postMessage(error instanceof InputError
    ? { input: { problem: error.problem, expected: error.expected, where: error.where } }
    : { failure: error.stack ?? String(error) }),
)
