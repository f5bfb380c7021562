import { recordFinding, type FindingInput } from '../src/findings'
import type { AsFoundItem, EntryData, LogEntry, StationId } from '../src/observations'

let seq = 0
/** An entry for tests; its time moves on by a minute each. */
export function entry(part: Partial<LogEntry> = {}): LogEntry {
  seq++
  return {
    id: `e${seq}`,
    seq,
    driveId: 'd1',
    at: new Date(Date.UTC(2026, 2, 1, 10) + seq * 60_000).toISOString(),
    kind: 'note',
    station: 'look',
    title: 'note',
    detail: '',
    call: null,
    observations: [],
    data: null,
    takesBack: null,
    ...part,
  }
}

export function found(
  input: string | FindingInput,
  station: StationId = 'look',
  place: string | null = null,
): LogEntry {
  const r = recordFinding(typeof input === 'string' ? { finding: input, place } : input)
  return entry({
    kind: 'finding',
    station,
    title: r.title,
    call: r.call,
    observations: [r.observation],
    data: { type: 'finding', finding: r.finding.id, place: r.place },
  })
}

export const withData = (kind: LogEntry['kind'], data: EntryData, part: Partial<LogEntry> = {}): LogEntry =>
  entry({ kind, data, ...part })

const EMPTY: AsFoundItem = {
  kind: 'part',
  name: 'cover',
  state: '',
  detail: '',
  colour: '',
  from: '',
  to: '',
  measured: '',
  behind: null,
  mark: null,
}
export const marked = (item: Partial<AsFoundItem>): LogEntry =>
  withData('as-found', { type: 'as-found', item: { ...EMPTY, ...item } }, { station: 'open' })
export const undone = (item: LogEntry, broke: 'cut' | 'snapped' | 'unsoldered' | null = null): LogEntry =>
  withData('undone', { type: 'undone', item: item.id, broke }, { station: 'open' })
export const putBack = (item: LogEntry, leftOff = false): LogEntry =>
  withData('put-back', { type: 'put-back', item: item.id, leftOff }, { station: 'prove' })
