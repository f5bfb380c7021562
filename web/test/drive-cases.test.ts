import { describe, expect, it } from 'vitest'
import type { KnownBeside } from '../../core/src/bench/case'
import { walk } from '../../core/src/bench/stations'
import { BUILT_IN } from '../../core/src/diagnosis'
import { DriveCases } from '../server/services/drive-cases'
import { newDrive, note, uuid, workshop } from './helpers'

const AT = '2026-03-01T10:00:00Z'
const NOW = Date.parse('2026-03-01T12:00:00Z')
const ID = uuid(1)

async function remembering(beside: () => KnownBeside = () => ({})) {
  const { drives } = await workshop()
  drives.receive(newDrive({ mechanism: '3.5in' }), AT, ID, { complaints: ['reads-nothing'], found: [] })
  const cases = new DriveCases(beside)
  const at = (nowMs = NOW) => {
    const [drive, log] = [drives.get(ID), drives.log(ID)]
    return cases.of(drive, log, walk(drive, log, nowMs))
  }
  return { drives, cases, at }
}

describe('cases of drives', () => {
  it('are worked out once while nothing changes', async () => {
    const { at, cases, drives } = await remembering()
    const first = at()
    expect(first.complaints).toEqual(['reads-nothing'])
    expect(at()).toBe(first)
    const [drive, log] = [drives.get(ID), drives.log(ID)]
    expect(cases.without(new Set(), drive, log, walk(drive, log, NOW))).toBe(first)
  })
  it('are worked out again after an entry, another fact of the drive, and when all is forgotten', async () => {
    const { at, cases, drives } = await remembering()
    const first = at()
    drives.append(note(ID, uuid(2)))
    const second = at()
    expect(second).not.toBe(first)
    drives.change(ID, { year: 1986 })
    const third = at()
    expect(third).not.toBe(second)
    cases.forget()
    expect(at()).not.toBe(third)
    expect(at()).toEqual(third)
  })
  it('are worked out again when what is known beside the log changes', async () => {
    const known: { now: KnownBeside } = { now: {} }
    const { at } = await remembering(() => known.now)
    const first = at()
    const fault = first.diagnosis.causes[1]!.fault
    known.now = { factors: { [fault]: 2 } }
    const moved = at()
    const chance = (found: typeof first) => found.diagnosis.causes.find(c => c.fault === fault)!.probability
    expect(chance(moved)).toBeGreaterThan(chance(first))
    known.now = { ...known.now, knowledge: { ...BUILT_IN, faults: BUILT_IN.faults.filter(f => f.id !== fault) } }
    expect(at().diagnosis.causes.map(c => c.fault)).not.toContain(fault)
  })
  it('leave out checks that cannot be made', async () => {
    const { at, cases, drives } = await remembering()
    const [drive, log] = [drives.get(ID), drives.log(ID)]
    const { next, behind } = at().diagnosis
    const asked = (next[0] ?? behind)!.check
    const without = cases.without(new Set([asked]), drive, log, walk(drive, log, NOW))
    expect([...without.diagnosis.next, without.diagnosis.behind].map(n => n?.check)).not.toContain(asked)
  })
})
