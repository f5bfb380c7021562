import { describe, expect, it } from 'vitest'
import { InputError } from '../../src/base/errors'
import { diagnose, readCase } from '../../src/diagnosis'
import { readKnowledge, writeKnowledge } from '../../src/diagnosis/knowledge-file'

const text = writeKnowledge()
/** The line on which something stands, counted from 1. */
const lineOf = (of: string, part: string): number => of.slice(0, of.indexOf(part)).split('\n').length
const edited = (change: (k: Record<string, never[]>) => void): string => {
  const k = JSON.parse(text)
  change(k)
  return JSON.stringify(k, null, 2)
}
function refusal(of: string): InputError {
  try {
    readKnowledge(of, 'knowledge.json')
  } catch (error) {
    return error as InputError
  }
  throw new Error('it was taken')
}
type Loose = Record<string, never> & { id: string; needs: Record<string, number>; part: string; odds: number }
const named = (list: never[], id: string) => (list as Loose[]).find(x => x.id === id)!

describe('knowledge as a plain file', () => {
  it('comes back as it went out, and means the same', () => {
    const back = readKnowledge(text, 'knowledge.json')
    const c = readCase({ mechanism: '5.25in-48', complaints: ['no-spin'], found: ['belt.goo'] })
    expect(diagnose(c, { knowledge: back }).causes).toEqual(diagnose(c).causes)
  })
  it('a new fault of a known part is weighed, named and cured', () => {
    const k = readKnowledge(
      edited(k => {
        k.faults!.push({
          ...named(k.faults!, 'hub.slips'),
          id: 'hub.sticky',
          label: 'Label glue on the hub',
          odds: 400,
        } as never)
      }),
      'knowledge.json',
    )
    const d = diagnose(readCase({ mechanism: '3.5in', complaints: ['spins-uneven'] }), { knowledge: k })
    expect(d.causes[0]).toMatchObject({ fault: 'hub.sticky', label: 'Label glue on the hub' })
  })
  it('puts functions into the order of the chain, however they stand', () => {
    const back = readKnowledge(
      edited(k => k.functions!.reverse()),
      'knowledge.json',
    )
    const places = new Map(back.functions.map((f, i) => [f.id, i]))
    for (const f of back.functions)
      for (const need of Object.keys(f.needs)) expect(places.get(need)!).toBeLessThan(places.get(f.id)!)
  })
})

describe('a file that somebody edited is refused with line and reason', () => {
  it('a loop', () => {
    const wrong = edited(k => {
      named(k.functions!, 'logic').needs = { spin: 1 }
    })
    const { message, where } = refusal(wrong)
    expect(message).toMatch(/a function needs itself: .*logic needs .*spin/)
    expect(wrong.split('\n')[where.line! - 1]).toContain('"needs"')
  })
  it('a probability of 1.2', () => {
    const wrong = text.replace('"chance": 0.98', '"chance": 1.2')
    const { message, where } = refusal(wrong)
    expect(message).toContain('the chance of a way is 1.2; expected a number from 0 to 1')
    expect(where.line).toBe(lineOf(wrong, '"chance": 1.2'))
  })
  it('a part that is missing', () => {
    const wrong = edited(k => {
      k.parts = k.parts!.filter(p => (p as Loose).id !== 'spindle-motor')
    })
    const { message, where } = refusal(wrong)
    expect(message).toMatch(/there is no part "spindle-motor"; expected one such as .*spindle-motor-lead/)
    expect(wrong.split('\n')[where.line! - 1]).toContain('"part": "spindle-motor"')
  })
  it.each([
    [(k: string) => k.replace('"odds": 14', '"odds": "often"'), /is "often"; expected a number from 0 to 1000/],
    [(k: string) => k.replace('"spin": "none"', '"spin": "backwards"'), /no mode of spin "backwards"/],
    [(k: string) => k.slice(0, -20), /it is not JSON/],
    [() => '', /it is not JSON/],
    [() => '{"format": "something"}', /not a knowledge file/],
    [(k: string) => k.replace('"version": 1', '"version": 9'), /its version is 9; expected version 1/],
    [(k: string) => k.replace('"id": "belt.slack"', '"id": "belt.rotten"'), /belt.rotten stands there twice/],
  ])('what is wrong in %#', (change, words) => {
    const error = refusal(change(text))
    expect(error).toBeInstanceOf(InputError)
    expect(error.message).toMatch(words)
    expect(error.where.line).toBeGreaterThan(0)
  })
  it('a function that checks see', () => {
    const wrong = edited(k => {
      k.functions = k.functions!.filter(f => (f as Loose).id !== 'ready')
    })
    expect(refusal(wrong).message).toMatch(/the function ready is missing/)
  })
})

describe('lamp codes of one model', () => {
  const knowledge = readKnowledge(
    edited(k => {
      k.lampCodes = [{ model: 'Staithe V 12', flashes: 3, fault: 'memory.bad' }] as never
    }),
    'knowledge.json',
  )
  const told = (model: string, flashes: string) =>
    diagnose(
      readCase({
        mechanism: '5.25in-serial',
        model,
        complaints: ['lamp-codes'],
        readings: [{ key: 'lamp.code', value: flashes, source: 'hand' }],
      }),
      { knowledge },
    )
  it('name the fault on that model, however it is spelt, and on no other', () => {
    const chance = (model: string, flashes: string) =>
      told(model, flashes).causes.find(c => c.fault === 'memory.bad')?.probability ?? 0
    expect(told('staithe v12', '3').causes[0]!.fault).toBe('memory.bad')
    expect(chance('staithe v12', '3')).toBeGreaterThan(0.8)
    expect(chance('Other', '3')).toBeLessThan(0.5)
    expect(chance('Staithe V 12', '5')).toBeLessThan(0.3)
  })
  it('are asked for where they are known', () => {
    const asked = (model: string) =>
      diagnose(readCase({ mechanism: '5.25in-serial', model, complaints: ['lamp-codes'] }), { knowledge }).next.map(
        n => n.check,
      )
    expect(asked('Staithe V12')).toContain('lamp.code')
    expect(asked('Other')).not.toContain('lamp.code')
  })
})
