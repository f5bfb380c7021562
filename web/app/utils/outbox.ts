import type { LogEntry } from '@wobrin/core/log'
import type { PostedEntry } from './log-poster'

/** Something that waits to be sent: an entry, with the photo that it shows where it has one. */
export interface Waiting {
  readonly path: string
  readonly body: PostedEntry
  /** Sent first; the entry names it by its hash. */
  readonly photo?: { readonly blob: Blob; readonly name: string }
  /** Why the server refused it; it stays until a person lets it go. */
  readonly refused?: string
}

export interface OutboxOutside {
  /** Where what waits outlives the page. */
  readonly keep: (waiting: readonly Waiting[]) => Promise<void>
  readonly kept: () => Promise<readonly Waiting[]>
  readonly send: (path: string, body: PostedEntry) => Promise<LogEntry>
  /** @returns the photo's SHA-256 */
  readonly sendPhoto: (blob: Blob, name: string) => Promise<string>
  /** Why it was refused, in a sentence; null where no answer came. */
  readonly refusal: (error: unknown) => string | null
  readonly pause: (ms: number) => Promise<void>
  /** Is told whenever what waits changes. */
  readonly changed: (waiting: readonly Waiting[], trying: boolean) => void
}

interface Answer {
  readonly resolve: (entry: LogEntry) => void
  readonly reject: (error: unknown) => void
}

/** Pauses between tries while no answer comes, ms. */
const PAUSES = [500, 1000, 2000, 4000, 8000]

/**
 * Entries that wait for a connection. They are kept where they outlive the page and go one after the other, in the
 * order in which they were said; an entry has its id from the beginning, so that one whose answer went lost adds
 * nothing twice.
 */
export class Outbox {
  private waiting: Waiting[] = []
  private readonly answers = new Map<string, Answer>()
  private running: Promise<void> | null = null
  private wake: (() => void) | null = null

  constructor(private readonly outside: OutboxOutside) {}

  /** Takes up what an earlier page left. */
  async begin(): Promise<void> {
    const before = await this.outside.kept()
    const own = new Set(this.waiting.map(w => w.body.id))
    this.waiting = [...before.filter(w => !own.has(w.body.id)), ...this.waiting]
    this.tell()
    this.run()
  }

  /** Keeps an entry and sends it when it can. @returns the entry once the server has it; rejects where it refuses */
  async deliver(path: string, body: PostedEntry, photo?: Waiting['photo']): Promise<LogEntry> {
    const answered = new Promise<LogEntry>((resolve, reject) => this.answers.set(body.id, { resolve, reject }))
    if (!this.waiting.some(w => w.body.id === body.id))
      this.waiting = [...this.waiting, photo ? { path, body, photo } : { path, body }]
    await this.store()
    this.run()
    return answered
  }

  /** Tries at once: the connection is there again. */
  retry(): void {
    this.wake?.()
    this.run()
  }

  /** Lets go of an entry that was refused. */
  async drop(id: string): Promise<void> {
    this.waiting = this.waiting.filter(w => w.body.id !== id || w.refused === undefined)
    await this.store()
  }

  private run(): void {
    this.running ??= this.sendAll().finally(() => {
      this.running = null
    })
  }

  private async sendAll(): Promise<void> {
    for (let failed = 0; ;) {
      const next = this.waiting.find(w => w.refused === undefined)
      if (!next) return
      try {
        const entry = await this.sendOne(next)
        failed = 0
        this.waiting = this.waiting.filter(w => w.body.id !== next.body.id)
        await this.store()
        this.answers.get(next.body.id)?.resolve(entry)
        this.answers.delete(next.body.id)
      } catch (error) {
        const refused = this.outside.refusal(error)
        if (refused === null) {
          await this.rest(PAUSES[Math.min(failed++, PAUSES.length - 1)]!)
          continue
        }
        this.waiting = this.waiting.map(w => (w.body.id === next.body.id ? { ...w, refused } : w))
        await this.store()
        this.answers.get(next.body.id)?.reject(error)
        this.answers.delete(next.body.id)
      }
    }
  }

  private async sendOne({ path, body, photo }: Waiting): Promise<LogEntry> {
    const sha = photo && (await this.outside.sendPhoto(photo.blob, photo.name))
    return this.outside.send(path, sha ? { ...body, photo: sha } : body)
  }

  private rest(ms: number): Promise<void> {
    return Promise.race([
      this.outside.pause(ms),
      new Promise<void>(resolve => {
        this.wake = resolve
      }),
    ])
  }

  private async store(): Promise<void> {
    this.tell()
    await this.outside.keep(this.waiting)
  }

  private tell(): void {
    this.outside.changed(
      this.waiting,
      this.waiting.some(w => w.refused === undefined),
    )
  }
}
