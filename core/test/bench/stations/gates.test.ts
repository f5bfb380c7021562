import { describe, expect, it } from 'vitest'
import type { LogEntry } from '../../../src/log'
import { consequencesOf, walk, type GateId } from '../../../src/bench/stations'
import { entry, found, marked, putBack, undone, withData } from '../../log'

const now = Date.UTC(2026, 2, 1, 12)
const belted = { mechanism: '3in' } as const
const gate = (log: LogEntry[], id: GateId, drive: Parameters<typeof walk>[0] = belted) =>
  walk(drive, log, now).gates.find(g => g.gate.id === id)!
const looked = () =>
  [
    'disk.none',
    'belt.sound',
    'caps.sound',
    'shorts.none',
    'smell.none',
    'rattle.none',
    'spindle.free',
    'supply.proved',
  ].map(id => found(id))

/** A drive that a good disk may go into. */
const ready = () => [
  ...looked(),
  ...['heads.whole', 'pad.two', 'power.good', 'sacrifice.whole', 'headclean.clean', 'protect.both'].map(id =>
    found(id),
  ),
]

describe('gates', () => {
  it('a closed one names what is missing, and says Stop with its reason', () => {
    const g = gate([found('belt.sound')], 'first-power')
    expect(g).toMatchObject({ open: false, forbidden: false, call: { kind: 'stop' } })
    expect(g.call.reasons[0]).toMatch(/decayed belt/)
    expect(g.missing.map(m => m.question)).toContain('caps')
    expect(g.missing.map(m => m.question)).not.toContain('belt')
  })

  // Common practice, no source: power turns a rotten belt into goo wound round the spindle.
  it('no power on a rotten belt; with the belt off it may be powered', () => {
    const log = [...looked(), found('belt.goo')]
    expect(gate(log, 'first-power')).toMatchObject({ open: false, forbidden: true })
    expect(gate([...log, found('belt.off', 'open')], 'first-power').open).toBe(true)
  })

  it('a direct drive is not asked for a belt', () => {
    const without = looked().filter(e => !e.title.startsWith('Belt'))
    expect(gate(without, 'first-power', { mechanism: '3.5in' }).open).toBe(true)
    expect(gate(without, 'first-power').missing.map(m => m.question)).toEqual(['belt'])
    expect(gate([...without, found('belt.direct')], 'first-power').open).toBe(true)
  })

  // Common practice, no source: no disk in until the shutter arm is there and the heads are whole; nothing good into
  // a clicking cartridge drive.
  it('no disk without a shutter arm, with a torn head, or into a clicking cartridge drive', () => {
    const ready = [...looked(), found('heads.whole'), found('power.good', 'first-power')]
    const half = { mechanism: '3.5in' } as const
    expect(gate([...ready, found('arm.there')], 'insert-disk', half).open).toBe(true)
    expect(gate([...ready, found('arm.missing')], 'insert-disk', half)).toMatchObject({ forbidden: true })
    expect(gate([...ready, found('arm.there'), found('heads.torn')], 'insert-disk', half).missing[0]!.sentence).toMatch(
      /cuts every disk/,
    )
    const cartridge = { mechanism: 'cartridge' } as const
    expect(gate([...ready, found('click.none'), found('edges.smooth')], 'insert-disk', cartridge).open).toBe(true)
    expect(gate([...ready, found('click.steady'), found('edges.smooth')], 'insert-disk', cartridge).forbidden).toBe(
      true,
    )
  })

  it('a good disk waits for a sacrificial one, clean heads and write protect', () => {
    const log = [
      ...looked(),
      found('heads.whole'),
      found('power.good'),
      found('sacrifice.whole'),
      found('headclean.clean'),
    ]
    expect(gate(log, 'insert-good-disk').missing.map(m => m.question)).toEqual(['protect'])
    expect(gate([...log, found('protect.both')], 'insert-good-disk').open).toBe(true)
    expect(gate([found('sacrifice.whole')], 'insert-good-disk').missing[0]).toMatchObject({ id: 'gate:insert-disk' })
  })

  // Common practice, no source: sealed and no evidence, leave it.
  it('a sealed adjuster needs evidence and a second disk', () => {
    const base = [...ready(), found('lacquer.whole')]
    expect(gate([...base, found('evidence.none')], 'touch-sealed').forbidden).toBe(true)
    expect(gate([...base, found('evidence.one'), found('seconddisk.good')], 'touch-sealed').forbidden).toBe(true)
    expect(gate([...base, found('evidence.one'), found('seconddisk.same')], 'touch-sealed').open).toBe(true)
    expect(gate(base, 'touch-sealed', { mechanism: 'cartridge' })).toBeUndefined()
  })

  it('what is filed from behind a closed gate opens nothing', () => {
    const evidence = [found('lacquer.whole'), found('headclean.clean'), found('evidence.one'), found('seconddisk.same')]
    const shut = gate(evidence, 'touch-sealed')
    expect(shut.open).toBe(false)
    expect(shut.missing.map(m => m.question)).toEqual(expect.arrayContaining(['evidence', 'seconddisk']))
    expect(shut.missing[0]!.sentence).toMatch(/does not count while “A good disk in” is closed/)
    expect(gate([...ready(), ...evidence], 'touch-sealed').open).toBe(true)
  })

  // Common practice, no source: what is wet or setting gets no power, and a glue that sets no moving carriage.
  it('a cure time closes the power gate and holds the carriage; parts in the post do neither', () => {
    const wait = (title: string) =>
      withData('wait', { type: 'wait', minutes: 600, holds: null }, { title, at: '2026-03-01T11:30:00.000Z' })
    expect(gate(looked(), 'first-power').open).toBe(true)
    for (const title of ['Lacquer or glue curing', 'Epoxy on the tab', 'Alcohol drying'])
      expect(
        gate([...looked(), wait(title)], 'first-power').missing.map(m => m.id),
        title,
      ).toEqual(['power.waits'])
    expect(gate([...looked(), wait('Parts in the post')], 'first-power').open).toBe(true)
    const held = walk(belted, [...looked(), wait('Lacquer or glue curing')], now)
      .stations.flatMap(s => s.steps)
      .filter(s => s.hold?.kind === 'wait')
      .map(s => s.step.id)
    expect(held).toEqual(expect.arrayContaining(['clean.grease', 'drive-train.carriage', 'prove.closed']))
  })

  it('whatever is measured under power stands behind the power gate', () => {
    const steps = walk({ mechanism: '5.25in-serial' }, [], now).stations.flatMap(s => s.steps)
    for (const id of ['electronics.sensors', 'electronics.own', 'speed.capture', 'speed.trim', 'first-power.bare'])
      expect(steps.find(s => s.step.id === id)?.hold?.kind, id).toBe('gate')
  })

  it('closing up waits for what is undone, what dries and the last look', () => {
    const plug = marked({ kind: 'connector', name: 'data' })
    const wait = withData(
      'wait',
      { type: 'wait', minutes: 600, holds: null },
      { title: 'Glue', at: '2026-03-01T11:30:00.000Z' },
    )
    const looks = [found('fibres.none', 'clean'), found('leads.clear'), found('pin.there')]
    expect(gate([...looks, plug, undone(plug), wait], 'close-up').missing.map(m => m.id)).toEqual([
      'close.put-back',
      'close.waits',
    ])
    const out = undone(plug)
    expect(gate([...looks, plug, out, putBack(plug)], 'close-up').open).toBe(true)
  })

  it('is passed with a reason, which a worse finding afterwards undoes', () => {
    const log = [...looked(), found('belt.goo')]
    const override = withData(
      'override',
      { type: 'override', gate: 'first-power', missing: ['power.belt'] },
      { detail: 'The belt is cut through; the motor runs bare.' },
    )
    const g = gate([...log, override], 'first-power')
    expect(g).toMatchObject({ open: true, override: { detail: 'The belt is cut through; the motor runs bare.' } })
    expect(gate([...log, override, found('belt.goo')], 'first-power').open).toBe(false)
    expect(gate([...log, override, found('smell.burnt')], 'first-power').open).toBe(false)
    expect(gate([...log, override, entry({ kind: 'taken-back', takesBack: override.id })], 'first-power').open).toBe(
      false,
    )
  })
})

