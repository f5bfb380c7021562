import { proxy } from 'comlink'
import type { TimeUnit } from '@wobrin/core/signals/captures'
import type { CaptureSpeedOptions, JudgedSpeed, SpeedContext } from '@wobrin/core/instruments/spindle'
import type { OpenedCapture, SpeedWorker } from '../workers/speed.worker'

/** How the file is read and which pulses are meant; what is empty is found out. */
export interface CaptureChoices {
  channel: string
  pulsesPerTurn: number | null
  evenMarks: boolean
  sampleRateHz: number | null
  timeUnit: TimeUnit | null
  polarity: 'auto' | 'positive' | 'negative'
}

export const noChoices = (): CaptureChoices => ({
  channel: '',
  pulsesPerTurn: null,
  evenMarks: false,
  sampleRateHz: null,
  timeUnit: null,
  polarity: 'auto',
})

/** A recording from this machine, read and judged in a worker, with progress and a way to stop. */
export function useCaptureFile(context: () => SpeedContext, pulleys: () => CaptureSpeedOptions['pulleys']) {
  const file = shallowRef<File | null>(null)
  const opened = shallowRef<OpenedCapture | null>(null)
  const judged = shallowRef<JudgedSpeed | null>(null)
  const problem = ref<string | null>(null)
  /** A file that can be read once its sample rate is given; what is shown and kept stays the file before it. */
  const unrated = shallowRef<File | null>(null)
  const progress = ref<number | null>(null)
  const choices = reactive(noChoices())
  const worker = useWorker<SpeedWorker>(
    () => new Worker(new URL('../workers/speed.worker.ts', import.meta.url), { type: 'module' }),
  )
  const reading = latestOnly()
  const judging = latestOnly()

  async function judge(): Promise<void> {
    if (!opened.value) return
    const counts = judging.ask()
    const answer = await worker().judge(
      {
        channel: choices.channel || undefined,
        pulsesPerTurn: choices.pulsesPerTurn ?? undefined,
        evenMarks: choices.evenMarks,
        pulleys: toRaw(pulleys()),
      },
      toRaw(context()),
    )
    if (!counts()) return
    judged.value = 'ok' in answer ? answer.ok : null
    problem.value = 'problem' in answer ? answer.problem : null
  }

  /** Reads a file. On a problem the reading before stays on the page. */
  async function open(next: File): Promise<void> {
    problem.value = null
    progress.value = 0
    const fresh = next !== file.value
    // The choices on the page belong to the file shown; they change only once another one was read.
    const how = fresh && next !== unrated.value ? noChoices() : { ...choices }
    const counts = reading.ask()
    const answer = await worker().open(
      next,
      { sampleRateHz: how.sampleRateHz ?? undefined, timeUnit: how.timeUnit ?? undefined, polarity: how.polarity },
      proxy((share: number) => {
        if (counts()) progress.value = share
      }),
    )
    if (!counts()) return
    progress.value = null
    if ('stopped' in answer) return
    if ('problem' in answer) {
      problem.value = answer.problem
      unrated.value = answer.problem.includes('no sample rate') ? next : null
      return
    }
    unrated.value = null
    file.value = next
    opened.value = answer.ok
    if (fresh) Object.assign(choices, noChoices(), { sampleRateHz: how.sampleRateHz })
    if (fresh || !answer.ok.channels.some(c => c.name === choices.channel)) choices.channel = answer.ok.guess ?? ''
    await judge()
  }

  const stop = () => worker().stop()

  /** Puts the recording away, with what is still being worked out of it. */
  function close(): void {
    reading.drop()
    judging.drop()
    if (progress.value !== null) void stop()
    progress.value = null
    file.value = null
    opened.value = null
    judged.value = null
    problem.value = null
    unrated.value = null
  }

  watch(() => [choices.channel, choices.pulsesPerTurn, choices.evenMarks], judge)
  watch(
    () => [choices.polarity, choices.timeUnit],
    () => {
      if (file.value) void open(file.value)
    },
  )

  return { file, opened, judged, problem, unrated, progress, choices, open, judge, stop, close }
}
