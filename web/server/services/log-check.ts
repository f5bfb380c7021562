import type { Worker } from 'node:worker_threads'
import type { LogCheckState } from '../../shared/log-check'
import { answerOf } from './answer-of'
import type { CheckedLog } from './check-log'

/** Follows every log along its chain in a thread, while the server answers; keeps what came of it. */
export class LogCheck {
  private now: LogCheckState
  private worker: Worker | null = null
  private running: Promise<LogCheckState> | null = null
  private next: Promise<LogCheckState> | null = null
  private stopped = false

  /**
   * @param script path of the built worker script @param database path of the database's file
   * @param lost what the start found missing
   */
  constructor(
    private readonly script: string,
    private readonly database: string,
    private readonly lost: readonly string[],
  ) {
    this.now = { running: false, at: null, drives: 0, entries: 0, erased: 0, problems: lost }
  }

  state(): LogCheckState {
    return this.now
  }

  /**
   * Checks all that is entered by now. Where a check is under way, which may have passed a log already, another one
   * follows it; all who ask meanwhile share that one.
   * @returns once it is done
   */
  run(now = () => new Date().toISOString()): Promise<LogCheckState> {
    if (!this.running) return this.begin(now)
    this.next ??= this.running.then(() => {
      this.next = null
      return this.begin(now)
    })
    return this.next
  }

  private begin(now: () => string): Promise<LogCheckState> {
    this.running = this.once(now).finally(() => {
      this.running = null
    })
    return this.running
  }

  private async once(now: () => string): Promise<LogCheckState> {
    if (this.stopped) return this.now
    this.now = { ...this.now, running: true }
    try {
      const found = await this.inThread()
      this.now = { ...found, problems: [...this.lost, ...found.problems], running: false, at: now() }
    } catch (error) {
      const says = `The log could not be checked: ${(error as Error).message}.`
      this.now = { ...this.now, problems: [...this.lost, says], running: false, at: now() }
    }
    return this.now
  }

  /** Ends what is under way and begins nothing more: the database is about to be closed. */
  stop(): void {
    this.stopped = true
    void this.worker?.terminate()
  }

  private inThread(): Promise<CheckedLog> {
    return answerOf<CheckedLog>(this.script, this.database, worker => {
      this.worker = worker
    }).finally(() => {
      this.worker = null
    })
  }
}
