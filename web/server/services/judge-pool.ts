import { Worker } from 'node:worker_threads'
import PQueue from 'p-queue'
import { LimitError } from '@wobrin/core/base/errors'
import type { Sensed } from '@wobrin/core/instruments/sensed'
import type {
  AnyJudgeAnswer,
  AnyJudgeRequest,
  JudgeAnswer,
  JudgeRequest,
  SensedRequest,
  SimulatedRequest,
  SurfaceAnswer,
  SurfaceRequest,
} from './judge-file'
import type { ThreadAnswer } from './answer-of'
import { asThrown } from './thread-errors'

/** What a thread sends: how far it has come, then an answer or why there is none. */
export type ThreadMessage = { readonly share: number } | ThreadAnswer<AnyJudgeAnswer>

/** The asker has gone: nobody waits for the answer. */
export class AskerLeft extends Error {
  override readonly name = 'AskerLeft'
}

/** More is asked than this machine does in a while. */
export class TooBusy extends Error {
  override readonly name = 'TooBusy'
}

/** Where a judgement stands: so many before it, or how far it has come. */
export interface Standing {
  readonly before: number
  /** Share of the recording that was read, 0 to 1. */
  readonly share: number
}

export interface PoolLimits {
  /** Recordings judged at once. */
  readonly threads: number
  /** The longest that one may take once it began, milliseconds. */
  readonly deadlineMs: number
  /** How many may wait. */
  readonly mostWaiting: number
}

interface Job {
  readonly id: string
  begun: boolean
  share: number
}

export interface AskedBy {
  /** The name by which its standing can be asked for. */
  readonly id?: string
  /** Ends it: where it waits it never begins, where it runs its thread is ended. */
  readonly signal?: AbortSignal
}

/**
 * Judges recordings in threads, a few at a time in the order in which they came, each with a heap and a deadline of its
 * own: a recording that never ends or fills its memory costs nobody else anything.
 */
export class JudgePool {
  private readonly queue: PQueue
  private readonly jobs: Job[] = []

  /** @param script path of the built worker script */
  constructor(
    private readonly script: string,
    private readonly limits: PoolLimits,
  ) {
    this.queue = new PQueue({ concurrency: limits.threads })
  }

  run(request: JudgeRequest, by?: AskedBy): Promise<JudgeAnswer>
  run(request: SurfaceRequest | SimulatedRequest, by?: AskedBy): Promise<SurfaceAnswer>
  run(request: SensedRequest, by?: AskedBy): Promise<Sensed>
  /**
   * @throws InputError where the recording cannot be used or takes longer than the deadline; TooBusy where too many
   *   wait; AskerLeft where the signal says so
   */
  async run(request: AnyJudgeRequest, { id = '', signal }: AskedBy = {}): Promise<AnyJudgeAnswer> {
    if (this.queue.size >= this.limits.mostWaiting)
      throw new TooBusy(`${this.queue.size} recordings wait to be judged. Send it again in a while.`)
    if (signal?.aborted) throw new AskerLeft()
    const job: Job = { id, begun: false, share: 0 }
    this.jobs.push(job)
    try {
      return await new Promise<AnyJudgeAnswer>((resolve, reject) => {
        // One that waits leaves at once; one that runs is ended by its thread.
        signal?.addEventListener('abort', () => reject(new AskerLeft()), { once: true })
        this.queue
          .add(async () => {
            if (signal?.aborted) return
            job.begun = true
            resolve(await this.inThread(request, job, signal))
          })
          .catch(reject)
      })
    } finally {
      this.jobs.splice(this.jobs.indexOf(job), 1)
    }
  }

  /** Where a judgement stands; null where it is not under way. */
  standing(id: string): Standing | null {
    const at = this.jobs.findIndex(j => j.id === id && id !== '')
    const job = this.jobs[at]
    if (!job) return null
    return { before: job.begun ? 0 : this.jobs.slice(0, at).filter(j => !j.begun).length + 1, share: job.share }
  }

  private inThread(request: object, job: Job, signal?: AbortSignal): Promise<AnyJudgeAnswer> {
    return new Promise((resolve, reject) => {
      const worker = new Worker(this.script, { workerData: request, resourceLimits: { maxOldGenerationSizeMb: 1024 } })
      const { deadlineMs } = this.limits
      let ended = false
      const end = (settle: () => void) => {
        // Ending the thread makes it say that it ended.
        if (ended) return
        ended = true
        clearTimeout(deadline)
        signal?.removeEventListener('abort', left)
        // The place in the queue is free only once the thread has ended.
        void worker.terminate().then(settle, settle)
      }
      const left = () => end(() => reject(new AskerLeft()))
      const deadline = setTimeout(() => end(() => reject(overdue(deadlineMs))), deadlineMs)
      signal?.addEventListener('abort', left, { once: true })
      worker.on('message', (message: ThreadMessage) => {
        if ('share' in message) job.share = message.share
        else if ('answer' in message) end(() => resolve(message.answer))
        else end(() => reject(asThrown(message.error)))
      })
      worker.once('error', error => end(() => reject(outOfMemory(error) ?? error)))
      worker.once('exit', code => end(() => reject(new Error(`the judging thread ended with code ${code}`))))
    })
  }
}

const overdue = (ms: number) =>
  new LimitError(
    `the recording was not judged within ${Math.round(ms / 1000)} s`,
    'a shorter recording, or one with fewer edges',
    { field: 'captureSha' },
  )

const outOfMemory = (error: unknown) =>
  (error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY'
    ? new LimitError('the recording needs more memory than is given to one', 'a shorter recording, or fewer channels', {
        field: 'captureSha',
      })
    : null
