import { proxy } from 'comlink'
import type { BusReport, LineName } from '@wobrin/core/instruments/interface'
import type { TrackCode } from '@wobrin/core/signals/codes'
import type { OpenedBus, Playback } from '../workers/drive.worker'

/** How a recording is read; what is empty is found out. */
export interface BusChoices {
  mapping: Partial<Record<LineName, string>>
  inverted: boolean
  code: TrackCode | 'auto'
  trusted: boolean
}

const KEPT = 'wobrin-lines'
/** A mapping is remembered for recordings with the same channels. */
const remembered = (): Record<string, Partial<Record<LineName, string>>> => {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? '{}')
  } catch {
    return {}
  }
}

/** A recording of a drive's interface, read and judged in the worker. */
export function useBusRecording(worker: ReturnType<typeof useDriveWorker>) {
  const file = shallowRef<File | null>(null)
  const opened = shallowRef<OpenedBus | null>(null)
  const report = shallowRef<BusReport | null>(null)
  const playback = shallowRef<Playback | null>(null)
  const problem = ref<string | null>(null)
  const progress = ref<{ readonly what: string; readonly share: number } | null>(null)
  const choices = reactive<BusChoices>({ mapping: {}, inverted: false, code: 'auto', trusted: false })
  const reading = latestOnly()
  const judging = latestOnly()
  const key = () => opened.value?.channels.map(c => c.name).join('|') ?? ''

  /** Judges what is open by the choices. */
  async function judge(): Promise<void> {
    if (!opened.value) return
    problem.value = null
    progress.value = { what: 'Reading the tracks', share: 0 }
    const { mapping, inverted, code, trusted } = choices
    const counts = judging.ask()
    const answer = await worker().judge(
      { mapping: { ...mapping }, inverted, code, context: { trustedDisk: trusted } },
      proxy((share: number) => {
        if (counts()) progress.value = { what: 'Reading the tracks', share }
      }),
    )
    if (!counts()) return
    progress.value = null
    if ('stopped' in answer) return
    if ('problem' in answer) {
      problem.value = answer.problem
      return
    }
    report.value = answer.ok
    const shown = await worker().playback({ ...answer.ok.mapping }, inverted)
    if (counts()) playback.value = shown
  }

  /** Reads a file. On a problem the recording before stays. */
  async function open(next: File): Promise<boolean> {
    problem.value = null
    progress.value = { what: 'Reading the recording', share: 0 }
    const counts = reading.ask()
    const answer = await worker().open(
      next,
      proxy((share: number) => {
        if (counts()) progress.value = { what: 'Reading the recording', share }
      }),
    )
    if (!counts()) return false
    progress.value = null
    if ('stopped' in answer) return false
    if ('problem' in answer) {
      problem.value = answer.problem
      return false
    }
    file.value = next
    opened.value = answer.ok
    report.value = null
    playback.value = null
    Object.assign(choices, { mapping: { ...answer.ok.mapping, ...remembered()[key()] }, inverted: false, code: 'auto' })
    await judge()
    return true
  }

  /** Makes a channel stand for a line; an empty one for none. It is remembered for such recordings. */
  async function map(mapping: Partial<Record<LineName, string>>): Promise<void> {
    choices.mapping = { ...choices.mapping, ...mapping }
    localStorage.setItem(KEPT, JSON.stringify({ ...remembered(), [key()]: choices.mapping }))
    await judge()
  }

  async function turnOver(): Promise<void> {
    choices.inverted = !choices.inverted
    await judge()
  }

  /** Has it read with another code, or as a disk that is trusted or not. */
  async function readAs(change: Partial<Pick<BusChoices, 'code' | 'trusted'>>): Promise<void> {
    Object.assign(choices, change)
    await judge()
  }

  const stop = () => worker().stop()

  /** Puts the recording away, with what is still being worked out of it. */
  function close(): void {
    reading.drop()
    judging.drop()
    if (progress.value) void stop()
    progress.value = null
    file.value = null
    opened.value = null
    report.value = null
    playback.value = null
    problem.value = null
  }

  return {
    file,
    opened,
    report,
    playback,
    problem,
    progress,
    choices,
    open,
    judge,
    map,
    turnOver,
    readAs,
    close,
    stop,
  }
}
