import { weighedFindings } from './chance-of'
import { minutesHere, paceOf } from './own-experience'
import type { WorthInput, WorthLine } from './types'

const hours = (minutes: number) => minutes / 60
const inHours = (minutes: number) => `${hours(minutes).toFixed(1)} h`

/**
 * Hours of hands still to come: the likely cure and its proof, as this workshop does them. An overhaul is told beside
 * it and not priced; what was spent is told beside what was expected.
 */
export function hoursOf(input: WorthInput): { readonly hoursToGo: number; readonly lines: readonly WorthLine[] } {
  const { minutesToGo, overhaulMinutes, outlook = null, pace = null, repairs = [], spent = null } = input
  const found = outlook ? 0 : weighedFindings(new Set(input.found)).reduce((h, w) => h + w.hours, 0)
  const factor = pace ? paceOf(pace) : 1
  const listed = hours(minutesToGo) * factor + found
  // Own repairs are whole ones, the proof with them.
  const toGo = repairs.length && outlook ? hours(minutesHere(60 * listed, repairs)) : listed
  const lines: WorthLine[] = []
  const push = (label: string, value: number, note: string) => lines.push({ label, value, unit: 'hours', note })
  if (pace && pace.drives > 0)
    lines.push({
      label: 'Hours here, against the lists',
      value: factor,
      unit: 'factor',
      note: `${inHours(pace.taken)} by the logs of ${pace.drives} ${pace.drives === 1 ? 'drive' : 'drives'}, ${inHours(pace.expected)} by the lists`,
    })
  const like = repairs.map(r => `${r.tag} ${inHours(r.minutes)}`).join(', ')
  push(
    'Hours still to come',
    toGo,
    like ? `the same fault took here: ${like}; the rest from memory` : 'the likely cure and its proof, from memory',
  )
  if (overhaulMinutes !== undefined && overhaulMinutes > minutesToGo)
    push('A thorough overhaul instead', hours(overhaulMinutes) * factor + found, 'every open step; not counted')
  if (spent && spent.minutes > 0)
    push(
      'Spent so far, by its log',
      hours(spent.minutes),
      `${spent.sittings} ${spent.sittings === 1 ? 'sitting' : 'sittings'}; the lists expected ${inHours(spent.expected)} for what was done; not counted`,
    )
  return { hoursToGo: toGo, lines }
}
