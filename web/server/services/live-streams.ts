import { ParameterError } from '@wobrin/core/base/errors'
import type { LivePulses, LiveWish } from '../../shared/live'
import type { NewsHub } from './drive-news'
import { NotFound } from './not-found'

/** So much of the past is kept, for a page that is opened later. */
const KEPT_S = 120
const MOST_KEPT = 60_000
/** A sender that says nothing for so long is gone, ms. */
const SILENT_MS = 15_000
const SWEEP_MS = 5000

interface Stream {
  last: LivePulses
  starts: number[]
  gaps: { readonly fromS: number; readonly toS: number }[]
  keep: number
  heard: number
}

/** Signals that are measured just now, by drive. They pass through; what is kept goes on the log as a recording. */
export class LiveStreams {
  private readonly streams = new Map<string, Stream>()
  private sweeper: ReturnType<typeof setInterval> | null = null

  constructor(
    private readonly news: NewsHub,
    private readonly now: () => number = Date.now,
  ) {}

  /**
   * Takes new pulses and passes them on.
   * @throws ParameterError where they do not rise
   */
  take(driveId: string, pulses: LivePulses): LiveWish {
    const before = this.streams.get(driveId)
    const goesOn = before?.last.stream === pulses.stream && before.last.channel === pulses.channel
    const last = goesOn ? (before.starts.at(-1) ?? -1) : -1
    if (pulses.starts.some((t, i) => t <= (pulses.starts[i - 1] ?? last)))
      throw new ParameterError('the pulses do not rise', 'each later than the one before it', { field: 'starts' })
    const from = pulses.timeS - KEPT_S
    const old = goesOn ? before : { starts: [], gaps: [], keep: 0 }
    const stream: Stream = {
      last: pulses,
      starts: [...old.starts.filter(t => t >= from), ...pulses.starts].slice(-MOST_KEPT),
      gaps: [...old.gaps.filter(g => g.toS >= from), ...pulses.gaps],
      keep: old.keep,
      heard: this.now(),
    }
    // A sender that only asks whether something is wanted is no news.
    if (!goesOn || pulses.ended || pulses.timeS !== before.last.timeS || pulses.starts.length > 0)
      this.news.tell(driveId, { kind: 'pulses', anew: !goesOn, ...pulses })
    if (pulses.ended) this.streams.delete(driveId)
    else this.streams.set(driveId, stream)
    this.watch()
    return { keep: stream.keep }
  }

  /** Everything of a drive's stream that is still kept; null where none comes. */
  of(driveId: string): LivePulses | null {
    const stream = this.streams.get(driveId)
    return stream ? { ...stream.last, starts: stream.starts, gaps: stream.gaps } : null
  }

  /** Asks the sender to put what it has on the log. @throws NotFound where nothing comes */
  askToKeep(driveId: string): LiveWish {
    const stream = this.streams.get(driveId)
    if (!stream) throw new NotFound('No signal comes for this drive just now.')
    stream.keep++
    return { keep: stream.keep }
  }

  /** Ends streams whose sender went without a word. */
  sweep(): void {
    for (const [driveId, { last, heard }] of this.streams) {
      if (this.now() - heard < SILENT_MS) continue
      this.streams.delete(driveId)
      const problem = 'The program that sends the signal went silent.'
      this.news.tell(driveId, { kind: 'pulses', anew: false, ...last, starts: [], gaps: [], ended: true, problem })
    }
    if (this.streams.size === 0) this.stop()
  }

  stop(): void {
    if (this.sweeper) clearInterval(this.sweeper)
    this.sweeper = null
  }

  private watch(): void {
    if (this.streams.size === 0 || this.sweeper) return
    this.sweeper = setInterval(() => this.sweep(), SWEEP_MS)
    this.sweeper.unref()
  }
}
