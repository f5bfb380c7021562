import type { LogEntry } from '@wobrin/core/log'
import type { CaptureChoices } from './useCaptureFile'

export interface KeepInput {
  readonly driveId: string
  readonly file: File
  readonly choices: CaptureChoices
  readonly movedTurns: number
  readonly simulated: boolean
}

/**
 * Files a reading: the recording is sent and kept first, then judged again by the server and put on the drive's
 * log. A failure between the two leaves a kept recording and no entry; trying again completes it.
 */
export function useKeepReading() {
  const keeping = ref(false)
  /** Share of the recording that was sent; 1 while the server judges it. */
  const sent = ref(0)
  let stopper = new AbortController()

  const { post } = useLogPost()
  async function keep({ driveId, file, choices, movedTurns, simulated }: KeepInput): Promise<LogEntry> {
    keeping.value = true
    sent.value = 0
    stopper = new AbortController()
    try {
      const { sha } = await sendFile<{ sha: string }>(
        `/api/captures?name=${encodeURIComponent(file.name)}`,
        file,
        share => {
          sent.value = share
        },
        stopper.signal,
      )
      sent.value = 1
      return await post(driveId, 'speed', {
        captureSha: sha,
        channel: choices.channel || undefined,
        pulsesPerTurn: choices.pulsesPerTurn ?? undefined,
        evenMarks: choices.evenMarks,
        sampleRateHz: choices.sampleRateHz ?? undefined,
        timeUnit: choices.timeUnit ?? undefined,
        polarity: choices.polarity,
        movedTurns,
        simulated,
      })
    } finally {
      keeping.value = false
    }
  }

  return { keeping, sent, keep, stopSending: () => stopper.abort() }
}
