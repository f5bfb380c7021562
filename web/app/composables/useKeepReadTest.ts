import type { LogEntry, StationId } from '@wobrin/core/log'
import type { BusChoices } from './useBusRecording'

/** What a read test was read from. */
export type ReadTestSource =
  { readonly file: File; readonly choices: BusChoices } | { readonly mechanism: string; readonly story: string }

/**
 * Files a read test: a recording is sent and kept first, then the server reads it again and puts the surface on the
 * drive's log.
 */
export function useKeepReadTest() {
  const sent = ref<number | null>(null)
  let stopper = new AbortController()

  const { post } = useLogPost()
  async function keep(
    driveId: string,
    source: ReadTestSource,
    station: StationId,
    disk: string | null = null,
  ): Promise<LogEntry> {
    sent.value = 0
    stopper = new AbortController()
    try {
      const file = 'file' in source ? source : null
      const sha = file
        ? (
            await sendFile<{ sha: string }>(
              `/api/captures?name=${encodeURIComponent(file.file.name)}`,
              file.file,
              share => {
                sent.value = share
              },
              stopper.signal,
            )
          ).sha
        : null
      sent.value = 1
      return await post(driveId, 'read-test', {
        station,
        captureSha: sha,
        disk,
        ...(file
          ? {
              mapping: { ...file.choices.mapping },
              inverted: file.choices.inverted,
              code: file.choices.code,
              trusted: file.choices.trusted,
            }
          : { simulated: source }),
      })
    } finally {
      sent.value = null
    }
  }

  return { sent, keep, stopSending: () => stopper.abort() }
}
