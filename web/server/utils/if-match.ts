import type { H3Event } from 'h3'
import { etagOf } from '../../shared/etag'
import { ChangedMeanwhile } from '../services/changed-meanwhile'
import { machineSha } from '../services/linked-entries'

/**
 * Tells a second writer that somebody else was first. Whoever puts something in the place of what they saw sends its
 * seal as `If-Match` (RFC 9110, 13.1.1); without that nothing is compared. To be called right before writing, with
 * nothing waited for in between.
 * @param now what stands there; null where nothing does
 * @param wanted what is to stand there: sent again it is no change
 * @param what names it in the sentence
 * @throws ChangedMeanwhile
 */
export function checkUnchanged(event: H3Event, now: unknown, wanted: unknown, what: string): void {
  const seen = getRequestHeader(event, 'if-match')
  if (seen === undefined) return
  const stands = etagOf(now, machineSha)
  if (seen === stands || stands === etagOf(wanted, machineSha)) return
  throw new ChangedMeanwhile(
    now === null
      ? `Somebody else removed ${what} meanwhile. Nothing was saved.`
      : `Somebody else changed ${what} meanwhile. Nothing was saved; save again to replace it.`,
    '',
    412,
  )
}
