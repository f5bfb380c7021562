import { describe, expect, it } from 'vitest'
import { poolWorkshop, type PoolDrive } from '../../../src/bench/pool'
import type { DriveFacts } from '../../../src/log'
import { found } from '../../log'

const drive = (
  tag: string,
  findings: readonly string[],
  facts: Partial<DriveFacts> = {},
  gone: string[] = [],
): PoolDrive => ({
  drive: { id: tag, tag, mechanism: '3.5in-eject', maker: 'Staithe', model: 'E80', ...facts } as DriveFacts,
  log: findings.map(f => found(f)),
  gone: new Set(gone),
})
/** Looks that show every part of a motorised-eject drive that a look can show. */
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

describe('which drives of the workshop make one', () => {
  it('a gearbox without teeth is replaced by that of a drive whose heads are torn', () => {
    const [model] = poolWorkshop([
      drive('SK-31', [...SOUND.filter(f => f !== 'gears.whole'), 'gears.teeth']),
      drive('SK-32', [...SOUND.filter(f => f !== 'heads.whole'), 'heads.torn']),
    ])
    expect(model!.pool.works).toHaveLength(1)
    expect(model!.pool.works[0]).toMatchObject({ drive: 'SK-31', from: { 'eject gearbox and motor': 'SK-32' } })
  })

  it('a part that nobody looked at is counted on, and named where it is', () => {
    const [model] = poolWorkshop([drive('SK-31', ['gears.teeth']), drive('SK-32', ['heads.torn'])])
    expect(model!.pool.works).toMatchObject([{ drive: 'SK-31', from: { 'eject gearbox and motor': 'SK-32' } }])
    expect(model!.countsOn).toContainEqual({ tag: 'SK-31', part: 'head assembly' })
    expect(model!.countsOn).toContainEqual({ tag: 'SK-32', part: 'eject gearbox and motor' })
    expect(model!.countsOn).not.toContainEqual({ tag: 'SK-32', part: 'main board' })
  })

  it('says nothing of drives of which no part was found bad', () => {
    expect(poolWorkshop([drive('SK-31', SOUND), drive('SK-32', [])])).toEqual([])
  })

  it('what went into another drive is not there a second time, and drives of other models or of none do not mix', () => {
    const torn = [...SOUND.filter(f => f !== 'heads.whole'), 'heads.torn']
    const gears = [...SOUND.filter(f => f !== 'gears.whole'), 'gears.teeth']
    const left = poolWorkshop([drive('SK-31', gears), drive('SK-32', torn, {}, ['gears'])])
    expect(left).toEqual([])
    for (const model of ['E81', ''])
      expect(poolWorkshop([drive('SK-31', gears), drive('SK-32', torn, { model })])).toEqual([])
  })
})
