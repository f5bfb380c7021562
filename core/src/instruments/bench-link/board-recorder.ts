import { InputError } from '../../base/errors'
import { lowerBound } from '../../base/numbers'
import { GrowableDoubles, vcdOfStretches, type EdgeList, type WritableChannel } from '../../signals/captures'
import { edgesFromFlux } from '../../signals/separator'
import { LINE_NAMES, RECORDED_AS, type LineName } from '../interface'
import type { Request } from './board-client'
import type { Answer, ButtonChange, Hello, LineChange } from './messages'

/** A pulse on STEP where the board does not see that line, s: how long it was is not known. */
const STEP_PULSE_S = 2e-6
/** Times of the protocol are whole microseconds, those of flux whole nanoseconds. */
const TICK_NS = 1
/** Longer than a pulse of READ DATA, s. */
const SPARE_S = 1e-6

/** One read of flux: when it began, and the distances after it. */
interface FluxRead {
  readonly fromS: number
  readonly distancesNs: Uint32Array
}

/**
 * What a board tells from a time on, as a recording of the interface lines: those that it sees by what it sees, those
 * that it drives and does not see by when it was told to. READ DATA is recorded while flux was read, and unknown
 * otherwise.
 */
export class BoardRecorder {
  private readonly fromUs: number
  private readonly lines = new Map<LineName, { readonly low: boolean; readonly times: GrowableDoubles }>()
  private readonly seen: ReadonlySet<LineName>
  private readonly reads: FluxRead[] = []
  private lastS = 0

  /** @param now answer to a request for all lines: time and levels with which the recording begins */
  constructor(hello: Hello, now: Answer) {
    this.fromUs = now.t ?? 0
    this.seen = new Set(hello.lines)
    const driven = LINE_NAMES.filter(l => (hello.drives as readonly string[]).includes(l))
    for (const line of LINE_NAMES)
      if (line !== 'read-data' && (this.seen.has(line) || driven.includes(line)))
        this.lines.set(line, { low: now.lines?.[line] ?? false, times: new GrowableDoubles() })
  }

  /** Seconds of the recording so far. */
  get durationS(): number {
    return this.lastS
  }

  /** A change that the board told unasked. */
  change(c: LineChange | ButtonChange): void {
    if ('line' in c && this.seen.has(c.line)) this.note(c.line, this.seconds(c.t), c.low)
  }

  /**
   * A request that was done, with its answer.
   * @throws InputError where flux comes without the time at which its reading began
   */
  done(request: Request, answer: Answer): void {
    if ('read' in request) {
      if (request.read === 'flux') this.flux(answer)
      return
    }
    if (answer.t === undefined) return
    const at = this.seconds(answer.t)
    if ('set' in request) {
      if (!this.seen.has(request.set)) this.note(request.set, at, request.low)
      return
    }
    if (!this.seen.has('direction')) this.note('direction', at - STEP_PULSE_S, request.step === 'inward')
    if (this.seen.has('step')) return
    this.note('step', at, true)
    this.note('step', at + STEP_PULSE_S, false)
  }

  private flux({ t, flux = [] }: Answer): void {
    if (t === undefined)
      throw new InputError('the board does not tell when its reading of flux began', '"t" in the answer', {
        file: 'the board',
      })
    const fromS = this.seconds(t)
    this.reads.push({ fromS, distancesNs: Uint32Array.from(flux) })
    this.lastS = Math.max(this.lastS, fromS + flux.reduce((a, b) => a + b, 0) / 1e9)
  }

  private seconds(us: number): number {
    return (us - this.fromUs) / 1e6
  }

  private note(line: LineName, atS: number, low: boolean): void {
    const track = this.lines.get(line)
    if (!track || atS < Math.max(0, track.times.newest())) return
    const is = track.low !== (track.times.length % 2 === 1)
    if (is === low) return
    track.times.push(atS)
    this.lastS = Math.max(this.lastS, atS)
  }

  /** The recording as a value change dump, in pieces. It may be made while the recording goes on. */
  vcd(comment: string): Generator<string> {
    return vcdOfStretches(this.stretches(), { tickNs: TICK_NS, comment, durationS: this.lastS })
  }

  /** From one read of flux to the next, so that never the whole of READ DATA is drawn at once. */
  private *stretches(): Generator<readonly WritableChannel[]> {
    const lines = [...this.lines].map(([line, { low, times }]) => ({ line, low, times: times.copyFrom(0) }))
    const cuts = [0, ...this.reads.map(r => r.fromS), Infinity]
    for (const [i, toS] of cuts.slice(1).entries()) {
      const fromS = cuts[i]!
      const data = this.reads[i - 1] ? pulsesOf(this.reads[i - 1]!, toS) : notReadTo(toS)
      yield [
        ...lines.map(l => ({ name: RECORDED_AS[l.line], edges: between(l.times, l.low, fromS, toS) })),
        ...(this.reads.length ? [{ name: RECORDED_AS['read-data'], edges: data }] : []),
      ]
    }
  }
}

/** READ DATA before it was read for the first time; a level must stand before it can be unknown. */
const notReadTo = (toS: number): EdgeList => ({
  initial: 1,
  times: new Float64Array(),
  gaps: [{ fromS: TICK_NS / 1e9, toS }],
})

/** Pulses of one read, as far as the next one. */
function pulsesOf({ fromS, distancesNs }: FluxRead, toS: number): EdgeList {
  const times = new Float64Array(distancesNs.length)
  let ns = 0
  for (const [i, d] of distancesNs.entries()) times[i] = fromS + (ns += d) / 1e9
  // The last pulse ends before the next read begins.
  const edges = edgesFromFlux(times.subarray(0, lowerBound(times, toS - SPARE_S)))
  const endS = Math.min(toS, (edges.times.at(-1) ?? fromS) + SPARE_S)
  return { ...edges, gaps: endS < toS ? [{ fromS: endS, toS }] : [] }
}

/** The changes of a line between two times. */
function between(times: Float64Array, low: boolean, fromS: number, toS: number): EdgeList {
  const [from, to] = [lowerBound(times, fromS), lowerBound(times, toS)]
  return { initial: low !== (from % 2 === 1) ? 0 : 1, times: times.subarray(from, to), gaps: [] }
}
