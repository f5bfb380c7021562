import { Worker } from 'node:worker_threads'
import { InputError, type InputPlace } from '@wobrin/core/base/errors'
import type { JudgeAnswer, JudgeRequest, SurfaceAnswer, SurfaceRequest } from './judge-file'

interface Message {
  readonly answer?: JudgeAnswer & SurfaceAnswer
  readonly input?: { readonly problem: string; readonly expected: string; readonly where: InputPlace }
  readonly failure?: string
}

/**
 * Judges a recording in a thread of its own, so that a long one never holds up the server.
 * @param script path of the built worker script
 * @throws InputError as {@link judgeFile} does
 */
export function judgeInThread(script: string, request: JudgeRequest): Promise<JudgeAnswer>
export function judgeInThread(script: string, request: SurfaceRequest): Promise<SurfaceAnswer>
export function judgeInThread(
  script: string,
  request: JudgeRequest | SurfaceRequest,
): Promise<JudgeAnswer & SurfaceAnswer> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(script, { workerData: request, resourceLimits: { maxOldGenerationSizeMb: 1024 } })
    worker.once('message', ({ answer, input, failure }: Message) => {
      if (answer) resolve(answer)
      else if (input) reject(new InputError(input.problem, input.expected, input.where))
      else reject(new Error(failure))
    })
    worker.once('error', reject)
    worker.once('exit', code => reject(new Error(`the judging thread ended with code ${code}`)))
  })
}
