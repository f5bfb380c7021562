import { describe, expect, it } from 'vitest'
import { evidenceBy } from '../../../src/base/observations'
import { readingEntry } from '../../../src/bench/entries'
import { alignOrder } from '../../../src/bench/stations'
import { whatReads, worthIt } from '../../../src/bench/worth'
import { MECHANISM_IDS, type MechanismId } from '../../../src/drives'
import { NO_ACCOUNT, surfaceState, type DriveFacts, type LogEntry, type NewEntry } from '../../../src/log'

const facts = (part: Partial<DriveFacts> = {}): DriveFacts => ({
  id: 'd',
  tag: 'T-1',
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
let seq = 0
const kept = (entry: NewEntry): LogEntry => ({ ...entry, seq: ++seq }) as LogEntry
const typed = (drive: DriveFacts, key: string, value: number | string, of?: number) =>
  kept(readingEntry({ id: `r${seq}`, at: '2026-01-02T00:00:00Z', remark: '', key, value, of }, drive))
const ZONES = ['outer', 'middle', 'inner'] as const
const HEADS = ['lower', 'upper'] as const
/** All six places as a host's own program counts them. */
const counted = (good: (head: string, zone: string) => number, drive = facts()) =>
  HEADS.flatMap(h => ZONES.map(z => typed(drive, `read.${h}.${z}`, good(h, z), 45)))
/** The same, of a named disk of the shelf. */
const crossRead = (disk: string, good: (head: 0 | 1, zone: string) => number): LogEntry =>
  ({
    ...typed(facts(), 'host.boots', 'at once'),
    evidence: evidenceBy('host', 'the host’s own program'),
    data: {
      type: 'cross-read',
      disk,
      places: ([0, 1] as const).flatMap(head =>
        ZONES.map(zone => ({ head, zone, good: good(head, zone), sectors: 45 })),
      ),
    },
  }) as LogEntry
const clean = (): LogEntry =>
  ({
    ...typed(facts(), 'host.boots', 'at once'),
    kind: 'finding',
    data: { type: 'finding', finding: 'headclean.clean', place: null },
  }) as LogEntry
const speed = (drive = facts()) => typed(drive, 'speed.mean', 300)
const verdict = (log: LogEntry[], drive = facts()) => alignOrder(drive, log, disk => disk === 'reference').verdict

describe('sectors that a person counted, at Align', () => {
  // Common practice: all sectors on both heads, outer, middle and inner, of a reference disk: leave it alone.
  it('all of a reference disk: leave the adjusters, and a count does not show the margin', () => {
    const { call } = verdict([clean(), speed(), crossRead('reference', () => 45)])
    expect(call.kind).toBe('leave')
    expect(call.reasons.join(' ')).toMatch(/does not show the timing margin/)
  })
  it('all of a disk that nobody knows decides nothing: a misaligned drive reads its own', () => {
    expect(verdict([clean(), speed(), crossRead('other', () => 45)]).call.kind).toBe('unknown')
    expect(verdict([clean(), speed(), ...counted(() => 45)]).call.kind).toBe('unknown')
  })
  it('a disk that nobody knows says nothing against what a reference disk showed', () => {
    const log = [clean(), speed(), crossRead('reference', () => 45), crossRead('other', () => 0)]
    expect(verdict(log).call.kind).toBe('leave')
  })
  it('one head only decides nothing where the drive may have two', () => {
    const lower = counted(() => 45).filter(e => e.title.includes('lower'))
    expect(verdict([clean(), speed(), ...lower]).call.kind).toBe('unknown')
  })
  it('a head that reads nothing at all is never called a case for an adjuster on counts alone', () => {
    const { call, adjuster, explanations } = verdict([clean(), speed(), crossRead('reference', h => (h ? 0 : 45))])
    expect(call.kind).toBe('unknown')
    expect(adjuster).toBeNull()
    const upper = explanations.filter(e => e.head === 1).reduce((p, e) => p + e.probability, 0)
    expect(upper).toBeGreaterThan(0.8)
  })
  it('both heads that lose the inner tracks alike are not laid on one head', () => {
    const { explanations } = verdict([clean(), speed(), crossRead('reference', (_, z) => (z === 'inner' ? 20 : 45))])
    const [first] = explanations
    expect(first!.head).toBeNull()
  })
  it('the source stands behind what the order of work says', () => {
    const { items } = alignOrder(facts(), [speed(), ...counted(() => 45)])
    expect(items.find(i => i.id === 'evidence')!.says).toMatch(/host’s own program/)
    expect(items.find(i => i.id === 'speed')!.says).toMatch(/host’s own program/)
  })
  it.each(MECHANISM_IDS)('%s: whatever is counted, it answers', (mechanism: MechanismId) => {
    const drive = facts({ mechanism })
    for (const good of [0, 20, 45])
      expect(verdict([speed(drive), ...counted(() => good, drive)], drive).call.next).not.toBe('')
  })
})

describe('the latest word on each place', () => {
  it('a place that is counted again has its last count', () => {
    const { counts } = surfaceState([...counted(() => 10), typed(facts(), 'read.upper.inner', 45, 45)])
    expect(counts).toHaveLength(6)
    expect(counts.find(c => c.head === 1 && c.zone === 'inner')!.good).toBe(45)
    expect(counts.find(c => c.head === 0 && c.zone === 'inner')!.good).toBe(10)
  })
})

describe('what reads, in the account of a drive', () => {
  const chance = (log: LogEntry[], drive = facts()) =>
    worthIt({
      mechanism: '3.5in',
      account: { ...NO_ACCOUNT, working: 40 },
      found: [],
      minutesToGo: 60,
      reads: whatReads(drive, log),
    }).chance
  it('raises the chance: booting least, counts more', () => {
    const boots = chance([typed(facts(), 'host.boots', 'at once')])
    const counts = chance(counted(() => 45))
    expect(boots).toBeGreaterThan(chance([]))
    expect(counts).toBeGreaterThan(boots)
    expect(counts).toBeLessThan(1)
  })
  it('says nothing where a sector failed, where a head was not counted, or where it boots after some tries', () => {
    expect(
      whatReads(
        facts(),
        counted((_, z) => (z === 'inner' ? 44 : 45)),
      ),
    ).toBeNull()
    expect(
      whatReads(
        facts(),
        counted(() => 45).filter(e => e.title.includes('lower')),
      ),
    ).toBeNull()
    expect(whatReads(facts(), [typed(facts(), 'host.boots', 'after some tries')])).toBeNull()
  })
  it('on a real drive nothing that the simulated drive read counts', () => {
    const simulated = counted(() => 45).map(e => ({ ...e, evidence: evidenceBy('simulated') }))
    expect(whatReads(facts(), simulated)).toBeNull()
    expect(whatReads(facts({ simulated: true }), simulated)).not.toBeNull()
  })
  it('the arithmetic names where it comes from', () => {
    const { lines } = worthIt({
      mechanism: '3.5in',
      account: { ...NO_ACCOUNT, working: 40 },
      found: [],
      minutesToGo: 60,
      reads: whatReads(
        facts(),
        counted(() => 45),
      ),
    })
    expect(lines.find(l => l.label.startsWith('Doubt'))!.note).toMatch(/host’s own program/)
  })
})
