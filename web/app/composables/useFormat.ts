import { addMinutes, format, isThisYear, isToday, isYesterday } from 'date-fns'

/** A clock time today, a day otherwise. */
export function shortTime(iso: string): string {
  const at = new Date(iso)
  if (isToday(at)) return format(at, 'HH:mm')
  return format(at, isThisYear(at) ? 'd MMM' : 'd MMM yy')
}

export const clockOf = (iso: string) => format(new Date(iso), 'HH:mm')

/** The clock time so many minutes after a moment. */
export const clockAfter = (from: Date, minutes: number): string => format(addMinutes(from, minutes), 'HH:mm')

export function dayOf(iso: string): string {
  const at = new Date(iso)
  return isToday(at)
    ? 'Today'
    : isYesterday(at)
      ? 'Yesterday'
      : format(at, isThisYear(at) ? 'EEEE, d MMMM' : 'd MMMM yyyy')
}

/** The same within a sentence. */
export const dayWithin = (iso: string): string =>
  dayOf(iso).replace(/^(?:Today|Yesterday)$/, word => word.toLowerCase())

/** When something ends: a clock time today, a weekday within a week, a date beyond. */
export function endOf(iso: string): string {
  const at = new Date(iso)
  if (isToday(at)) return format(at, 'HH:mm')
  return format(at, Math.abs(at.getTime() - Date.now()) < 6 * 86_400_000 ? 'EEE HH:mm' : 'd MMM')
}

/** A day without a time, such as 2026-03-31, as a weekday and a date. */
export const weekday = (day: string): string => format(new Date(`${day}T12:00`), 'EEE d MMM')

/** Minutes as a person says them. */
export function duration(minutes: number): string {
  if (minutes < 120) return `${minutes} min`
  return minutes < 2880 ? `${Math.round(minutes / 60)} h` : `${Math.round(minutes / 1440)} days`
}

export const longTime = (iso: string) => format(new Date(iso), 'd MMMM yyyy, HH:mm')

/** Decimals that an uncertainty justifies. */
export function decimals(uncertainty: number | null): number {
  return uncertainty === null ? 1 : Math.min(2, Math.max(0, Math.ceil(-Math.log10(uncertainty))))
}

export function signed(x: number, places: number): string {
  if (Number(x.toFixed(places)) === 0) return '0'
  return `${x < 0 ? '−' : '+'}${Math.abs(x).toFixed(places)}`
}

/** A place on a scale: no zeros to fill, and a minus that is one. */
export const mark = (x: number, places = 2): string => Number(x.toFixed(places)).toString().replace('-', '−')

export const megabytes = (bytes: number) =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`

/** A large count with its thousands apart: 98 212. */
export const spaced = (n: number): string => String(Math.round(n)).replace(/\B(?=(?:\d{3})+$)/g, '\u202F')
