import { readingEntry } from '../src/bench/entries'
import type { DriveFacts, LogEntry } from '../src/log'
import { entry } from './log'

let readings = 0
/** A reading on a drive's log, as a page would put it there. */
export const readOn = (
  drive: DriveFacts,
  key: string,
  value: string | number,
  { source, of }: { source?: 'said' | 'hand' | 'meter'; of?: number } = {},
): LogEntry =>
  entry({
    ...readingEntry(
      {
        id: `read${++readings}`,
        at: '2026-03-01T10:00:00Z',
        remark: '',
        key,
        value,
        ...(source ? { source } : {}),
        of,
      },
      drive,
    ),
  })
