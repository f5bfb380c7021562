import { parentPort, workerData } from 'node:worker_threads'
import { InputError } from '@wobrin/core/base/errors'
import { judgeFile, judgeSurfaceFile, type JudgeRequest, type SurfaceRequest } from '../services/judge-file'

const request = workerData as JudgeRequest | SurfaceRequest

/** What the thread answers: the judgement, or an input error taken apart, since classes do not survive the way. */
const judged: Promise<unknown> = 'bus' in request ? judgeSurfaceFile(request) : judgeFile(request)
judged.then(
  answer => parentPort!.postMessage({ answer }),
  (error: Error) =>
    parentPort!.postMessage(
      error instanceof InputError
        ? { input: { problem: error.problem, expected: error.expected, where: error.where } }
        : { failure: error.stack ?? String(error) },
    ),
)
