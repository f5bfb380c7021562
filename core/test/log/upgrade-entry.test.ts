import { describe, expect, it } from 'vitest'
import { surfaceTotals, upgradeEntry, type ReadTestEntryData } from '../../src/log'

const SHA = 'ab'.repeat(32)
const upgraded = (data: object, observations: Parameters<typeof upgradeEntry>[0]['observations'] = []) =>
  upgradeEntry({ kind: 'measurement', data, observations })

describe('entries of earlier versions', () => {
  it.each([
    ['a speed', { type: 'speed', captureSha: SHA, simulated: false }, { source: 'recording', recording: SHA }],
    ['one of the simulated pickup', { type: 'speed', captureSha: SHA, simulated: true }, { source: 'simulated' }],
    [
      'a read test',
      { type: 'read-test', bars: [], captureSha: SHA, simulated: null },
      { source: 'recording', recording: SHA },
    ],
    [
      'one of the simulated drive',
      { type: 'read-test', bars: [], captureSha: null, simulated: { story: 's' } },
      { source: 'simulated', recording: null },
    ],
    ['a sweep typed in', { type: 'sweep', simulated: false }, { source: 'host' }],
    ['a sweep on the simulated drive', { type: 'sweep', simulated: true }, { source: 'simulated' }],
    ['a calculator', { type: 'sum' }, { source: 'instrument' }],
    ['a write test', { type: 'write-test' }, { source: 'host' }],
    ['a finding', { type: 'finding' }, { source: 'hand' }],
  ])('%s gets its source', (_, data, evidence) => {
    expect(upgraded(data).evidence).toMatchObject(evidence)
  })
  it('what measures nothing has none, and what has one keeps it', () => {
    expect(upgraded({ type: 'step', step: 'x' }).evidence).toBeNull()
    const evidence = { source: 'said', by: 'the owner', recording: null } as const
    expect(upgradeEntry({ kind: 'finding', data: { type: 'finding' }, observations: [], evidence }).evidence).toBe(
      evidence,
    )
  })
  it('tracks become named fields; nothing read is no margin, not −1', () => {
    const { data } = upgraded({
      type: 'read-test',
      bars: [
        [3, 1, -1, 0, 4, 5, 2],
        [4, 0, 47, 9, 0, 0, 0],
      ],
    })
    const { bars } = data as ReadTestEntryData
    expect(bars).toEqual([
      { cylinder: 3, head: 1, margin: null, good: 0, bad: 4, missing: 5, wrongCylinder: 2 },
      { cylinder: 4, head: 0, margin: 0.47, good: 9, bad: 0, missing: 0, wrongCylinder: 0 },
    ])
    expect(surfaceTotals(bars)).toEqual({ good: 9, sectors: 18, wrongCylinder: 2, leastMargin: null })
    expect(surfaceTotals([]).leastMargin).toBeNull()
  })
  it('what a surface says off track is taken from where alone it stood', () => {
    const o = (key: string, value: number, uncertainty?: number) => ({
      key,
      label: '',
      value,
      unit: '%',
      uncertainty,
      how: '',
    })
    const { data } = upgraded({ type: 'read-test', bars: [] }, [
      o('surface.home', 2),
      o('surface.rate', -1.5),
      o('surface.swing.upper', 4.2, 0.98),
    ])
    const { surface } = data as ReadTestEntryData
    expect(surface).toMatchObject({ homeOff: 2, rateOff: -0.015, swings: [null, { size: 0.042 }] })
    expect(surface.swings[1]!.sd).toBeCloseTo(0.005, 9)
  })
  it('an entry of today stays as it is, so that it can be done again', () => {
    const once = upgraded({ type: 'cross-read', disk: 'd', places: [[0, 'outer', 8, 9]] })
    expect(once.data).toMatchObject({ places: [{ head: 0, zone: 'outer', good: 8, sectors: 9 }] })
    expect(upgradeEntry({ kind: 'measurement', observations: [], ...once })).toEqual(once)
  })
})
