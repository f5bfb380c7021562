import { asFoundRecord } from '@wobrin/core/findings'
import { putBackList } from '@wobrin/core/bench/put-back'
import { standingEntries, type AsFoundItem, type Breakage, type LogEntry, type StationId } from '@wobrin/core/log'

export interface Photo {
  readonly entry: LogEntry
  readonly sha: string
  readonly width: number
  readonly height: number
}

/** The as-found record of the drive at hand, its photos and the way back. */
export function useAsFound(station: () => StationId) {
  const store = useDrive()
  const attempt = useAttempt()
  const record = computed(() => asFoundRecord(store.log))
  const list = computed(() => putBackList(record.value))
  const photos = computed<Photo[]>(() =>
    standingEntries(store.log).flatMap(entry =>
      entry.data?.type === 'photo' && entry.data.sha !== null
        ? [{ entry, sha: entry.data.sha, width: entry.data.width, height: entry.data.height }]
        : [],
    ),
  )

  return {
    record,
    list,
    photos,
    mark: (item: Partial<AsFoundItem>) =>
      store.add({ kind: 'as-found', station: station(), item: item as AsFoundItem }),
    undo: (id: string, broke: Breakage | null = null) =>
      attempt(() => store.add({ kind: 'undone', station: station(), of: id, broke })),
    putBack: (id: string) => attempt(() => store.add({ kind: 'put-back', station: station(), of: id })),
    leaveOff: (id: string, reason: string) =>
      store.add({ kind: 'put-back', station: station(), of: id, leftOff: true, detail: reason }),
  }
}
