import type { LogEntry } from '@wobrin/core/log'

/** What is sent: the fields of the entry with the id and the time that it keeps. */
export type PostedEntry = Readonly<Record<string, unknown>> & { readonly id: string; readonly at: string }

/** A second tap on the same tile within this time is the same tap, milliseconds. */
export const DOUBLE_TAP_MS = 2000

/** Who sends long work wants to follow it, and may cancel it. */
export interface Followed {
  /** Is told under which id it is sent. */
  readonly onId?: (id: string) => void
  readonly signal?: AbortSignal
}

interface Outside {
  /** Sends a body to a path; rejects where it is refused or no answer comes. */
  readonly send: (path: string, body: PostedEntry, signal?: AbortSignal) => Promise<LogEntry>
  /** Whether a failure was an answer: what was refused is not lost. */
  readonly refused: (error: unknown) => boolean
  readonly now: () => number
  readonly newId: () => string
}

/**
 * One way to put an entry on a log. Its id is made once and kept while no answer comes, so that sending again, by
 * itself or by a person, adds nothing twice; a second click while the first is under way, or within two seconds of
 * it, is the same entry.
 */
export class LogPoster {
  private readonly unsent = new Map<string, PostedEntry>()
  private readonly pending = new Map<string, Promise<LogEntry>>()
  /** The last entry that was kept on each path, and what it said. */
  private readonly last = new Map<string, { readonly said: string; readonly atMs: number; readonly entry: LogEntry }>()

  constructor(private readonly outside: Outside) {}

  /**
   * @param path where it goes, which names the drive
   * @param fields what it says, without id and time
   * @returns the entry as it was kept; the same one for the same words sent twice
   */
  async post(path: string, fields: Readonly<Record<string, unknown>>, followed: Followed = {}): Promise<LogEntry> {
    const said = JSON.stringify(fields)
    const key = `${path} ${said}`
    const before = this.last.get(path)
    if (before?.said === said && this.outside.now() - before.atMs < DOUBLE_TAP_MS) return before.entry
    const there = this.pending.get(key)
    if (there) return there
    const sending = this.send(path, key, fields, followed).then(entry => {
      this.last.set(path, { said, atMs: this.outside.now(), entry })
      return entry
    })
    this.pending.set(key, sending)
    try {
      return await sending
    } finally {
      this.pending.delete(key)
    }
  }

  private async send(
    path: string,
    key: string,
    fields: Readonly<Record<string, unknown>>,
    followed: Followed,
  ): Promise<LogEntry> {
    const { newId, now, refused, send } = this.outside
    const body = this.unsent.get(key) ?? { id: newId(), at: new Date(now()).toISOString(), ...fields }
    this.unsent.set(key, body)
    followed.onId?.(body.id)
    try {
      const entry = await send(path, body, followed.signal)
      this.unsent.delete(key)
      return entry
    } catch (error) {
      if (refused(error)) this.unsent.delete(key)
      throw error
    }
  }
}
