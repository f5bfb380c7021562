import { describe, expect, it } from 'vitest'
import { poolWorkshop, type PoolDrive } from '../../../src/bench/pool'
import type { DriveFacts } from '../../../src/log'
import type { CaseOfParts } from '../../../src/parts'
import { found } from '../../log'

const drive = (tag: string, findings: readonly string[], more: Partial<PoolDrive> = {}, model = 'E80'): PoolDrive => ({
  drive: { id: tag, tag, mechanism: '3.5in-eject', maker: 'Staithe', model } as DriveFacts,
  log: findings.map(f => found(f)),
  found: null,
  inUse: false,
  gone: new Set(),
  ...more,
})
/** Looks that show the assemblies of a motorised-eject drive that a look can show. */
const SOUND = [
  'heads.whole',
  'spindle.free',
  'travel.free',
  'chips.sound',
  'flag.whole',
  'protect.both',
  'arm.there',
  'gears.whole',
  'loading.free',
  'missing.none',
]
const torn = [...SOUND.filter(f => f !== 'heads.whole'), 'heads.torn']
const gears = [...SOUND.filter(f => f !== 'gears.whole'), 'gears.teeth']
/** Who takes what from whom. */
const made = (...args: Parameters<typeof poolWorkshop>) =>
  poolWorkshop(...args).flatMap(m =>
    m.makes.map(w => [w.drive.tag, Object.fromEntries(w.takes.map(t => [t.part, t.from.tag]))]),
  )

describe('which drives of the workshop make one', () => {
  it('gears without teeth are replaced by those of a drive whose heads are torn, and only they', () => {
    expect(made([drive('SK-31', gears), drive('SK-32', torn)])).toEqual([['SK-31', { 'eject-gear': 'SK-32' }]])
  })
  it('housing from one, motor from the other: two half gearboxes make one', () => {
    const [a, b] = [drive('SK-31', ['gears.tab']), drive('SK-32', ['gears.motor', 'heads.torn'])]
    expect(made([a, b])).toEqual([['SK-31', { 'gear-housing': 'SK-32' }]])
  })
  it('torn heads of which nobody knows which are moved as one assembly', () => {
    const broken = ['gears.teeth', 'gears.tab', 'gears.motor', 'flag.snapped']
    expect(made([drive('SK-31', torn), drive('SK-32', broken)])).toEqual([['SK-31', { heads: 'SK-32' }]])
  })
  it('gears and housing move rather than heads, which would have to be aligned again', () => {
    const both = ['gears.teeth', 'gears.tab']
    expect(made([drive('SK-31', both), drive('SK-32', torn)])).toEqual([
      ['SK-31', { 'eject-gear': 'SK-32', 'gear-housing': 'SK-32' }],
    ])
  })
  it('a part that nobody tested is counted on, and named where it is', () => {
    const [model] = poolWorkshop([drive('SK-31', ['gears.teeth']), drive('SK-32', ['heads.torn'])])
    expect(model!.makes).toMatchObject([{ drive: { tag: 'SK-31' }, takes: [{ part: 'eject-gear', untested: true }] }])
    expect(model!.makes[0]!.countsOn).toContain('head assembly')
    expect(model!.makes[0]!.again).toEqual(['Load and eject a sacrificial disk ten times.'])
    expect(model!.left).toEqual([{ id: 'SK-32', tag: 'SK-32' }])
  })
  it('what a case suspects is not given away', () => {
    const suspected = {
      causes: [{ fault: 'eject-gear.stripped', label: 'Stripped', probability: 0.5, left: 1 }],
      works: [],
    } as unknown as CaseOfParts
    expect(made([drive('SK-31', gears), drive('SK-32', ['heads.torn'], { found: suspected })])).toEqual([])
  })
  it('nothing is taken from a drive in use unless it is allowed', () => {
    const box = [drive('SK-31', gears), drive('SK-40', SOUND, { inUse: true })]
    expect(made(box)).toEqual([])
    // A drive that works is not broken for one that would: both are worth the same.
    expect(made(box, [], ['SK-40'])).toEqual([])
    const dear = { ...drive('SK-31', gears), drive: { ...drive('SK-31', []).drive, account: { working: 90 } as never } }
    expect(made([dear, box[1]!])).toEqual([])
    expect(made([dear, box[1]!], [], ['SK-40'])).toEqual([['SK-31', { 'eject-gear': 'SK-40' }]])
  })
  it('a part on the shelf serves before a donor has to be opened', () => {
    const spare = {
      id: 's1',
      name: 'bag 3',
      part: 'eject-gear',
      model: { mechanism: '3.5in-eject', maker: 'Staithe', model: 'E80' },
      tested: true,
    } as const
    expect(made([drive('SK-31', gears)], [spare])).toEqual([['SK-31', { 'eject-gear': 'bag 3' }]])
  })
  it('says nothing of drives of which no part was found bad', () => {
    expect(poolWorkshop([drive('SK-31', SOUND), drive('SK-32', [])])).toEqual([])
  })
  it('what went into another drive is not there a second time, and drives of other models or of none do not mix', () => {
    expect(made([drive('SK-31', gears), drive('SK-32', torn, { gone: new Set(['gears']) })])).toEqual([])
    for (const model of ['E81', ''])
      expect(made([drive('SK-31', gears, {}, model && 'E80'), drive('SK-32', torn, {}, model)])).toEqual([])
  })
})
