import { BUILT_IN, findCheck, findComplaint, type Knowledge } from '../../diagnosis'
import { closedCase } from '../../diagnosis/learning'
import { lowerFirst } from '../../base/observations'
import { inMachine, supportingEntries, type DriveFacts, type InMachine, type LogEntry } from '../../log'
import { findStep } from '../stations'

export type ComplaintState = 'open' | 'cured' | 'not seen'

/** The drive whose place a complaint came with. */
type Exchange = NonNullable<InMachine['replaces']>

/** What became of one complaint. */
export interface ComplaintStory {
  readonly id: string
  readonly label: string
  readonly state: ComplaintState
  /** Whether somebody saw it here: only told, seen, or seen now and then. */
  readonly seen: 'told' | 'seen here' | 'now and then'
  /** The entry that closed it; null while it is open. */
  readonly closed: LogEntry | null
  /** What was done last before it was gone; null where nothing was. */
  readonly cure: {
    readonly title: string
    readonly at: string
    readonly seq: number
    readonly proved: boolean
  } | null
  /** What it turned out to be, where that is known. */
  readonly cause: { readonly fault: string; readonly label: string; readonly probability: number } | null
  /** What was measured since the cure, with a good result. */
  readonly proof: readonly string[]
  /** All of it in one or two sentences. */
  readonly says: string
}

const KEY = 'complaint.'
/** A cause is told from here on. */
const TOLD = 0.5
const PROOFS = 3

type Reading = Extract<NonNullable<LogEntry['data']>, { type: 'reading' }>
const readingOf = (e: LogEntry): Reading | null => (e.data?.type === 'reading' ? e.data : null)

/** Every complaint that was ever said of a drive, in the order in which they came, with what became of it. */
export function complaintsOf(
  drive: DriveFacts,
  log: readonly LogEntry[],
  knowledge: Knowledge = BUILT_IN,
): ComplaintStory[] {
  const entries = supportingEntries(log, drive)
  const { replaces } = inMachine(entries)
  const cameWith = (id: string) => (replaces?.complaints.includes(id) ? replaces : null)
  const ids = new Set([
    ...entries.flatMap(e => {
      const r = readingOf(e)
      return r?.key.startsWith(KEY) ? [r.key.slice(KEY.length)] : []
    }),
    ...(replaces?.complaints ?? []),
  ])
  const causes = [...ids].some(id => stateOf(id, entries, cameWith(id)).state === 'cured')
    ? (closedCase(drive, log, knowledge)?.causes ?? [])
    : []
  const likely = [...causes].sort((a, b) => b.weight - a.weight)[0]
  const cause =
    likely && likely.weight >= TOLD
      ? {
          fault: likely.fault,
          label: knowledge.faults.find(f => f.id === likely.fault)!.label,
          probability: likely.weight,
        }
      : null
  return [...ids].flatMap(id => {
    const complaint = findComplaint(id)
    if (!complaint) return []
    const exchange = cameWith(id)
    const { state, seen, closed } = stateOf(id, entries, exchange)
    const cure = closed && state === 'cured' ? cureBefore(closed, entries, exchange) : null
    const proof = cure ? provedSince(cure.seq, entries) : []
    /** Tag of the drive that its cause went out with, as nothing was done in this one. */
    const wentWith = cure && cure.seq === exchange?.entry.seq ? exchange.drive.tag : null
    const its = cure?.proved && !wentWith ? cause : null
    const story = { id, label: complaint.label, state, seen, closed, cure, cause: its, proof }
    const from = exchange && `Came with the place of ${exchange.drive.tag}. `
    return [{ ...story, says: `${from ?? ''}${sayOf(story, wentWith)}` }]
  })
}

