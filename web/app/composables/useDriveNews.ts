import { useDocumentVisibility } from '@vueuse/core'
import type { DriveNews } from '../../shared/live'

/** After a connection was lost it is tried again so late, ms. */
const AGAIN_MS = 2000

/**
 * Hears at once what happens to a drive. Only a page that is seen holds a connection: a browser has six of them for one
 * server, and ten pages may be open. The page itself comes first.
 */
export function useDriveNews(driveId: string, take: (news: DriveNews) => void): void {
  const visible = useDocumentVisibility()
  const drawn = useAfterPaint()
  let source: EventSource | null = null
  let again: ReturnType<typeof setTimeout> | undefined

  function close(): void {
    clearTimeout(again)
    source?.close()
    source = null
  }
  function open(): void {
    close()
    source = new EventSource(`/api/drives/${driveId}/news`)
    source.onmessage = message => take(JSON.parse(message.data) as DriveNews)
    source.onerror = () => {
      close()
      again = setTimeout(open, AGAIN_MS)
    }
  }
  watch([visible, drawn], ([seen, ready]) => (ready && seen === 'visible' ? open() : close()), { immediate: true })
  onScopeDispose(close)
}
