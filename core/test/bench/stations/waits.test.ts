import { describe, expect, it } from 'vitest'
import type { LogEntry } from '../../../src/log'
import {
  bestNext,
  findStep,
  heldByDefault,
  heldByRests,
  openWaits,
  USUAL_WAITS,
  walk,
  type Walked,
} from '../../../src/bench/stations'

let seq = 0
const entry = (part: Partial<LogEntry>): LogEntry => ({
  id: `w${++seq}`,
  seq,
  driveId: 'd',
  at: '2026-03-01T10:00:00Z',
  kind: 'wait',
  station: 'clean',
  title: 'Alcohol drying',
  detail: '',
  call: null,
  observations: [],
  evidence: null,
  data: { type: 'wait', minutes: 10, holds: null },
  takesBack: null,
  ...part,
})
const next = (drives: readonly (Walked & { id: string; tag: string; log: LogEntry[] })[], now: number) =>
  bestNext(drives.map(d => ({ ...d, way: walk(d, d.log, now) })))
const at = (clock: string) => Date.parse(`2026-03-01T${clock}:00Z`)

describe('waits', () => {
  it('run down from their entry’s time, whatever restarts in between', () => {
    const [wait] = openWaits([entry({})], at('10:04'))
    expect(wait).toMatchObject({ what: 'Alcohol drying', endsAt: '2026-03-01T10:10:00.000Z', share: 0.4, over: false })
    expect(openWaits([entry({})], at('09:00'))[0]).toMatchObject({ share: 0, over: false })
  })

  it('of a procedure keep what it says from moving: power, or a disk, and open the way when they are over', () => {
    const drive = { mechanism: '3.5in', goal: null, route: 'overhaul' } as const
    const of = (...rests: ('power' | 'carriage' | 'heads' | 'disk')[]) =>
      entry({ title: 'It sets', data: { type: 'wait', minutes: 60, holds: null, rests } })
    const shut = (wait: LogEntry, clock: string) =>
      walk(drive, [wait], at(clock)).gates.flatMap(g =>
        g.missing.filter(m => /\.waits$/.test(m.id)).map(m => `${g.gate.id} ${m.id}`),
      )
    expect(shut(of('power', 'carriage'), '10:30')).toContain('first-power power.waits')
    expect(shut(of('disk'), '10:30')).toEqual(['insert-disk disk.waits', 'close-up close.waits'])
    expect(shut(of('power'), '10:30')).not.toContain('insert-disk disk.waits')
    expect(shut(of('disk'), '11:30')).toEqual([])
    expect(heldByRests(['carriage'], ['clean.free', 'prove.read'])).toBe('clean.free')
    expect(heldByRests(['disk'], ['prove.read'])).toBeNull()
  })

  it('that have run out stay until a person ends them, and are gone once taken back', () => {
    const wait = entry({})
    expect(openWaits([wait], at('11:00'))[0]).toMatchObject({ share: 1, over: true })
    expect(
      openWaits([wait, entry({ kind: 'wait-ended', data: { type: 'wait-ended', wait: wait.id } })], at('11:00')),
    ).toEqual([])
    expect(openWaits([wait, entry({ kind: 'taken-back', data: null, takesBack: wait.id })], at('10:01'))).toEqual([])
    // Ending it by mistake can be taken back as well.
    const ended = entry({ kind: 'wait-ended', data: { type: 'wait-ended', wait: wait.id } })
    expect(
      openWaits([wait, ended, entry({ kind: 'taken-back', data: null, takesBack: ended.id })], at('10:01')),
    ).toHaveLength(1)
  })

  it('come in the order in which they run out', () => {
    const waits = openWaits(
      [entry({ title: 'long', data: { type: 'wait', minutes: 60, holds: null } }), entry({ title: 'short' })],
      at('10:01'),
    )
    expect(waits.map(w => w.what)).toEqual(['short', 'long'])
  })

  it('keep a drive from the hands while they run, and bring it forward when they are over', () => {
    const drives = [
      { id: 'a', tag: 'A', mechanism: '3in' as const, log: [] },
      { id: 'b', tag: 'B', mechanism: '8in' as const, log: [entry({ station: 'receive' })] },
    ]
    expect(next(drives, at('10:05')).map(n => n.tag)).toEqual(['A'])
    expect(next(drives, at('10:15')).map(n => [n.tag, n.title])).toEqual([
      ['B', 'Alcohol drying: done'],
      ['A', 'See whether a disk is stuck in it'],
    ])
  })

  it('that hold one step leave the others to the hands', () => {
    const log = [entry({ station: 'receive', data: { type: 'wait', minutes: 60, holds: 'receive.disk' } })]
    const b = { id: 'b', tag: 'B', mechanism: '8in' as const, log }
    expect(next([b], at('10:05'))[0]!.title).toBe('Ask who was inside, and how it was kept')
    expect(next([b], at('11:05'))[0]!.reason).toBe(
      'Its wait has run out; look whether it is so, and go on. It held “See whether a disk is stuck in it”.',
    )
  })

  it('usual ones hold the first of their steps that is there, and only steps that exist', () => {
    for (const w of USUAL_WAITS) for (const id of w.holds) expect(findStep(id), id).not.toBeNull()
    expect(heldByDefault(['clean.heads', 'drive-train.belt'], ['clean.path', 'drive-train.belt'], 'clean.path')).toBe(
      'drive-train.belt',
    )
    // What is at hand is done already while it dries.
    expect(heldByDefault(['clean.heads', 'drive-train.belt'], ['clean.heads', 'drive-train.belt'], 'clean.heads')).toBe(
      'drive-train.belt',
    )
    // Nothing of it is left to be held: the whole drive waits, and no other step stands in for it.
    expect(heldByDefault(['clean.heads'], ['clean.path', 'clean.dry'], 'clean.path')).toBeNull()
  })

  it('that a person named hold the step at hand, or the whole drive', () => {
    expect(heldByDefault(null, ['clean.path', 'clean.dry'], 'clean.path')).toBe('clean.path')
    expect(heldByDefault(null, ['clean.dry'], 'clean.path')).toBeNull()
    expect(heldByDefault(null, [], null)).toBeNull()
  })

  it('usual ones are offered from short to long', () => {
    const minutes = USUAL_WAITS.map(w => w.minutes)
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b))
  })
})