/** How a complaint stands: the last word on it counts. */
function stateOf(
  id: string,
  entries: readonly LogEntry[],
  exchange: Exchange | null,
): Pick<ComplaintStory, 'state' | 'seen' | 'closed'> {
  const said = entries.filter(e => e.seq > (exchange?.entry.seq ?? -1) && readingOf(e)?.key === `${KEY}${id}`)
  if (said.length === 0) return { state: 'open', seen: 'told', closed: null }
  const here = said.filter(e => e.evidence?.source !== 'said').map(e => readingOf(e)!.value)
  const last = said.at(-1)!
  const word = readingOf(last)!.value
  const state: ComplaintState = word === 'cured' ? 'cured' : word === 'not seen' ? 'not seen' : 'open'
  return {
    state,
    seen: here.includes('now and then') ? 'now and then' : here.includes('seen') ? 'seen here' : 'told',
    closed: state === 'open' ? null : last,
  }
}

/** What was done last before an entry: what is said to have cured, else the exchange, else the last treatment. */
function cureBefore(closed: LogEntry, entries: readonly LogEntry[], exchange: Exchange | null): ComplaintStory['cure'] {
  const before = entries.filter(e => e.seq < closed.seq && e.seq > (exchange?.entry.seq ?? -1))
  const said = before.findLast(e => readingOf(e)?.value === 'cures')
  if (said) {
    const { key } = readingOf(said)!
    return { title: findCheck(key)?.title ?? said.title, at: said.at, seq: said.seq, proved: true }
  }
  if (exchange)
    return {
      title: `Whole drive exchanged: this one for ${exchange.drive.tag}`,
      at: exchange.at,
      seq: exchange.entry.seq,
      proved: true,
    }
  const done = before.findLast(
    e => readingOf(e)?.key.startsWith('after.') || (e.data?.type === 'step' && e.station === 'clean'),
  )
  if (!done) return null
  const title = done.data?.type === 'step' ? (findStep(done.data.step)?.step.title ?? done.title) : done.title
  return { title, at: done.at, seq: done.seq, proved: false }
}

/** What was measured well since an entry. */
const provedSince = (seq: number, entries: readonly LogEntry[]): string[] =>
  entries
    .filter(e => e.seq > seq && e.call?.kind === 'leave' && (e.kind === 'measurement' || e.kind === 'finding'))
    .map(e => e.title)
    .slice(-PROOFS)

function sayOf(s: Omit<ComplaintStory, 'says'>, wentWith: string | null): string {
  if (s.state === 'open') return s.seen === 'told' ? 'Open; not tried here yet.' : `Open; ${s.seen}.`
  if (s.state === 'not seen') return 'Not seen here.'
  if (!s.cure) return 'Gone; cause not known.'
  const tested = s.proof.length ? ` Since then: ${s.proof.map(lowerFirst).join('; ')}.` : ' Nothing was measured since.'
  if (!s.cure.proved) return `Gone; cause not known. Done last: ${lowerFirst(s.cure.title)}.${tested}`
  if (wentWith) return `Gone with this drive in its place: its cause was in ${wentWith}.${tested}`
  const cause = s.cause ? `Cause: ${lowerFirst(s.cause.label)}.` : 'Cause not known.'
  return `${cause} Cured by: ${lowerFirst(s.cure.title)}.${tested}`
}

/** One thing that was tried on the way, as it stands on the log. */
export interface Tried {
  readonly at: string
  readonly title: string
  readonly kind: 'check' | 'found' | 'done' | 'fitted'
}

/** What was checked, found, done and fitted on the way from complaint to cure, in order. */
export function triedOn(drive: DriveFacts, log: readonly LogEntry[]): Tried[] {
  return supportingEntries(log, drive).flatMap((e): Tried[] => {
    const { data, at, title } = e
    if (data?.type === 'part-used' || data?.type === 'part-fitted') return [{ at, title, kind: 'fitted' }]
    if (data?.type === 'finding') return e.call?.kind === 'leave' ? [] : [{ at, title, kind: 'found' }]
    if (e.kind !== 'measurement') return []
    const key = readingOf(e)?.key ?? ''
    if (key.startsWith(KEY)) return []
    return [{ at, title, kind: /^(?:after|swap)\./.test(key) ? 'done' : 'check' }]
  })
}
