import { describe, expect, it } from 'vitest'
import { factoryRows } from '../../../src/bench/entries'
import type { LogEntry, SweepEntryData } from '../../../src/log'
import { entry } from '../../log'

const DISKS = [
  { id: 'a', writer: 'duplicator A', proof: 'factory' },
  { id: 'b', writer: 'duplicator B', proof: 'factory' },
  { id: 'own', writer: 'the tool drive', proof: 'disk' },
] as const

/** A sweep in which both heads read between two marks, and nothing outside. */
const swept = (disk: string | null, from: number, to: number, more: Partial<SweepEntryData> = {}): LogEntry =>
  entry({
    kind: 'measurement',
    data: {
      type: 'sweep',
      adjuster: 'stepper',
      scale: 'marks',
      travel: [-10, 10],
      stood: 0,
      umPerUnit: 10,
      setTo: null,
      recheck: null,
      disk,
      rows: Array.from({ length: 41 }, (_, i) => {
        const position = (i - 20) / 2
        const count = { good: position > from && position < to ? 9 : 0, expected: 9 }
        return { position, side: 'below' as const, lower: count, upper: count, struck: false }
      }),
      ...more,
    } satisfies SweepEntryData,
  })

const middle = (rows: Record<string, string>, i: number) => Number(rows[`disks.${i}.middle`])

describe('sweeps with factory-written disks as rows', () => {
  it('gives each such disk a row, in µm from where the adjuster stands', () => {
    const rows = factoryRows([swept('a', -2.2, 4.2), swept('b', -1.2, 5.2), swept('own', -3, 3)], DISKS, '3.5in')
    expect(rows['disks.0.writer']).toBe('duplicator A')
    expect(middle(rows, 0)).toBeCloseTo(10, -1)
    expect(middle(rows, 1)).toBeCloseTo(20, -1)
    expect(rows['disks.2.writer']).toBeUndefined()
  })

  it('counts from where the adjuster was set, and takes the later sweep of a disk', () => {
    const rows = factoryRows([swept('a', -9, -3), swept('a', -2.2, 4.2, { setTo: 1 })], DISKS, '3.5in')
    expect(Math.abs(middle(rows, 0))).toBeLessThan(4)
    expect(rows['disks.1.writer']).toBeUndefined()
  })

  it('leaves out what it cannot bring to one scale', () => {
    expect(factoryRows([swept('a', -2, 4, { umPerUnit: null })], DISKS, '3.5in')).toEqual({})
    const other = swept('b', -2, 4, { adjuster: 'upper' })
    expect(Object.keys(factoryRows([other, swept('a', -2, 4)], DISKS, '3.5in'))).toHaveLength(3)
    expect(factoryRows([], DISKS, '3.5in')).toEqual({})
  })
})
