import type { DriveNews } from '../../../../shared/live'
import { driveNews } from '../../../services/drive-news'

/** A line without meaning keeps what stands between from closing the connection, ms. */
const ALIVE_MS = 20_000

/** What happens to a drive, as server-sent events: its log grows, a signal comes. */
export default api(async (event, { drives, live }) => {
  const { id } = drives.get(param(event, 'id'))
  const stream = createEventStream(event)
  const tell = (news: DriveNews) => void stream.push(JSON.stringify(news))
  const end = driveNews.listen(id, tell, () => void stream.close())
  const alive = setInterval(() => void stream.push({ event: 'alive', data: '' }), ALIVE_MS)
  stream.onClosed(async () => {
    end()
    clearInterval(alive)
    await stream.close()
  })
  const now = live.of(id)
  if (now) tell({ kind: 'pulses', anew: true, ...now })
  // Says that the way stands: what was written before it may have been missed.
  tell({ kind: 'log' })
  return stream.send()
})
