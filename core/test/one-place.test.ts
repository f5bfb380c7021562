import { describe, expect, it, vi } from 'vitest'

/**
 * A class of drives that nobody has: one object, put into the catalogue in memory. Whatever asks by class must answer;
 * nothing else has to be told of it.
 */
vi.mock('../src/drives/three-inch', async original => {
  const { threeInch } = await original<typeof import('../src/drives/three-inch')>()
  return {
    threeInch: { ...threeInch, id: 'made-up', label: 'Made-up class', family: 'Made-up disks', parts: ['index'] },
  }
})
vi.mock('../src/drives/types', async original => {
  const types = await original<typeof import('../src/drives/types')>()
  return { ...types, MECHANISM_IDS: types.MECHANISM_IDS.map(id => (id === '3in' ? 'made-up' : id)) }
})

const drives = await import('../src/drives')
const { alignOrder, walk } = await import('../src/bench/stations')
const { worthIt, USUAL_CHANCE } = await import('../src/bench/worth')
const { NO_ACCOUNT } = await import('../src/log')
const { adviseCleaning } = await import('../src/bench/cleaning')
const { blameBench, classesOf, DISK_FAMILIES, familyOf, ladderOf, partsOf, whoIsToBlame } = await import('../src/proof')
const { judgeTypedSpeed } = await import('../src/instruments/readings')
const { buildCertificate, nextService } = await import('../src/release')
const { soundDrive } = await import('../src/simulator')
const { QUESTIONS } = await import('../src/findings')
const { CALCULATORS, findCalculator } = await import('../src/calculators/registry')
const { judgeCalculator } = await import('../src/calculators/calculator')
const { driveFacts, found } = await import('./log')

const MADE_UP = 'made-up' as never
const drive = driveFacts({ mechanism: MADE_UP })

describe('a class of drives is one file and a line in the catalogue', () => {
  it('has everything that is asked by class', () => {
    expect(drives.findMechanism('made-up').label).toBe('Made-up class')
    expect(drives.FEATURE_RANGES[MADE_UP]).toBeDefined()
    expect(drives.possibleFeatures(MADE_UP).size).toBeGreaterThan(3)
    expect(drives.anatomyOf(MADE_UP).parts.length).toBeGreaterThan(5)
    expect(drives.ALIGNMENT_LIMITS[MADE_UP]).toBeDefined()
    expect(drives.RECORDING_GEOMETRY[MADE_UP]).toBeDefined()
    expect(drives.layoutsOf(MADE_UP).length).toBeGreaterThan(0)
    expect(USUAL_CHANCE[MADE_UP]).toBeDefined()
  })
  it('is walked, judged, proved, priced, certified and simulated', () => {
    const log = [found('belt.goo')]
    expect(walk(drive, log, 0).stations.flatMap(s => s.steps).length).toBeGreaterThan(30)
    expect(judgeTypedSpeed(300, 1, { mechanism: MADE_UP, nominalRpm: null, hasTrimmer: null, motor: null }).kind).toBe(
      'leave',
    )
    expect(alignOrder(drive, log).items).toHaveLength(7)
    expect(ladderOf(drive, log).rungs).toHaveLength(5)
    expect(partsOf(drive, log).map(p => p.id)).toEqual(expect.arrayContaining(['heads', 'index']))
    expect(partsOf(drive, log).map(p => p.id)).not.toContain('pin')
    expect(worthIt({ mechanism: MADE_UP, account: NO_ACCOUNT, found: [], minutesToGo: 60 } as never)).toBeDefined()
    expect(nextService(MADE_UP, log, '2026-01-01').length).toBeGreaterThan(0)
    expect(buildCertificate(drive, log, 'S', '2026-01-01T00:00:00Z').drive.mechanism).toBe('Made-up class')
    expect(soundDrive(MADE_UP, 1).mechanism).toBe('made-up')
    expect(adviseCleaning({ materials: ['steel'], soils: ['dust'], school: 'light-oil', shelf: [] })).toBeDefined()
  })
  it('has a family of disks of its own, and is weighed there', () => {
    expect(DISK_FAMILIES).toContain('Made-up disks')
    expect(familyOf('made-up')).toBe('Made-up disks')
    expect(classesOf('Made-up disks')).toEqual(['made-up'])
    const bench = blameBench([], [{ id: 'd', tag: 'D', mechanism: MADE_UP, simulated: false, log: [] }], () => false)
    expect(whoIsToBlame(bench.reads, bench.disks, bench.drives).places).toBe(0)
  })
})

describe('registries have no gap', () => {
  it('every finding has its topic, call and consequence', () => {
    for (const q of QUESTIONS) {
      expect(q.topic, q.id).toBeTruthy()
      for (const f of q.findings)
        expect([f.id.split('.')[0], Boolean(f.means), Boolean(f.next)]).toEqual([q.id, true, true])
    }
  })
  it('every calculator is found, belongs to a station, and says what is left out', () => {
    for (const c of CALCULATORS) {
      expect(findCalculator(c.id)).toBe(c)
      const { result, needed } = judgeCalculator(c, {})
      expect(result !== null || needed.length > 0, c.id).toBe(true)
    }
  })
})
