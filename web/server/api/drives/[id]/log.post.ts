import { entrySchema } from '../../../../shared/log-input'
import { composeEntry } from '@wobrin/core/bench/entries'

export default api(async (event, { drives, photos }) => {
  const input = await checkedBody(event, entrySchema)
  const drive = drives.get(param(event, 'id'))
  // What was sent before is answered as it was, whatever has changed since: the first answer may have been lost.
  return (
    drives.sent(input.id, drive.id) ??
    drives.append(
      composeEntry(
        input,
        drive,
        () => drives.log(drive.id),
        sha => photos.find(sha),
      ),
    )
  )
})
