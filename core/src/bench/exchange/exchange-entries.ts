import { ParameterError } from '../../base/errors'
import { findMechanism } from '../../drives'
import { asFoundRecord } from '../../findings'
import { inMachine, supportingEntries, type DriveFacts, type LogEntry, type NewEntry } from '../../log'
import { caseOfLog, openComplaints } from '../../diagnosis'
import { carriedComplaints } from '../case'
import { progressOf } from '../stations'

/** A drive with its log. */
export interface OnFile {
  readonly drive: DriveFacts
  readonly log: readonly LogEntry[]
}

/** A whole drive that goes into the machine of another one. */
export interface Exchange {
  /** Id of the entry on the drive that comes out. */
  readonly id: string
  readonly at: string
  readonly remark: string
  /** Ids of as-found entries of the drive that comes out which belong to the machine. */
  readonly passOn: readonly string[]
}

const wrong = (problem: string, expected: string, field = 'by') => new ParameterError(problem, expected, { field })

/** Complaints that are open on a drive, those of its machine that were not tried yet among them. */
export function complaintsToPass({ drive, log }: OnFile): string[] {
  const untried = carriedComplaints(supportingEntries(log, drive))?.untried ?? []
  return [...new Set([...openComplaints(caseOfLog(drive, log)), ...untried])]
}

/**
 * Why a drive cannot go into the machine of another one; null where it can.
 */
export function whyNot(old: OnFile, other: OnFile): string | null {
  const { tag } = other.drive
  if (other.drive.id === old.drive.id) return 'A drive does not replace itself.'
  if (old.drive.practice || other.drive.practice) return 'A practice drive sits in no machine.'
  if (old.drive.simulated !== other.drive.simulated)
    return 'A real drive and a simulated one do not replace each other.'
  const out = inMachine(old.log).replacedBy
  if (out) return `${old.drive.tag} is not in its machine: ${out.drive.tag} is.`
  const { outcome } = progressOf(other.log)
  if (outcome === 'parts') return `${tag} was stripped for parts.`
  if (outcome === 'quarantined') return `${tag} is quarantined.`
  const { replaces } = inMachine(other.log)
  if (replaces && outcome === null) return `${tag} has the place of ${replaces.drive.tag} already.`
  return null
}

/** What differs between two drives and matters to the machine; empty where nothing is known to. */
export function differsFor(old: DriveFacts, other: DriveFacts): string[] {
  const out: string[] = []
  if (old.mechanism !== other.mechanism)
    out.push(
      `${other.tag} is another drive type: ${findMechanism(other.mechanism).label}, not ${findMechanism(old.mechanism).label}.`,
    )
  else if (old.model.trim().toLowerCase() !== other.model.trim().toLowerCase())
    out.push(`${other.tag} is another model: compare plug, straps, screw holes and front before it goes in.`)
  return out
}

const bare = { call: null, observations: [], evidence: null, takesBack: null } as const

/**
 * Entries of a drive that is replaced as a whole. The complaints that are open go on as the machine’s; what was noted
 * as found and belongs to the machine goes on with its photos, and is to be put back there.
 * @param newId makes an id for each entry beside the first
 * @returns the first one is the entry on the drive that comes out
 * @throws ParameterError where the other drive cannot go in, or what is passed on is not on the record
 */
export function exchangeEntries(exchange: Exchange, old: OnFile, other: OnFile, newId: () => string): NewEntry[] {
  const not = whyNot(old, other)
  if (not) throw wrong(not.replace(/\.$/, ''), 'a drive that is at hand')
  const record = asFoundRecord(old.log)
  const strange = exchange.passOn.find(id => !record.some(r => r.entry.id === id))
  if (strange)
    throw wrong(
      'what is passed on is not on the as-found record',
      `things that were noted on ${old.drive.tag}`,
      'passOn',
    )
  const passed = record.filter(r => exchange.passOn.includes(r.entry.id))
  const [from, to] = [refOf(old.drive), refOf(other.drive)]
  const { at } = exchange
  const station = 'open'
  const out: NewEntry = {
    ...bare,
    id: exchange.id,
    driveId: from.id,
    at,
    station,
    kind: 'replaced',
    title: `Replaced by ${to.tag}`,
    detail: exchange.remark,
    data: { type: 'replaced', by: to, passedOn: passed.map(r => r.entry.id) },
  }
  const into: NewEntry = {
    ...bare,
    id: newId(),
    driveId: to.id,
    at,
    station,
    kind: 'replaces',
    title: `In the place of ${from.tag}`,
    detail: exchange.remark,
    data: { type: 'replaces', drive: from, complaints: complaintsToPass(old) },
  }
  /** New ids of entries that are noted again on the other drive, by the old ones. */
  const ids = new Map(passed.map(r => [r.entry.id, newId()]))
  const photos = new Set(passed.flatMap(r => r.item.mark?.photo ?? []))
  const taken = old.log.filter(e => photos.has(e.id) && e.data?.type === 'photo' && e.data.sha !== null)
  for (const photo of taken) ids.set(photo.id, newId())
  const again = taken.map((e): NewEntry => {
    const { seq: _, ...rest } = e
    return { ...rest, id: ids.get(e.id)!, driveId: to.id, at }
  })
  const noted = passed.flatMap((r): NewEntry[] => {
    const { item, entry } = r
    const id = ids.get(entry.id)!
    const mark = item.mark && ids.has(item.mark.photo) ? { ...item.mark, photo: ids.get(item.mark.photo)! } : null
    const behind = item.behind === null ? null : (ids.get(item.behind) ?? null)
    // What was noted on the drive itself comes home.
    const notedOn = r.notedOn ?? from.tag
    const elsewhere = notedOn === to.tag ? {} : { notedOn }
    const common = { ...bare, driveId: to.id, at, station: entry.station, detail: '' }
    return [
      {
        ...common,
        id,
        kind: 'as-found',
        title: entry.title,
        detail: entry.detail,
        data: { type: 'as-found', item: { ...item, mark, behind }, ...elsewhere },
      },
      {
        ...common,
        id: newId(),
        kind: 'undone',
        title: `Undone with ${from.tag}: ${item.name}`,
        data: { type: 'undone', item: id, broke: r.putBack ? null : r.broke },
      },
    ]
  })
  return [out, into, ...again, ...noted]
}

const refOf = ({ id, tag }: DriveFacts) => ({ id, tag })
