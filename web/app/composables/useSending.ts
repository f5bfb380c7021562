import type { LogEntry } from '@wobrin/core/log'

/** How far a recording has come: sent to the server, waiting there for others, judged. */
export interface Sending {
  /** Share that was sent, 0 to 1. */
  readonly sent: number
  /** How many recordings are judged before it; null while nothing is known of it. */
  readonly before: number | null
  /** Share of it that was judged, 0 to 1. */
  readonly judged: number
}

const ASK_EVERY_MS = 1000
const BEGUN: Sending = { sent: 0, before: null, judged: 0 }

/**
 * Puts a recording on a drive's log: it is sent and kept first, then the server judges it again. A failure between the
 * two leaves a kept recording and no entry; trying again completes it.
 */
export function useSending() {
  const sending = ref<Sending | null>(null)
  let stopper = new AbortController()
  const { post } = useLogPost()

  /** Sends a recording. @returns its SHA-256 @throws Stopped where it was cancelled */
  async function keepFile(file: File): Promise<string> {
    const { sha } = await sendFile<{ sha: string }>(
      `/api/captures?name=${encodeURIComponent(file.name)}`,
      file,
      share => {
        sending.value = { ...BEGUN, sent: share }
      },
      stopper.signal,
    )
    return sha
  }

  /** Has it judged and entered; meanwhile it is asked how far that has come. @throws Stopped where it was cancelled */
  async function enter(driveId: string, what: string, fields: Readonly<Record<string, unknown>>): Promise<LogEntry> {
    sending.value = { ...BEGUN, sent: 1 }
    const { signal } = stopper
    let asking: ReturnType<typeof setInterval> | undefined
    const follow = (id: string) => {
      asking = setInterval(async () => {
        // While nothing is known of it the line goes on without a figure.
        const at = await $fetch<{ before: number; share: number }>(`/api/judging/${id}`).catch(() => null)
        if (at && sending.value) sending.value = { sent: 1, before: at.before, judged: at.share }
      }, ASK_EVERY_MS)
    }
    try {
      return await post(driveId, what, fields, { signal, onId: follow })
    } catch (error) {
      throw signal.aborted ? new Stopped() : error
    } finally {
      clearInterval(asking)
    }
  }

  /** Runs what sends and enters, with its state shown until it is over. */
  async function during(run: () => Promise<LogEntry>): Promise<LogEntry> {
    stopper = new AbortController()
    sending.value = BEGUN
    try {
      return await run()
    } finally {
      sending.value = null
    }
  }

  return { sending, keepFile, enter, during, cancel: () => stopper.abort() }
}
