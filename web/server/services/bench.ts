import { bestNext, openWaits, progressOf, speedEntries } from '@wobrin/core/procedures'
import type { Bench } from '../../shared/bench'
import type { DriveService } from './drives'

/** The bench: every drive at its station, and what the hands could do next. */
export function benchOf(drives: DriveService, nowMs: number): Bench {
  const logs = drives.allLogs()
  const all = drives.list().map(drive => ({ drive, log: logs.get(drive.id) ?? [] }))
  return {
    next: bestNext(all.map(({ drive, log }) => ({ id: drive.id, tag: drive.tag, log })), nowMs),
    waits: all.filter(({ log }) => !progressOf(log).outcome)
      .flatMap(({ drive, log }) => openWaits(log, nowMs).map(({ entry, ...wait }) => ({ ...wait, driveId: drive.id, tag: drive.tag, entryId: entry.id })))
      .sort((a, b) => a.endsAt < b.endsAt ? -1 : 1),
    lines: all.map(({ drive, log }) => {
      const { current, done, call, outcome } = progressOf(log)
      return { drive, current, done: [...done], call, outcome, rpm: speedEntries(log).at(-1)?.data.rpm ?? null }
    }),
  }
}
