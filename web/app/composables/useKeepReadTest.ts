import type { LogEntry, StationId } from '@wobrin/core/log'
import type { BusChoices } from './useBusRecording'

/** What a read test was read from. */
export type ReadTestSource =
  { readonly file: File; readonly choices: BusChoices } | { readonly mechanism: string; readonly story: string }

/** Files a read test: of a recording, or of a simulated drive. */
export function useKeepReadTest() {
  const { sending, keepFile, enter, during, cancel } = useSending()

  const keep = (
    driveId: string,
    source: ReadTestSource,
    station: StationId,
    disk: string | null = null,
  ): Promise<LogEntry> =>
    during(async () => {
      if (!('file' in source))
        return enter(driveId, 'read-test', { station, captureSha: null, disk, simulated: source })
      const { mapping, inverted, code, trusted } = source.choices
      const captureSha = await keepFile(source.file)
      return enter(driveId, 'read-test', {
        station,
        captureSha,
        disk,
        mapping: { ...mapping },
        inverted,
        code,
        trusted,
      })
    })

  return { sending, keep, cancel }
}
