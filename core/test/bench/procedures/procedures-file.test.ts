import { describe, expect, it } from 'vitest'
import { changePart, PROCEDURES, readProcedures, writeProcedures } from '../../../src/bench/procedures'

const drive = { mechanism: '3.5in', features: null } as const
type Json = { format: string; version: number; procedures: Record<string, unknown>[] }
const edited = (change: (json: Json) => void): string => {
  const json = JSON.parse(writeProcedures()) as Json
  change(json)
  return JSON.stringify(json, null, 2)
}
const step = (json: Json, procedure: number, i: number) =>
  (json.procedures[procedure]!.steps as Record<string, unknown>[])[i]!

describe('procedures as a plain file', () => {
  it('are read as they were written, whatever stood in front of them', () => {
    expect(readProcedures(writeProcedures(), 'x.json')).toEqual(PROCEDURES)
    expect(readProcedures(`\uFEFF${writeProcedures()}`, 'x.json')).toEqual(PROCEDURES)
  })
  it('change what a part takes, and nothing of what always comes before and after', () => {
    const own = readProcedures(
      edited(json => {
        step(json, 0, 0).title = 'Turn the shaft with a coin'
        step(json, 0, 0).hands = 30
      }),
      'x.json',
    )
    const [before, now] = [changePart('heads', drive), changePart('heads', drive, [], own)]
    expect(now.steps.map(s => s.title)).toContain('Turn the shaft with a coin')
    expect(now.hands - before.hands).toBe(27)
    expect(now.steps[0]).toEqual(before.steps[0])
    expect(now.steps.at(-1)).toEqual(before.steps.at(-1))
  })
  it('a part without a procedure is changed as anything is', () => {
    const own = readProcedures(
      edited(json => {
        json.procedures = json.procedures.filter(p => p.id !== 'change-heads')
      }),
      'x.json',
    )
    expect(changePart('heads', drive, [], own).steps.map(s => s.id)).toContain('out')
    expect(changePart('heads', drive, [], own).steps.map(s => s.id)).not.toContain('align')
  })

  it.each<[string, (json: Json) => void, RegExp]>([
    ['another file', j => (j.format = 'x'), /line 2.*not a file of procedures/],
    ['a newer one', j => (j.version = 9), /version is 9/],
    ['no steps', j => (j.procedures[0]!.steps = []), /no step/],
    ['a part that is none', j => (j.procedures[0]!.parts = ['haeds']), /no part "haeds".*heads/],
    ['a part twice', j => (j.procedures[1]!.parts = ['heads']), /changed by two procedures/],
    ['a step twice', j => (step(j, 0, 1).id = step(j, 0, 0).id), /stands there twice/],
    ['minutes that cannot be', j => (step(j, 0, 0).hands = -3), /-3.*from 0\.5/],
    ['a caution that is none', j => (step(j, 0, 0).cautions = ['fire']), /no caution "fire"/],
    ['a wait that says nothing', j => (step(j, 0, 0).wait = { what: 'x', rests: [] }), /minutes/],
    ['something that cannot rest', j => (step(j, 0, 0).wait = { what: 'x', minutes: 5, rests: ['hands'] }), /"hands"/],
    ['a glue for nothing', j => (step(j, 0, 0).glue = { joins: 'jelly' }), /"jelly"/],
    ['a condition that is none', j => (step(j, 0, 0).when = { moon: 'full' }), /not a condition/],
    ['no why', j => delete step(j, 0, 0).why, /why it is done is missing/],
  ])('refuses %s by line and reason', (_, change, says) => {
    expect(() => readProcedures(edited(change), 'own.json')).toThrow(says)
    expect(() => readProcedures(edited(change), 'own.json')).toThrow(/own\.json/)
  })
})
