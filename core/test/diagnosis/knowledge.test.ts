import { describe, expect, it } from 'vitest'
import { MECHANISM_IDS } from '../../src/drives'
import { QUESTIONS } from '../../src/findings'
import { CHECKS, COMPLAINTS, FAULTS, FUNCTIONS, knowledgeList, PARTS, SUBSYSTEMS } from '../../src/diagnosis'
import { compileDrive } from '../../src/diagnosis/drive/compile'
import { TREATMENTS } from '../../src/diagnosis/knowledge/actions'
import { FINDINGS_AS } from '../../src/diagnosis/case/findings-as'

const checks = new Map(CHECKS.map(c => [c.id, c]))
const functions = new Map(FUNCTIONS.map(f => [f.id, f]))
const sum = (o: Readonly<Record<string, number>>) => Object.values(o).reduce((s, x) => s + x, 0)

/** Every registry of what the engine knows is walked; a gap fails. */
describe('what the engine knows', () => {
  it('is at least as much as was asked for', () => {
    expect(FAULTS.length).toBeGreaterThanOrEqual(130)
    expect(CHECKS.length).toBeGreaterThanOrEqual(180)
    expect(COMPLAINTS.length).toBe(55)
    expect(Object.keys(SUBSYSTEMS)).toHaveLength(9)
  })
  it.each([FAULTS, CHECKS, COMPLAINTS, FUNCTIONS, PARTS].map(list => [list.map((x: { id: string }) => x.id)]))(
    'ids are there once',
    ids => {
      expect(new Set(ids).size).toBe(ids.length)
    },
  )
  it('functions need only functions that stand before them', () => {
    FUNCTIONS.forEach((f, i) => {
      for (const need of Object.keys(f.needs)) {
        const at = FUNCTIONS.findIndex(x => x.id === need)
        expect(at, `${f.id} needs ${need}`).toBeGreaterThanOrEqual(0)
        expect(at, `${f.id} needs ${need}`).toBeLessThan(i)
      }
      for (const mode of Object.values(f.modes))
        for (const [fn, chances] of Object.entries(mode.then ?? {}))
          for (const m of Object.keys(chances)) expect(functions.get(fn)?.modes, `${f.id} then ${fn}`).toHaveProperty(m)
    })
  })
  it.each(FAULTS.map(f => [f.id, f] as const))('%s: part, ways, what it shows and its cure exist', (id, f) => {
    expect(PARTS.map(p => p.id)).toContain(f.part)
    expect(id.split(':')[0]).toBe(`${f.part}.${id.split(':')[0]!.split('.')[1]}`)
    expect(f.ways.reduce((s, w) => s + w.chance, 0)).toBeLessThanOrEqual(1.0001)
    for (const { breaks } of f.ways)
      for (const [fn, mode] of Object.entries(breaks)) {
        expect(functions.has(fn), fn).toBe(true)
        if (!mode.startsWith('@')) expect(functions.get(fn)!.modes).toHaveProperty(mode)
      }
    for (const [check, answers] of Object.entries(f.shows)) {
      expect(checks.has(check), check).toBe(true)
      expect(sum(answers)).toBeLessThanOrEqual(1)
      for (const a of Object.keys(answers)) expect(checks.get(check)!.answers, check).toContain(a)
    }
    for (const t of Object.keys(f.treatments ?? {})) expect(TREATMENTS.map(x => x.treatment)).toContain(t)
    for (const other of Object.keys(f.brings ?? {})) expect(FAULTS.map(x => x.id)).toContain(other)
    expect(f.cure.minutes).toBeGreaterThan(0)
    expect(f.cure.says).toMatch(/\.$/)
  })
  it.each(CHECKS.map(c => [c.id, c] as const))('%s: its chances are chances', (_, c) => {
    expect(sum(c.base)).toBeGreaterThan(0.98)
    expect(sum(c.base)).toBeLessThan(1.011)
    for (const [mode, chances] of Object.entries(c.sees?.by ?? {})) {
      expect(functions.get(c.sees!.function)!.modes).toHaveProperty(mode)
      expect(sum(chances)).toBeCloseTo(1, 2)
      for (const a of Object.keys(chances)) expect(c.answers).toContain(a)
    }
  })
  it('complaints and findings mean answers that exist', () => {
    const answers = [...COMPLAINTS.flatMap(c => c.means.flat()), ...Object.values(FINDINGS_AS).flat()]
    for (const { check, answer } of answers) expect(checks.get(check)?.answers, check).toContain(answer)
    const ids = QUESTIONS.flatMap(q => q.findings.map(f => f.id))
    for (const id of Object.keys(FINDINGS_AS)) expect(ids).toContain(id)
  })
  it.each(MECHANISM_IDS)('%s: every function can fail by some fault, every fault shows by some check', mechanism => {
    const drive = compileDrive({ mechanism })
    expect(drive.faults.length).toBeGreaterThan(40)
    const broken = new Set(drive.elements.flatMap(e => [...e.states.keys()]))
    for (const f of drive.functions) expect(broken.has(f.id), `${mechanism} ${f.id}`).toBe(true)
    drive.faults.forEach(f => {
      const numbers = drive.elements.map((e, i) => (e.fault === f ? i : -1)).filter(i => i >= 0)
      const seen = [...drive.checks.values()].some(c => numbers.some(i => c.influences[i]))
      expect(seen, `${mechanism} ${f.id}`).toBe(true)
    })
  })
  it('a list names what a type of drive has, and no other', () => {
    const ids = (list: string, mechanism?: string) => knowledgeList(list, mechanism).map(r => r.id)
    expect(ids('faults', '3in')).toContain('protect-pin.missing')
    expect(ids('faults', '8in')).not.toContain('protect-pin.missing')
    expect(ids('complaints', '5.25in-serial')).not.toContain('not-ready')
    expect(ids('parts', 'cartridge')).toContain('servo-board')
    expect(() => ids('fault')).toThrow(/expected one such as faults/)
  })
})
