import type { DriveNews } from '../../shared/live'

type Listener = (news: DriveNews) => void
type Ended = () => void

/** Who wants to hear of a drive, and what is told them. Nothing is kept. */
export class NewsHub {
  private readonly listeners = new Map<string, Map<Listener, Ended>>()

  /**
   * @param onEnd called where the server ends: a connection that stays open would hold it back
   * @returns ends listening
   */
  listen(driveId: string, listener: Listener, onEnd: Ended = () => {}): () => void {
    const own = this.listeners.get(driveId) ?? new Map<Listener, Ended>()
    this.listeners.set(driveId, own.set(listener, onEnd))
    return () => {
      own.delete(listener)
      if (own.size === 0) this.listeners.delete(driveId)
    }
  }

  /** Ends all connections, as the server stops. */
  end(): void {
    for (const own of [...this.listeners.values()]) for (const onEnd of [...own.values()]) onEnd()
  }

  tell(driveId: string, news: DriveNews): void {
    for (const listener of this.listeners.get(driveId)?.keys() ?? []) listener(news)
  }

  /**
   * Tells that a log grows, once what is being written stands. Transactions run to their end without a pause, so it
   * stands when the next task runs; one that is rolled back costs a look at a log that did not change.
   */
  logGrows(driveId: string): void {
    if (this.growing.has(driveId)) return
    this.growing.add(driveId)
    setImmediate(() => {
      this.growing.delete(driveId)
      this.tell(driveId, { kind: 'log' })
    })
  }
  private readonly growing = new Set<string>()
}

/** The hub of this server: logs are written from many places, and each tells it. */
export const driveNews = new NewsHub()
