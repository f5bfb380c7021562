import type { StationId } from '@wobrin/core/log'

/** Sending photos: taken or dropped, one after the other, with progress; each is on the log once the server has it. */
export function usePhotos(station: () => StationId) {
  const store = useDrive()
  const notices = useNotices()
  /** Share of the photo under way that was sent, or null. */
  const sending = ref<{ readonly name: string; readonly share: number } | null>(null)
  let stop = new AbortController()

  /** @param of entry of the finding that they show */
  async function keep(files: Iterable<File>, of?: string): Promise<void> {
    for (const file of files) {
      stop = new AbortController()
      sending.value = { name: file.name, share: 0 }
      try {
        const { sha } = await sendFile<{ sha: string }>(
          `/api/photos?name=${encodeURIComponent(file.name)}`,
          file,
          share => {
            sending.value = { name: file.name, share }
          },
          stop.signal,
        )
        await store.add({ kind: 'photo', station: station(), photo: sha, ...(of ? { of } : {}) })
      } catch (error) {
        if (error instanceof Stopped) break
        notices.problem(problemText(error))
      }
    }
    sending.value = null
  }

  return { sending, keep, stop: () => stop.abort() }
}

export type DrivePhotos = ReturnType<typeof usePhotos>
