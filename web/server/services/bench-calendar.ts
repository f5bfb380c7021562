import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator'
import type { BenchWait } from '../../shared/bench'
import type { Ahead } from '../../shared/day'

/** A part that is on its way. */
export interface PartDue {
  readonly id: string
  readonly name: string
  /** Day on which it should arrive, such as 2026-03-31. */
  readonly on: string
  /** Tags of the drives that want one like it. */
  readonly serves: readonly string[]
}

/**
 * Waits that run down and parts in the post, as iCalendar (RFC 5545): the end of each wait with a reminder at that
 * moment, each part as a whole day. The same wait keeps its id, so that a calendar that reads the file again moves it.
 * @param address of this server
 */
export function benchCalendar(
  waits: readonly Omit<BenchWait, 'share'>[],
  parts: readonly PartDue[],
  now: Date,
  address: string,
): string {
  const calendar = ical({
    name: 'Bench: waits and parts',
    prodId: { company: 'Wobrin', product: 'bench', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  })
  for (const w of waits) {
    const event = calendar.createEvent({
      id: `${w.entryId}@wobrin`,
      start: new Date(w.endsAt),
      end: new Date(w.endsAt),
      stamp: now,
      summary: `${w.tag}: ${w.what} is over`,
      url: `${address}/drives/${w.driveId}`,
    })
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0, description: w.what })
  }
  for (const p of parts)
    calendar.createEvent({
      id: `${p.id}@wobrin`,
      start: new Date(`${p.on}T00:00:00Z`),
      allDay: true,
      timezone: null,
      stamp: now,
      summary: `In the post: ${p.name}`,
      description: p.serves.length ? `For ${p.serves.join(', ')}` : '',
      url: `${address}/shelf?q=${encodeURIComponent(p.name)}`,
    })
  return calendar.toString()
}

/** So far ahead one looks. */
const WEEK_MS = 7 * 86_400_000

/** What the next week brings by itself, the first to come first; what should be here already is still waited for. */
export function aheadOf(waits: readonly BenchWait[], parts: readonly PartDue[], nowMs: number): Ahead[] {
  const all = [
    ...waits
      .filter(w => !w.over)
      .map(w => ({ key: w.entryId, at: w.endsAt, what: w.what, tags: [w.tag], to: `/drives/${w.driveId}` })),
    ...parts.map(p => ({
      key: p.id,
      at: p.on,
      what: `${p.name} arrives`,
      tags: p.serves,
      to: `/shelf?q=${encodeURIComponent(p.name)}`,
    })),
  ]
  return all.filter(a => Date.parse(a.at) < nowMs + WEEK_MS).sort((a, b) => (a.at < b.at ? -1 : 1))
}