describe('steps of a drive', () => {
  const step = (log: LogEntry[], id: string, drive: Parameters<typeof walk>[0] = belted, at = now) =>
    walk(drive, log, at)
      .stations.flatMap(s => s.steps)
      .find(s => s.step.id === id)

  it('appear by kind, by feature and by what was found, and say so', () => {
    expect(step([], 'look.pin')).toBeDefined()
    expect(step([], 'look.pin', { mechanism: '8in' })).toBeUndefined()
    expect(step([], 'look.caps-check')).toBeUndefined()
    const before = walk(belted, [], now)
    const after = walk(belted, [found('smell.fish')], now)
    expect(consequencesOf(before, after)).toEqual(
      expect.arrayContaining(['Added at Look: measure the capacitors that may have leaked.']),
    )
    expect(consequencesOf(before, walk(belted, [found('belt.goo')], now))[0]).toBe('Closed: first power.')
  })

  it('a finding does the step that asked for it, at its station or later, not before', () => {
    expect(step([found('belt.sound')], 'look.belt')!.done).toBe(true)
    expect(step([found('belt.sound')], 'drive-train.belt')!.done).toBe(false)
    expect(step([found('smell.none')], 'look.board')).toMatchObject({ done: false, open: [{ id: 'corrosion' }] })
  })

  it('what is to be done is done once it is found good; what is to be looked at is done once it is found', () => {
    expect(step([found('residue.black', 'clean')], 'clean.path')!.done).toBe(false)
    expect(step([found('residue.black', 'clean'), found('residue.clean', 'clean')], 'clean.path')!.done).toBe(true)
    expect(step([found('belt.goo')], 'look.belt')!.done).toBe(true)
  })

  it('is held by its gate, by a wait that gates it, and by a caution nobody has read', () => {
    expect(step([], 'first-power.bare')!.hold).toMatchObject({ kind: 'gate' })
    const wait = withData(
      'wait',
      { type: 'wait', minutes: 600, holds: 'clean.heads' },
      { title: 'Alcohol drying', at: '2026-03-01T11:30:00.000Z' },
    )
    expect(step([wait], 'clean.heads')!.hold).toMatchObject({ kind: 'wait', wait: { what: 'Alcohol drying' } })
    expect(step([wait], 'clean.heads', belted, now + 10 * 3_600_000)!.hold).toBeNull()
    const tube = {
      mechanism: '5.25in-48',
      features: {
        spindle: null,
        carriage: null,
        heads: null,
        loading: null,
        ownProcessor: null,
        hardSectored: null,
        pictureTube: true,
      },
    } as const
    // A caution holds back the step that it is about, and no other of its station.
    const open = [...looked(), found('mains.qualified')]
    expect(step(open, 'look.belt', tube)!.hold).toBeNull()
    expect(step(open, 'receive.words', tube)!.hold).toBeNull()
    expect(step(open, 'first-power.bare', tube)!.hold).toMatchObject({ kind: 'caution', caution: { id: 'tube' } })
    const read = ['tube', 'mains'].map(caution =>
      withData('acknowledged', { type: 'acknowledged', caution }, { at: '2026-03-01T11:00:00.000Z' }),
    )
    expect(step([...open, ...read], 'first-power.bare', tube)!.hold).toBeNull()
    // The next sitting asks again: three hours without a word to the log.
    expect(step([...open, ...read], 'first-power.bare', tube, now + 3 * 3_600_000)!.hold).toMatchObject({
      kind: 'caution',
    })
  })
})
