import { knownId } from './nearest'
import { MECHANISM_IDS, type MechanismId } from '../drives'
import { meantOn } from './case/meant-on'
import { thereOn, type DiagnosedDrive } from './drive/there'
import { COMPLAINTS } from './knowledge/complaints'
import { CHECKS, FAULTS, PARTS } from './knowledge/knowledge'
import type { Complaint, Fault } from './knowledge/types'

export const LISTS = ['complaints', 'faults', 'checks', 'parts'] as const
export type ListId = (typeof LISTS)[number]

/** One row of a list: named fields, the id first. */
export type ListRow = Readonly<Record<string, string | number | readonly string[]>>

/** Complaints that a type of drive can give rise to. */
export function complaintsOn(mechanism: MechanismId): readonly Complaint[] {
  const drive = thereOn({ mechanism })
  return COMPLAINTS.filter(c => c.means.length === 0 || meantOn(c, drive).length > 0)
}

/** Faults that a drive can have, by their ids. */
export const faultsOn = (drive: DiagnosedDrive): ReadonlyMap<string, Fault> => thereOn(drive).faultById

/**
 * What the engine knows, of all drives or of one type.
 * @throws ParameterError for an unknown list or type
 */
export function knowledgeList(list: string, mechanism?: string): ListRow[] {
  const which = knownId(list, 'list', LISTS, '--list') as ListId
  const type = mechanism && (knownId(mechanism, 'drive type', MECHANISM_IDS, '--mechanism') as MechanismId)
  const drive = type ? thereOn({ mechanism: type }) : null
  const faults = drive ? drive.faults : FAULTS
  const checks = drive ? [...drive.checks.values()].map(c => c.check) : CHECKS
  if (which === 'faults')
    return faults.map(f => ({
      id: f.id,
      part: f.part,
      label: f.label,
      odds: f.odds,
      source: f.source,
      cure: f.cure.says,
      minutes: f.cure.minutes,
    }))
  if (which === 'checks')
    return checks.map(c => ({
      id: c.id,
      title: c.title,
      answers: c.answers,
      minutes: c.minutes,
      kind: c.kind,
      needs: c.needs,
    }))
  if (which === 'parts') {
    const used = new Set(faults.map(f => f.part))
    return PARTS.filter(p => !drive || used.has(p.id)).map(({ id, label }) => ({ id, label }))
  }
  return (type ? complaintsOn(type) : COMPLAINTS).map(({ id, label, also }) => ({ id, label, also }))
}
