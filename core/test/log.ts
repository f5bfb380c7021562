import { recordFinding, type FindingInput } from '../src/findings'
import {
  upgradeEntry,
  type AsFoundItem,
  type DriveFacts,
  type EntryData,
  type LogEntry,
  type StationId,
} from '../src/log'

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
    evidence: evidenceOf(part.data ?? null),
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

/** A thing of which nothing is said. */
export const EMPTY: AsFoundItem = {
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

/** What an entry of this data usually rests on. */
export const evidenceOf = (data: EntryData | null): LogEntry['evidence'] =>
  upgradeEntry({ kind: 'measurement', data, observations: [] }).evidence

/** A drive on file with nothing known of it. */
export const driveFacts = (part: Partial<DriveFacts> = {}): DriveFacts => ({
  id: 'd',
  tag: 'SK-05',
  simulated: false,
  mechanism: '3.5in',
  maker: '',
  model: '',
  serial: '',
  host: '',
  ownerWords: '',
  features: null,
  account: null,
  nominalRpm: null,
  motor: null,
  hasTrimmer: null,
  pulleys: null,
  year: null,
  goal: null,
  practice: null,
  route: 'complaint',
  receivedAt: '2026-01-01T00:00:00Z',
  ...part,
})

/** Tracks of a surface that all read alike. @param margin share of the half window */
export const barsOf = (
  margin: number | null,
  {
    cylinders = 80,
    heads = 2,
    good = 9,
    bad = 0,
  }: { cylinders?: number; heads?: 1 | 2; good?: number; bad?: number } = {},
) =>
  Array.from({ length: cylinders }, (_, cylinder) =>
    ([0, 1] as const)
      .slice(0, heads)
      .map(head => ({ cylinder, head, margin, good: good - bad, bad, missing: 0, wrongCylinder: 0 })),
  ).flat()

export const NO_FACTS = { homeOff: 0, rateOff: null, swings: [null, null] } as const
