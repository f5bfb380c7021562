import { describe, expect, it } from 'vitest'
import { judgeCalculator } from '../../src/calculators/calculator'
import { findCalculator } from '../../src/calculators/registry'
import { calculatorOf, CHECKS } from '../../src/diagnosis'

describe('the calculator that answers a check', () => {
  it('opens with fields that it has, and choices that they have, for every check', () => {
    const found = CHECKS.flatMap(c => {
      const of = calculatorOf(c.id)
      return of ? [{ check: c.id, ...of }] : []
    })
    expect(found.length).toBeGreaterThan(15)
    for (const { calculator, values, check } of found) {
      const sum = findCalculator(calculator)
      for (const [key, value] of Object.entries(values)) {
        const field = sum.fields.find(f => f.key === key)
        expect(
          field?.choices?.map(c => c.value),
          `${check} ${key}`,
        ).toContain(value)
      }
      expect(() => judgeCalculator(sum, values)).not.toThrow()
    }
  })
  it('names line, sensor and switch, and is none where a level says nothing by itself', () => {
    expect(calculatorOf('line.ready')).toEqual({ calculator: 'logic', values: { line: 'ready', expected: 'high' } })
    expect(calculatorOf('sensor.track-0')).toEqual({ calculator: 'sensor', values: { which: 'track-0' } })
    expect(calculatorOf('switch.protect')).toEqual({ calculator: 'switch', values: { place: 'protect' } })
    expect(calculatorOf('line.read-data')).toBeNull()
    expect(calculatorOf('see.spin')).toBeNull()
  })
})
