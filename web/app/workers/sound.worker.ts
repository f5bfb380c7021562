import { expose } from 'comlink'
import { WaveFile } from 'wavefile'
import type { MechanismId, Pulleys } from '@wobrin/core/drives'
import {
  ClockCompare,
  humIn,
  judgeSound,
  SoundFollower,
  soundSpeed,
  type ClockOff,
  type JudgedSound,
  type SoundLevel,
} from '@wobrin/core/instruments/sound'
import type { SensedSpeed } from '@wobrin/core/instruments/rhythm'
import { livePulseSpeed, type LivePulseSpeed, type SpeedContext } from '@wobrin/core/instruments/spindle'
import { sense, type Sensed, type SensedAsk } from '@wobrin/core/instruments/sensed'
import { attempt, type Answer } from './in-worker'
import type { SoundBlock } from '../worklets/sound-input'

/** What is listened to. */
export type ListenFor = 'marks' | 'rub' | 'tone' | 'steps'

export interface ListenAsk {
  readonly for: ListenFor
  readonly mechanism: MechanismId
  readonly nominalRpm?: number | null
  readonly perRevolution?: number
  readonly steps?: number
  readonly context: SpeedContext
  readonly pulleys?: Pulleys
}

/** What the sound input says a few times a second. */
export interface SoundNews {
  /** The question that it answers, as its asker counts them. */
  readonly question: number
  readonly timeS: number
  readonly level: SoundLevel
  readonly humHz: 50 | 60 | null
  readonly gaps: { readonly count: number; readonly seconds: number }
  /** How far the clock of the sound input is from this computer's, parts in a million; null while it cannot be told. */
  readonly clock: ClockOff | null
  readonly marks: LivePulseSpeed | null
  readonly speed: SensedSpeed | null
  readonly steps: JudgedSound | null
}

const EVERY_MS = 200
/** What takes longer to work out comes less often. */
const SLOW_MS = 1500
/** So much of the past is judged, s. */
const MARKS_S = 120
const SLOW_S = 25
/** Silence of so long says that nothing comes, s. */
const HUM_S = 1

let follower: SoundFollower | null = null
let ask: ListenAsk | null = null
let timer: ReturnType<typeof setInterval> | null = null
let port: MessagePort | null = null
let question = 0
let tell: (news: SoundNews) => void = () => {}
/** What was asked last is judged from here on. */
let sinceS = 0
let slowAt = 0
let speed: SensedSpeed | null = null
let steps: JudgedSound | null = null

/** A recording that is shorter is not worth a file: it is not judged either, s. */
const SHORTEST_S = 1

/** Shown once it is surer than this, ppm. */
const SURE_PPM = 60
let clock = new ClockCompare()

function take({ data: { frame, samples } }: MessageEvent<SoundBlock>, rate: number): void {
  const own = follower!
  const expected = Math.round(own.timeS * rate)
  first ??= frame
  own.push(samples, Math.max(0, frame - first - expected))
  clock.add(own.timeS, performance.now() / 1000)
}
let first: number | null = null

function news(): SoundNews {
  const own = follower!
  const asked = ask!
  const last = own.last(HUM_S)
  // Pulses also show where a piece was dropped without a trace.
  const gaps = asked.for === 'marks' ? own.pulses().gaps : own.gaps()
  const sure = clock.off()
  const now = performance.now()
  if (asked.for !== 'marks' && now - slowAt > SLOW_MS) {
    slowAt = now
    const samples = own.last(Math.min(SLOW_S, own.timeS - sinceS))
    const sampleRateHz = own.sampleRateHz
    if (asked.for === 'steps')
      steps = judgeSound(
        { channels: [{ name: 'sound', samples: Float64Array.from(samples) }], sampleRateHz, fullScale: 1 },
        asked,
      )
    else speed = soundSpeed(samples, sampleRateHz, { ...asked, for: asked.for })
  }
  return {
    question,
    timeS: own.timeS,
    level: own.level(),
    humHz: humIn(last, own.sampleRateHz),
    gaps: { count: gaps.length, seconds: gaps.reduce((s, g) => s + g.toS - g.fromS, 0) },
    clock: sure && sure.uncertainty <= SURE_PPM ? sure : null,
    marks: asked.for === 'marks' ? marks(asked, own) : null,
    speed,
    steps,
  }
}

function marks({ context, pulleys }: ListenAsk, own: SoundFollower): LivePulseSpeed | null {
  if (own.timeS - sinceS < SHORTEST_S) return null
  const train = own.pulses(Math.max(sinceS, own.timeS - MARKS_S))
  return train.starts.length < 2 ? null : livePulseSpeed(train, own.timeS, { pulleys }, context)
}

/** Judges nothing that came before. */
function fromNowOn(): void {
  sinceS = follower?.timeS ?? 0
  speed = null
  steps = null
  slowAt = 0
}

const worker = {
  /** Follows the sound that comes through a port until `end`. */
  begin(
    from: MessagePort,
    sampleRateHz: number,
    asked: ListenAsk,
    count: number,
    onNews: (news: SoundNews) => void,
  ): void {
    worker.end()
    follower = new SoundFollower(sampleRateHz)
    clock = new ClockCompare()
    first = null
    ask = asked
    worker.anew(count)
    port = from
    port.onmessage = event => take(event as MessageEvent<SoundBlock>, sampleRateHz)
    tell = onNews
    timer = setInterval(() => tell(news()), EVERY_MS)
  },

  /**
   * Judges by something else. What comes is judged from now on where it is listened to for something else; what came
   * and ended is judged once more.
   */
  ask(next: ListenAsk, count: number): void {
    const other = ask?.for !== next.for
    ask = next
    question = count
    if (timer) {
      if (other) fromNowOn()
    } else if (follower) {
      slowAt = 0
      tell(news())
    }
  },

  /** What came before is judged no more: the trimmer was turned. */
  anew(count: number): void {
    question = count
    fromNowOn()
  },

  /** What is judged now, as a WAV file; null while there is nothing. */
  recording(): Uint8Array | null {
    if (!follower || follower.timeS - sinceS < SHORTEST_S) return null
    const samples = follower.last(follower.timeS - sinceS)
    const wav = new WaveFile()
    const pcm = Int16Array.from(samples, x => Math.max(-32768, Math.min(32767, Math.round(x * 32767))))
    wav.fromScratch(1, follower.sampleRateHz, '16', pcm)
    return wav.toBuffer()
  },

  /** Judges a recording of sound. */
  file: (file: File, of: SensedAsk): Promise<Answer<Sensed>> =>
    attempt(async () => sense(new Uint8Array(await file.arrayBuffer()), file.name, of)),

  /** Takes no more; what came stays, to be kept. */
  end(): void {
    if (timer) clearInterval(timer)
    timer = null
    port?.close()
    port = null
  },
}

export type SoundWorker = typeof worker

expose(worker)
