import type { Call, Evidence, Observation } from '../base/observations'
import type { EntryData } from './entry-data'

/** The eleven stations, in the order of the work. */
export const STATION_IDS = [
  'receive',
  'look',
  'open',
  'clean',
  'drive-train',
  'electronics',
  'first-power',
  'speed',
  'align',
  'prove',
  'release',
] as const

export type StationId = (typeof STATION_IDS)[number]

export type EntryKind =
  /** The drive came in. */
  | 'received'
  /** Something worth keeping, in words. */
  | 'note'
  /** A step was done. */
  | 'step'
  /** A station was finished. */
  | 'station'
  /** An instrument gave an answer. */
  | 'measurement'
  /** Something has to soak, dry, cure or arrive. */
  | 'wait'
  /** A wait is over, or was cut short. */
  | 'wait-ended'
  /** A picture was taken. */
  | 'photo'
  /** Something was seen, heard, smelt, felt or measured by hand. */
  | 'finding'
  /** How something was before it was touched: a plug, a strap, a screw, a wire. */
  | 'as-found'
  /** It was undone, or put back, or left off. */
  | 'undone'
  | 'put-back'
  /** A closed gate was passed, with a reason. */
  | 'override'
  /** A caution was read. */
  | 'acknowledged'
  /** Facts about the drive were corrected. */
  | 'facts'
  /** An earlier entry no longer holds; it stays where it is. */
  | 'taken-back'
  /** The drive left, or was given up. */
  | 'released'
  /** A part of another drive, or of the shelf, went in. */
  | 'part-used'
  /** What a person says of one part. */
  | 'part'
  /** A part went into another drive, for a time or for good. */
  | 'part-lent'
  /** It came back, or another one took its place. */
  | 'part-back'
  /** It came out of its machine, and another drive went in. */
  | 'replaced'
  /** It went into a machine in the place of another drive. */
  | 'replaces'
  /** Words or photos were erased for good. */
  | 'erased'

/** All kinds of entries; one that is missing here does not compile. */
const KINDS: Readonly<Record<EntryKind, true>> = {
  received: true,
  note: true,
  step: true,
  station: true,
  measurement: true,
  wait: true,
  'wait-ended': true,
  photo: true,
  finding: true,
  'as-found': true,
  undone: true,
  'put-back': true,
  override: true,
  acknowledged: true,
  facts: true,
  'taken-back': true,
  released: true,
  'part-used': true,
  part: true,
  'part-lent': true,
  'part-back': true,
  replaced: true,
  replaces: true,
  erased: true,
}
export const ENTRY_KINDS = Object.keys(KINDS) as readonly EntryKind[]

/** One entry of a drive's log. Entries are only ever added. */
export interface LogEntry {
  /** Made by the client, so that sending twice adds once. */
  readonly id: string
  /** Order within the workshop; given by the server. */
  readonly seq: number
  readonly driveId: string
  /** ISO 8601, UTC. */
  readonly at: string
  readonly kind: EntryKind
  readonly station: StationId
  readonly title: string
  readonly detail: string
  readonly call: Call | null
  readonly observations: readonly Observation[]
  /** Where the observations come from; null for an entry that measures nothing. */
  readonly evidence: Evidence | null
  readonly data: EntryData | null
  /** Id of the entry that this one takes back. */
  readonly takesBack: string | null
}

/** Entries that still hold: those taken back, and the taking back itself, left out. Oldest first. */
export function standingEntries(log: readonly LogEntry[]): LogEntry[] {
  const gone = new Set(log.map(e => e.takesBack).filter(id => id !== null))
  return log.filter(e => e.kind !== 'taken-back' && !gone.has(e.id)).sort((a, b) => a.seq - b.seq)
}

/**
 * Entries that stay for good: the receipt, corrected facts, what takes back, what was erased, and what two drives have
 * with each other.
 */
const STAYS: ReadonlySet<EntryKind> = new Set([
  'received',
  'facts',
  'taken-back',
  'erased',
  'part-lent',
  'part-back',
  'replaced',
  'replaces',
])

/** Whether an entry can be taken back. A part that another drive lent is given back instead. */
export const mayTakeBack = ({ kind, data }: Pick<LogEntry, 'kind' | 'data'>): boolean =>
  !STAYS.has(kind) && !(data?.type === 'part-fitted' && data.from.kind === 'drive')

/** An entry before the log gives it its place. */
export type NewEntry = Omit<LogEntry, 'seq'>

/**
 * Whether an entry may support a claim about a drive: what the simulated drive did says nothing of a real one.
 * @param drive on whose log it stands
 */
export const supports = (entry: LogEntry, drive: { readonly simulated: boolean }): boolean =>
  drive.simulated || entry.evidence?.source !== 'simulated'

/** Entries that still hold and may support a claim about the drive, oldest first. */
export const supportingEntries = (log: readonly LogEntry[], drive: { readonly simulated: boolean }): LogEntry[] =>
  standingEntries(log).filter(e => supports(e, drive))
