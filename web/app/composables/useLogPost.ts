import { v4 as uuid } from 'uuid'
import type { LogEntry } from '@wobrin/core/log'
import { LogPoster, type Followed } from '../utils/log-poster'

const poster = new LogPoster({
  send: (path, body, signal) =>
    outboxInUse() ? deliver(path, body) : $fetch<LogEntry>(path, { method: 'POST', body, retry: 2, signal }),
  refused: wasAnswered,
  now: () => Date.now(),
  newId: () => uuid(),
})

/**
 * The one way to put an entry on a drive's log.
 * @returns `post(driveId, what, fields)`, where `what` is the last part of its route, such as `log` or `speed`
 */
export function useLogPost() {
  const post = (
    driveId: string,
    what: string,
    fields: Readonly<Record<string, unknown>>,
    followed?: Followed,
  ): Promise<LogEntry> => poster.post(`/api/drives/${driveId}/${what}`, fields, followed)
  return { post }
}
