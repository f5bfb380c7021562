import type { Stop } from './in-worker'

/** One thing at a time is done in a worker, and can be stopped from outside. */
class Stopping {
  private now: Stop = { aborted: false }

  /** A new thing begins; what was under way before is not stopped by it. */
  begin(): Stop {
    this.now = { aborted: false }
    return this.now
  }

  stop(): void {
    this.now.aborted = true
  }
}

export const stopping = new Stopping()
