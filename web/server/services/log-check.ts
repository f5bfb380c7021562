import { Worker } from 'node:worker_threads'
import type { LogCheckState } from '../../shared/log-check'
import type { CheckedLog } from './check-log'

/** Follows every log along its chain in a thread, while the server answers; keeps what came of it. */
export class LogCheck {
  private now: LogCheckState
  private worker: Worker | null = null

  /**
   * @param script path of the built worker script @param database path of the database's file
   * @param lost what the start found missing
   */
  constructor(
    private readonly script: string,
    private readonly database: string,
    private readonly lost: readonly string[],
  ) {
    this.now = { running: false, at: null, drives: 0, entries: 0, problems: lost }
  }

  state(): LogCheckState {
    return this.now
  }

  /** Begins, unless it is under way. @returns once it is done */
  async run(now = () => new Date().toISOString()): Promise<LogCheckState> {
    if (this.worker) return this.now
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

  stop(): void {
    void this.worker?.terminate()
  }

  private inThread(): Promise<CheckedLog> {
    return new Promise<CheckedLog>((resolve, reject) => {
      this.worker = new Worker(this.script, { workerData: this.database })
      this.worker.once('message', resolve)
      this.worker.once('error', reject)
      this.worker.once('exit', () => reject(new Error('its thread ended')))
    }).finally(() => {
      this.worker = null
    })
  }
}
