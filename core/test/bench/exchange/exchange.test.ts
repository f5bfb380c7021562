import { describe, expect, it } from 'vitest'
import { complaintsOf, driveCase, hasComplaint, wantedBy } from '../../../src/bench/case'
import {
  complaintsToPass,
  differsFor,
  exchangeEntries,
  factorsFrom,
  toldByReplacement,
  whyNot,
  type OnFile,
} from '../../../src/bench/exchange'
import { putBackList } from '../../../src/bench/put-back'
import { progressOf, walk } from '../../../src/bench/stations'
import { diagnose, caseOfLog } from '../../../src/diagnosis'
import { closedCase } from '../../../src/diagnosis/learning'
import { asFoundRecord } from '../../../src/findings'
import { inMachine, mayTakeBack, type AsFoundItem, type DriveFacts, type LogEntry } from '../../../src/log'
import { buildCertificate } from '../../../src/release'
import { driveFacts, EMPTY, entry } from '../../log'
import { readOn } from '../../read-on'

const OLD = driveFacts({ id: 'old', tag: 'SK-05', mechanism: '3.5in', model: 'KD-35' })
const NEW = driveFacts({ id: 'new', tag: 'SK-26', mechanism: '3.5in', model: 'KD-35' })
const AT = '2026-03-05T10:00:00Z'
let n = 0
const newId = () => `made${++n}`
const read = (drive: DriveFacts, key: string, value: string | number, source?: 'said' | 'hand' | 'meter') =>
  readOn(drive, key, value, { source })
const item = (kind: AsFoundItem['kind'], name: string, state = ''): AsFoundItem => ({ ...EMPTY, kind, name, state })
const noted = (id: string, of: AsFoundItem) =>
  entry({ id, kind: 'as-found', driveId: 'old', title: of.name, data: { type: 'as-found', item: of } })

/** The two drives after the exchange, with what is on their logs then. */
function exchanged(oldLog: LogEntry[], passOn: string[] = [], newLog: LogEntry[] = []): { old: OnFile; other: OnFile } {
  const before = { drive: OLD, log: oldLog }
  const entries = exchangeEntries(
    { id: newId(), at: AT, remark: '', passOn },
    before,
    { drive: NEW, log: newLog },
    newId,
  ).map(e => entry(e))
  return {
    old: { drive: OLD, log: [...oldLog, ...entries.filter(e => e.driveId === 'old')] },
    other: { drive: NEW, log: [...newLog, ...entries.filter(e => e.driveId === 'new')] },
  }
}
const then = (x: OnFile, ...more: LogEntry[]): OnFile => ({ ...x, log: [...x.log, ...more] })
const caseOf = ({ drive, log }: OnFile) => driveCase(drive, log, walk(drive, log, Date.parse(AT)))

