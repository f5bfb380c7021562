import { describe, expect, it } from 'vitest'
import { likelyCure, minutesForCure, minutesToGo, walk } from '../../../src/bench/stations'
import type { LogEntry } from '../../../src/log'
import { found } from '../../log'

const now = Date.UTC(2026, 2, 1, 12)
const drive = { mechanism: '3.5in' } as const
const way = (log: LogEntry[]) => walk(drive, log, now)
const ids = (log: LogEntry[]) => likelyCure(way(log)).map(s => s.step.id)

describe('the likely cure', () => {
  // Common practice, no source: a drive that ran yesterday needs a handful of safety looks, not fifty steps.
  it('is a good part shorter than the overhaul, and holds safety, cure and proof', () => {
    const w = way([])
    expect(minutesForCure(w)).toBeLessThan(minutesToGo(w) * 0.7)
    expect(ids([])).toEqual(expect.arrayContaining(['look.caps', 'look.shorts', 'clean.heads', 'prove.read']))
    expect(ids([])).not.toContain('look.grease')
    expect(ids([])).not.toContain('look.lacquer')
  })
  it('what was found replaces the usual cure', () => {
    expect(ids([found('gears.teeth'), found('headclean.brown')])).toContain('clean.heads')
    const leaking = ids([found('caps.leaking')])
    expect(leaking).toContain('clean.caps')
    expect(leaking).not.toContain('open.plugs')
  })
  it('looks that were answered well cost nothing any more', () => {
    const looked = ['caps.sound', 'shorts.none', 'smell.none', 'rattle.none', 'spindle.free'].map(id => found(id))
    expect(minutesForCure(way(looked))).toBeLessThan(minutesForCure(way([])))
  })
})
