import { describe, expect, it } from 'vitest'
import { optionsCalculator, repairOptions } from '../../../src/calculators/mechanics'
import { judgeCalculator } from '../../../src/calculators/calculator'

const judge = (typed: Record<string, string>) => judgeCalculator(optionsCalculator, typed).result!
const words = (typed: Record<string, string>) => {
  const { call } = judge(typed)
  return [...call.reasons, call.next]
}

describe('which way to repair', () => {
  it('weighs only what is at hand, and explains itself in at most three sentences', () => {
    expect(judge({ fault: 'dead' }).call).toMatchObject({
      kind: 'unknown',
      reasons: ['No motor, mechanism or donor is at hand to weigh.'],
    })
    const motor = judge({ fault: 'dead', motor: 'alike', mechanism: 'unknown', connectors: 'differ' })
    expect(motor.observations[0]!.value).toBe('swap the motor')
    expect(motor.call.kind).toBe('mend')
    expect(motor.call.reasons[0]).toMatch(/^Swap the motor: it wins over/)
    // A dead motor is never left as it is; one way alone is that way, and what is dangerous stops.
    for (const fault of ['dead', 'dangerous'])
      expect(judge({ fault, motor: 'differs' }).lines.map(l => l.label)).toEqual(['Swap the motor'])
    expect(judge({ fault: 'dead', motor: 'differs' }).call.kind).toBe('mend')
    expect(judge({ fault: 'dangerous' }).call.kind).toBe('stop')
    expect(judge({ motor: 'differs', 'w-effort': '50' }).lines[0]!.label).toBe('Leave it as it is')
    for (const m of ['alike', 'differs', 'unknown', 'none']) {
      for (const mech of ['proved', 'unknown', 'none']) {
        for (const donor of ['broken', 'good', 'none']) {
          const said = words({ fault: 'dead', motor: m, mechanism: mech, donor })
          expect(said.length).toBeLessThanOrEqual(3)
          for (const s of said) expect(s).toMatch(/^[A-Z].*\.$/)
        }
      }
    }
  })

  it('the weights are in sight and decide', () => {
    const typed = { fault: 'dead', motor: 'differs', mechanism: 'proved', priceMechanism: '60' }
    expect(judge(typed).lines.find(l => l.label === 'Swap the whole mechanism')!.note).toContain('cost 2 × 2')
    const byCost = judge({ ...typed, 'w-cost': '20' }).lines
    const bySure = judge({ ...typed, 'w-sure': '20' }).lines
    const at = (lines: typeof byCost, label: string) => lines.findIndex(l => l.label === label)
    expect(at(byCost, 'Swap the motor')).toBeLessThan(at(byCost, 'Swap the whole mechanism'))
    expect(at(bySure, 'Swap the whole mechanism')).toBe(0)
  })

  it('parts from a good drive are dearer and harder to take back than from a broken one', () => {
    const of = (donor: string) => repairOptions({ donor }).find(o => o.id === 'donor')!.marks
    expect(of('good').cost).toBeLessThan(of('broken').cost)
    expect(of('good').back).toBeLessThan(of('broken').back)
  })
})