describe('a drive that is replaced as a whole', () => {
  const complaint = read(OLD, 'complaint.reads-nothing', 'seen', 'said')

  it('passes its open complaints on; they are no evidence against the other one until they were tried', () => {
    const { old, other } = exchanged([complaint])
    expect(inMachine(old.log).replacedBy?.drive.tag).toBe('SK-26')
    expect(complaintsOf(NEW, other.log)).toMatchObject([{ id: 'reads-nothing', state: 'open', seen: 'told' }])
    expect(hasComplaint(NEW, other.log)).toBe(true)
    expect(caseOf(other).diagnosis.evidence).toBe(0)
    // No looks were made yet: they come before it is tried.
    expect(caseOf(other)).toMatchObject({ complaints: ['reads-nothing'], toSettle: [], looksFirst: true })
    expect(wantedBy(caseOf(other))?.title).toMatch(/^Make the safety looks/)
    const gates = walk(NEW, other.log, Date.parse(AT)).gates.map(g => ({ ...g, open: true }))
    expect(driveCase(NEW, other.log, { gates })).toMatchObject({ toSettle: ['reads-nothing'], looksFirst: false })
  })

  it('was the cause where the complaint is gone with the other one; nothing is learned of that one', () => {
    const { old, other } = exchanged([complaint])
    const gone = then(other, read(NEW, 'complaint.reads-nothing', 'cured', 'hand'))
    const [story] = complaintsOf(NEW, gone.log)
    expect(story).toMatchObject({ state: 'cured', cause: null, cure: { proved: true } })
    expect(story!.says).toContain('SK-05')
    expect(closedCase(NEW, gone.log)).toBeNull()
    expect(toldByReplacement(old, gone)).toMatchObject([{ key: 'host.other-drive', value: 'works' }])
    expect(toldByReplacement(old, other)).toEqual([])
    // That a cable or a host is at fault is less likely for the old one now.
    const outside = (also: ReturnType<typeof toldByReplacement>) => {
      const c = caseOfLog(OLD, old.log)
      return diagnose({ ...c, readings: [...c.readings, ...also] })
        .causes.filter(x => ['interface-cable', 'host', 'supply'].includes(x.part))
        .reduce((s, x) => s + x.probability, 0)
    }
    expect(outside(toldByReplacement(old, gone))).toBeLessThan(outside([]) + 1e-9)
  })

  it('leaves what was likely outside it to the other one, and nothing of what was inside', () => {
    const log = [
      read(OLD, 'complaint.dead', 'seen', 'hand'),
      read(OLD, 'supply.5v', 3.4, 'meter'),
      read(OLD, 'host.other-drive', 'same', 'hand'),
    ]
    const { old, other } = exchanged(log)
    const factors = factorsFrom(old, {})
    expect(factors['supply.low']).toBeGreaterThan(5)
    expect(Object.keys(factors).some(f => f.startsWith('spindle-motor.') || f.startsWith('lower-head.'))).toBe(false)
    const seen = then(other, read(NEW, 'complaint.dead', 'seen', 'hand'))
    const first = (carried: Record<string, number>) =>
      driveCase(NEW, seen.log, { gates: [] }, { carried }).diagnosis.causes.find(c => c.fault === 'supply.low')
    expect(first(factors)?.probability ?? 0).toBeGreaterThan(first({})?.probability ?? 0)
  })

  it('passes on what was noted of the machine, to be put back there', () => {
    const cover = noted('cover', item('part', 'front panel'))
    const strap = noted('strap', item('strap', 'DS', 'DS1 set'))
    const behind = noted('plug', { ...item('connector', '34-pin', 'left'), behind: 'cover' })
    const inside = noted('joint', item('solder', 'motor lead'))
    const undo = (of: string) =>
      entry({ kind: 'undone', driveId: 'old', data: { type: 'undone', item: of, broke: null } })
    const log = [cover, strap, behind, inside, undo('cover'), undo('plug'), undo('joint')]
    const { old, other } = exchanged(log, ['cover', 'strap', 'plug'])
    expect(putBackList(asFoundRecord(old.log)).steps.map(s => s.recorded.item.name)).toEqual(['motor lead'])
    const list = putBackList(asFoundRecord(other.log))
    expect(list.steps.map(s => s.recorded.item.name).sort()).toEqual(['34-pin', 'DS', 'front panel'])
    expect(list.warnings).toEqual([])
    // What lay behind the panel lies behind it here too.
    const names = list.steps.map(s => s.recorded.item.name)
    expect(names.indexOf('34-pin')).toBeLessThan(names.indexOf('front panel'))
    expect(list.steps.find(s => s.recorded.item.kind === 'strap')!.check).toContain('SK-05')
    expect(() => exchanged(log, ['nothing'])).toThrow(/not on the as-found record/)
  })

  it('takes the photos along that show what is passed on, and no others', () => {
    const photo = (id: string, sha: string) =>
      entry({ id, kind: 'photo', driveId: 'old', data: { type: 'photo', sha, width: 10, height: 10 } })
    const [a, b] = [photo('p1', 'a'.repeat(64)), photo('p2', 'b'.repeat(64))]
    const wire = noted('wire', { ...item('wire', 'red'), mark: { photo: 'p1', x: 0.5, y: 0.5 } })
    const { other } = exchanged([a, b, wire], ['wire'])
    const photos = other.log.filter(e => e.data?.type === 'photo')
    expect(photos).toHaveLength(1)
    expect(asFoundRecord(other.log)[0]!.item.mark!.photo).toBe(photos[0]!.id)
  })

  it('opens a drive that had left again, to be proved in the machine', () => {
    const left = [
      entry({ kind: 'station', driveId: 'new', station: 'prove' }),
      entry({ kind: 'released', driveId: 'new', data: { type: 'release', outcome: 'released' } }),
    ]
    const { other } = exchanged([complaint], [], left)
    expect(progressOf(other.log)).toMatchObject({ outcome: null })
    expect(progressOf(other.log).done.has('prove')).toBe(false)
  })

  it('is said on the certificates of both', () => {
    const { old, other } = exchanged([complaint])
    const machine = ({ drive, log }: OnFile) => buildCertificate(drive, log, 'Archive', AT).machine
    expect(machine(old)).toEqual({ inPlaceOf: null, replacedBy: { tag: 'SK-26', at: AT } })
    expect(machine(other)).toEqual({ inPlaceOf: { tag: 'SK-05', at: AT }, replacedBy: null })
  })

  it('goes back into its machine by the same way, with what is open then', () => {
    const cover = noted('cover', item('part', 'front panel'))
    const { old, other } = exchanged([complaint, cover], ['cover'])
    const tried = then(other, read(NEW, 'complaint.reads-nothing', 'seen', 'hand'))
    const passOn = asFoundRecord(tried.log).map(r => r.entry.id)
    const back = exchangeEntries({ id: newId(), at: AT, remark: '', passOn }, tried, old, newId).map(e => entry(e))
    const home = then(old, ...back.filter(e => e.driveId === 'old'))
    expect(inMachine(home.log)).toMatchObject({ replacedBy: null, replaces: { complaints: ['reads-nothing'] } })
    expect(asFoundRecord(home.log).map(r => r.item.name)).toEqual(['front panel'])
    expect(asFoundRecord(home.log)[0]!.notedOn).toBeNull()
    expect(complaintsToPass(home)).toEqual(['reads-nothing'])
    expect(home.log.filter(e => e.kind === 'replaced' || e.kind === 'replaces').every(e => !mayTakeBack(e))).toBe(true)
  })

  it.each<[string, OnFile]>([
    ['does not replace itself', { drive: OLD, log: [] }],
    ['practice', { drive: { ...NEW, practice: 3 }, log: [] }],
    ['simulated', { drive: { ...NEW, simulated: true }, log: [] }],
    ['stripped', { drive: NEW, log: [entry({ kind: 'released', data: { type: 'release', outcome: 'parts' } })] }],
    [
      'quarantined',
      { drive: NEW, log: [entry({ kind: 'released', data: { type: 'release', outcome: 'quarantined' } })] },
    ],
    ['has the place of SK-05 already', exchanged([]).other],
  ])('is refused in a sentence: %s', (says, other) => {
    const old = { drive: OLD, log: [complaint] }
    expect(whyNot(old, other)).toContain(says)
    expect(() => exchangeEntries({ id: 'x', at: AT, remark: '', passOn: [] }, old, other, newId)).toThrow()
  })

  it('cannot be replaced twice, and says what differs', () => {
    const { old } = exchanged([complaint])
    expect(whyNot(old, { drive: { ...NEW, id: 'third', tag: 'SK-27' }, log: [] })).toMatch(/SK-26 is/)
    expect(differsFor(OLD, NEW)).toEqual([])
    expect(differsFor(OLD, { ...NEW, model: 'KD-36' })).toHaveLength(1)
    expect(differsFor(OLD, { ...NEW, mechanism: '5.25in-96' })[0]).toContain('another drive type')
  })
})
