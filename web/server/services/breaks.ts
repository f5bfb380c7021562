import { setImmediate } from 'node:timers/promises'

/** Others wait no longer than about this for a piece of long work, milliseconds. */
export const SLICE_MS = 25

/** Breaks in a long piece of work, in which others are let in. */
export class Breaks {
  private begun = performance.now()

  /** A break where others have waited for a slice; nothing at once where they have not. */
  async whereDue(): Promise<void> {
    if (performance.now() - this.begun < SLICE_MS) return
    await setImmediate()
    this.begun = performance.now()
  }
}
