import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { LogEntry } from '../../../src/log'
import { entry } from '../../log'
import { nextOf, stillUntil, walk } from '../../../src/bench/stations'

const MINUTE = 60_000
const START = Date.parse('2026-03-01T10:00:00Z')

const after = (minute: number, part: Partial<LogEntry>) =>
  entry({ at: new Date(START + minute * MINUTE).toISOString(), station: 'clean', ...part })
const logs = fc.array(
  fc
    .tuple(
      fc.integer({ min: 0, max: 600 }),
      fc.constantFrom('note', 'wait', 'acknowledged'),
      fc.integer({ min: 1, max: 300 }),
    )
    .map(([minute, kind, minutes]) =>
      kind === 'wait'
        ? after(minute, { kind: 'wait', title: 'Oil soaking in', data: { type: 'wait', minutes, holds: null } })
        : kind === 'acknowledged'
          ? after(minute, { data: { type: 'acknowledged', caution: 'mains' } })
          : after(minute, {}),
    ),
  { minLength: 1, maxLength: 8 },
)
const drive = { id: 'd', tag: 'SK-01', mechanism: '3.5in' as const }
/** What of a drive's way is shown, without how far a wait has run. */
function shown(log: LogEntry[], nowMs: number) {
  const way = walk(drive, log, nowMs)
  return JSON.stringify({
    ...way,
    waits: way.waits.map(({ share: _, ...w }) => w),
    next: nextOf({ ...drive, log, way }),
  })
}

describe('until when a way stays as it is', () => {
  it('nothing changes before that moment, whatever was entered', () => {
    fc.assert(
      fc.property(
        logs,
        fc.integer({ min: 0, max: 900 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (log, minute, share) => {
          const now = START + minute * MINUTE
          const until = stillUntil(log, walk(drive, log, now), now)
          const later = until === Infinity ? now + 1000 * MINUTE : now + share * (until - 1 - now)
          expect(shown(log, later)).toBe(shown(log, now))
        },
      ),
      { numRuns: 60 },
    )
  })

  it('is the end of the next wait, and without waits and sittings never', () => {
    const wait = after(0, { kind: 'wait', title: 'Oil soaking in', data: { type: 'wait', minutes: 30, holds: null } })
    const at = (minute: number) =>
      stillUntil([wait], walk(drive, [wait], START + minute * MINUTE), START + minute * MINUTE)
    expect(at(1)).toBe(START + 30 * MINUTE)
    // The pause of three hours after which a sitting has ended is the program's own.
    expect(at(31)).toBe(START + 180 * MINUTE)
    expect(at(181)).toBe(Infinity)
  })
})
