import ical, { ICalCalendarMethod } from 'ical-generator'
import type { Certificate } from '@wobrin/core/release'

/** Next service dates as iCalendar (RFC 5545): whole days, each with a reminder of a week. */
export function serviceCalendar({ drive, nextService, workshop, issuedAt }: Certificate, address: string): string {
  const calendar = ical({
    name: `Service of ${drive.tag}`,
    prodId: { company: 'Wobrin', product: 'service dates', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  })
  for (const s of nextService) {
    const event = calendar.createEvent({
      id: `${drive.tag}-${s.id}@wobrin`,
      start: new Date(`${s.on}T00:00:00Z`),
      allDay: true,
      timezone: null,
      stamp: new Date(issuedAt),
      summary: `${drive.tag}: ${s.what.charAt(0).toLowerCase()}${s.what.slice(1)}`,
      description:
        `${s.why}\n${[drive.maker, drive.model].filter(Boolean).join(' ')}${workshop ? `, ${workshop}` : ''}`.trim(),
      url: address,
    })
    event.createAlarm({ type: 'display' as never, trigger: 7 * 86_400, description: s.what })
  }
  return calendar.toString()
}
