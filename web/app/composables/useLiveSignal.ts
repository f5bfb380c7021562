import type { LivePulseSpeed, SpeedContext } from '@wobrin/core/instruments/spindle'
import type { Pulleys } from '@wobrin/core/drives'
import type { DriveNews } from '../../shared/live'
import type { LiveWorker } from '../workers/live.worker'

type Pulses = Extract<DriveNews, { kind: 'pulses' }>

/** So much of the past is judged, s. */
const WINDOW_S = 120

/** A signal that a program on some machine sends while it comes, judged here as a recording would be. */
export function useLiveSignal(context: () => SpeedContext, pulleys: () => Pulleys | undefined) {
  const worker = useWorker<LiveWorker>(
    () => new Worker(new URL('../workers/live.worker.ts', import.meta.url), { type: 'module' }),
  )
  /** What came last; null while nothing ever came. */
  const last = shallowRef<Omit<Pulses, 'starts' | 'gaps'> | null>(null)
  const reading = shallowRef<LivePulseSpeed | null>(null)
  let starts: number[] = []
  let gaps: Pulses['gaps'] = []
  const asked = latestOnly()
  let judging = false
  let waiting = false

  /** Judges the newest state; what comes meanwhile is judged once, afterwards. */
  async function judge(): Promise<void> {
    if (judging) {
      waiting = true
      return
    }
    if (!last.value || starts.length < 2) return
    judging = true
    try {
      const train = { starts: Float64Array.from(starts), gaps: toRaw(gaps) }
      const counts = asked.ask()
      const got = await worker().judge(train, last.value.timeS, { pulleys: toRaw(pulleys()) }, toRaw(context()))
      if (counts()) reading.value = got
    } finally {
      judging = false
      if (waiting) {
        waiting = false
        void judge()
      }
    }
  }

  function take({ starts: more, gaps: newGaps, ...rest }: Pulses): void {
    if (rest.anew) {
      asked.drop()
      starts = []
      gaps = []
      reading.value = null
    }
    const from = rest.timeS - WINDOW_S
    starts = [...starts.filter(t => t >= from), ...more]
    gaps = [...gaps.filter(g => g.toS >= from), ...newGaps]
    last.value = rest
    void judge()
  }

  /** Puts away a signal that has ended. */
  function clear(): void {
    asked.drop()
    last.value = null
    reading.value = null
    starts = []
  }

  return { last, reading, take, clear }
}
