import { bestNext, speedEntries, walk } from '@wobrin/core/procedures'
import type { Bench } from '../../shared/bench'
import type { DriveService } from './drives'

/** The bench: every drive at its station, and what the hands could do next. */
export function benchOf(drives: DriveService, nowMs: number): Bench {
  const logs = drives.allLogs()
  const all = drives.list().map(drive => ({ drive, log: logs.get(drive.id) ?? [] }))
  const walked = all.map(({ drive, log }) => ({ drive, log, way: walk(drive, log, nowMs) }))
  return {
    next: bestNext(walked.map(({ drive, log, way }) => ({ id: drive.id, tag: drive.tag, log, way }))),
    waits: walked.filter(({ way }) => !way.progress.outcome)
      .flatMap(({ drive, way }) => way.waits.map(({ entry, holds: _, ...wait }) => ({ ...wait, driveId: drive.id, tag: drive.tag, entryId: entry.id })))
      .sort((a, b) => a.endsAt < b.endsAt ? -1 : 1),
    lines: walked.map(({ drive, log, way }) => {
      const { current, done, call, outcome } = way.progress
      return {
        drive, current, done: [...done], call, outcome, rpm: speedEntries(log).at(-1)?.data.rpm ?? null,
        closed: way.gates.filter(g => g.forbiddenHere).map(g => ({ gate: g.gate.id, label: g.gate.label, reason: g.missing.find(m => m.finding)!.sentence })),
      }
    }),
  }
}
