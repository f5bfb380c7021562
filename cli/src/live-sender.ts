import { randomUUID } from 'node:crypto'
import { InputError } from '@wobrin/core/base/errors'
import type { LiveSpeed } from '@wobrin/core/instruments/spindle'
import { vcdChunks, type Capture } from '@wobrin/core/signals/captures'
import type { RunningServer } from './running-server'

/** Pulses of one message: what the server takes at once. */
const MOST_PULSES = 8000

/** What is sent of a stream, and where the keeper of its recording finds it. */
export interface Sent {
  readonly now: LiveSpeed
  readonly capture: Capture
}

/**
 * Sends a signal to a drive's pages while it comes. One message is on its way at a time; what comes meanwhile goes with
 * the next one, so that a slow server is never behind by more than one message.
 */
export class LiveSender {
  private readonly stream = randomUUID()
  private sentS = -1
  private channel: string | null = null
  private kept = 0
  private running: Promise<void> | null = null
  private waiting: Sent | null = null

  /**
   * @param told told once of each thing that went wrong or was kept
   * @param simulated whether the signal comes from a simulated drive
   */
  constructor(
    private readonly server: RunningServer,
    private readonly driveId: string,
    private readonly told: (sentence: string) => void,
    private readonly simulated = false,
  ) {}

  /** Sends what is new; returns at once. */
  send(sent: Sent): void {
    this.waiting = sent
    this.running ??= this.run().finally(() => {
      this.running = null
    })
  }

  /** Sends what is left, and that it has ended. */
  async end(sent: Sent | null, problem: string | null): Promise<void> {
    await this.running
    if (sent) await this.say(sent, { ended: true, problem })
  }

  /** Puts the recording so far on the drive's log. */
  async keep({ now, capture }: Sent): Promise<void> {
    const channels = capture.channels.flatMap(c => (c.edges ? [{ name: c.name, edges: c.edges }] : []))
    const pieces = [...vcdChunks(channels, { tickNs: 100, durationS: capture.durationS, comment: 'Recorded live.' })]
    const name = `live-${new Date().toISOString().slice(0, 19).replace(/[:T]/g, '')}.vcd`
    const bytes = Buffer.from(pieces.join(''))
    const { sha } = await this.server.send<{ sha: string }>(`/api/captures?name=${name}`, bytes)
    await this.server.post(`/api/drives/${this.driveId}/speed`, {
      id: randomUUID(),
      at: new Date().toISOString(),
      captureSha: sha,
      channel: now.channel,
      simulated: this.simulated,
    })
    this.told('The recording is on the log of the drive.')
  }

  private async run(): Promise<void> {
    while (this.waiting) {
      const sent = this.waiting
      this.waiting = null
      await this.say(sent, { ended: false, problem: null })
    }
  }

  private async say(sent: Sent, end: { readonly ended: boolean; readonly problem: string | null }): Promise<void> {
    const { now } = sent
    if (now.channel !== this.channel) this.sentS = -1
    this.channel = now.channel
    const all = now.pulses.starts.filter(t => t > this.sentS)
    const gaps = now.pulses.gaps.filter(g => g.toS > this.sentS)
    try {
      for (let at = 0; at === 0 || at < all.length; at += MOST_PULSES) {
        const starts = [...all.slice(at, at + MOST_PULSES)]
        const last = at + MOST_PULSES >= all.length
        const { keep } = await this.server.post<{ keep: number }>(`/api/drives/${this.driveId}/live`, {
          stream: this.stream,
          channel: now.channel,
          timeS: last ? now.timeS : (starts.at(-1) ?? now.timeS),
          starts,
          gaps: last ? gaps : [],
          simulated: this.simulated,
          ...(last ? end : {}),
        })
        this.sentS = starts.at(-1) ?? this.sentS
        if (keep > this.kept) {
          this.kept = keep
          await this.keep(sent)
        }
      }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      // The signal goes on in the terminal; the next message tries again.
      this.told(error.message)
    }
  }
}
