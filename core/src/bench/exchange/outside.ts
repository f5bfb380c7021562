import { caseOfLog, outsideFactors, type CaseReading, type WeighOptions } from '../../diagnosis'
import { inMachine, supportingEntries } from '../../log'
import type { OnFile } from './may-replace'

/**
 * What a drive that has the place of another one takes over from its case: how much likelier faults outside the drive
 * are, its cable, its supply, its host, than on any bench. What was inside went out with the other drive.
 */
export const factorsFrom = (old: OnFile, known: Pick<WeighOptions, 'factors' | 'knowledge'>): Record<string, number> =>
  outsideFactors(caseOfLog(old.drive, old.log), known)

/**
 * What the drive that has its place now says of a drive: another drive on the same host shows the same, or works.
 * @returns nothing while no complaint was tried with the other drive
 */
export function toldByReplacement(old: OnFile, other: OnFile): CaseReading[] {
  const entry = inMachine(other.log).replaces
  if (inMachine(old.log).replacedBy?.drive.id !== other.drive.id || entry?.drive.id !== old.drive.id) return []
  const words = new Map<string, string>()
  for (const { seq, data } of supportingEntries(other.log, other.drive)) {
    if (seq < entry.entry.seq || data?.type !== 'reading' || !data.key.startsWith('complaint.')) continue
    const id = data.key.slice('complaint.'.length)
    // The first word counts: later ones are of what was done in the other drive.
    if (entry.complaints.includes(id) && !words.has(id)) words.set(id, String(data.value))
  }
  if (words.size === 0) return []
  const same = [...words.values()].some(w => w === 'seen' || w === 'now and then')
  const value = same ? 'same' : 'works'
  return [{ key: 'host.other-drive', value, unit: '', source: 'hand', uncertainty: null, at: entry.entry.seq }]
}
