import { describe, expect, it } from 'vitest'
import { calculatorEntry, calculatorStart } from '../../../src/bench/entries'
import { walk } from '../../../src/bench/stations'
import type { LogEntry, NewEntry } from '../../../src/log'
import { found } from '../../log'

const now = Date.UTC(2026, 2, 1, 12)
const drive = { id: 'd', mechanism: '3.5in', simulated: false } as const
let seq = 100_000
const kept = (instrument: string, values: Record<string, string>): LogEntry => {
  const e: NewEntry = calculatorEntry(
    { id: `s${++seq}`, at: '2026-03-01T11:00:00.000Z', instrument, values } as never,
    drive,
  )
  return { ...e, seq } as LogEntry
}
const proved = { volts1: '0', to1: 'ground', volts2: '5.02', to2: 'five' }

describe('a calculator at a drive', () => {
  it('answers the question of its gate: a verified supply opens its condition', () => {
    const looks = ['disk.none', 'caps.sound', 'shorts.none', 'smell.none', 'rattle.none', 'spindle.free'].map(id =>
      found(id),
    )
    const gate = (log: LogEntry[]) => walk(drive, log, now).gates.find(g => g.gate.id === 'first-power')!
    expect(gate(looks).missing.map(m => m.id)).toEqual(['power.supply'])
    expect(gate([...looks, kept('polarity', proved)]).open).toBe(true)
    // One that is not verified answers nothing.
    expect(gate([...looks, kept('polarity', { volts1: '0', to1: 'ground' })]).open).toBe(false)
  })
  it('opens filled in from the findings that called for it, and from the drive’s type', () => {
    expect(calculatorStart('swap', '3.5in', [found('chips.spot')])).toEqual({ old: 'damaged' })
    expect(calculatorStart('capacitor', '3.5in', [found('caps.leaking')])).toEqual({ leaks: 'yes' })
    expect(calculatorStart('host-sees', '8in', [found('protect.always')])).toEqual({ use: 'protect', mechanism: '8in' })
    expect(calculatorStart('capacitor', '3.5in', [])).toEqual({})
  })
  it('reloads what was kept, and nothing that was measured before the drive was changed', () => {
    const reading = kept('capacitor', { marked: '10u', reading: '1.2u', where: 'out' })
    expect(calculatorStart('capacitor', '3.5in', [reading])).toMatchObject({ reading: '1.2u' })
    const after = { ...found('caps.replaced'), seq: seq + 1 }
    expect(calculatorStart('capacitor', '3.5in', [reading, after])).toEqual({})
  })
})
