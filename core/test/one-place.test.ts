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

/** A step of a station, a question with its findings, and a calculator that nobody has: each one object in its file. */
vi.mock('../src/bench/stations/each/speed', async original => {
  const { speed } = await original<typeof import('../src/bench/stations/each/speed')>()
  const step = {
    id: 'speed.made-up',
    title: 'Look at the made-up part',
    why: 'It is made up.',
    tools: [],
    hands: 7,
    makes: 'A made-up answer.',
    asks: ['madeup'],
  }
  return { speed: { ...speed, steps: [...speed.steps, step] } }
})
vi.mock('../src/findings/power-on', async original => {
  const { powerOn } = await original<typeof import('../src/findings/power-on')>()
  const finding = {
    id: 'madeup.rusty',
    label: 'Made-up part rusty',
    call: 'mend',
    means: 'It is rusty.',
    next: 'Clean it.',
    cleaning: { soils: ['rust'], materials: ['brass'] },
  }
  const sound = { ...finding, id: 'madeup.new', label: 'Made-up part fitted', call: 'leave', fitted: true }
  return {
    powerOn: [
      ...powerOn,
      {
        id: 'madeup',
        ask: 'How is the made-up part?',
        topic: 'Made-up part',
        sense: 'seen',
        findings: [finding, sound],
      },
    ],
  }
})
vi.mock('../src/calculators/proof/warm-up-calculator', async original => {
  const { warmUpCalculator } = await original<typeof import('../src/calculators/proof/warm-up-calculator')>()
  return { warmUpCalculator: { ...warmUpCalculator, id: 'made-up', title: 'Made-up calculator' } }
})

const drives = await import('../src/drives')
const { alignOrder, minutesToGo, walk } = await import('../src/bench/stations')
const { calculatorEntry } = await import('../src/bench/entries')
const { worthIt, USUAL_CHANCE } = await import('../src/bench/worth')
const { NO_ACCOUNT, standingEntries } = await import('../src/log')
const { adviseCleaning, cleaningFrom } = await import('../src/bench/cleaning')
const { blameBench, classesOf, DISK_FAMILIES, familyOf, ladderOf, whoIsToBlame } = await import('../src/proof')
const { partsThere } = await import('../src/parts')
const { judgeTypedSpeed } = await import('../src/diagnosis/readings')
const { buildCertificate, nextService } = await import('../src/release')
const { soundDrive } = await import('../src/simulator')
const { QUESTIONS, standingFindings } = await import('../src/findings')
const { searchSayable } = await import('../src/diagnosis')
const { CALCULATORS, findCalculator } = await import('../src/calculators/registry')
const { judgeCalculator } = await import('../src/calculators/calculator')
const { driveFacts, found, withData } = await import('./log')

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
    expect(partsThere(drive, log).map(p => p.id)).toEqual(expect.arrayContaining(['heads', 'index']))
    expect(partsThere(drive, log).map(p => p.id)).not.toContain('pin')
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

describe('a step is one object in its station', () => {
  it('is walked, asked, done, counted and ticked', () => {
    const before = walk(drive, [], 0)
    const step = before.stations.flatMap(s => s.steps).find(s => s.step.id === 'speed.made-up')!
    expect(step.done).toBe(false)
    const done = withData('step', { type: 'step', step: 'speed.made-up' })
    const after = walk(drive, [done], 0)
    expect(after.stations.flatMap(s => s.steps).find(s => s.step.id === 'speed.made-up')!.done).toBe(true)
    expect(minutesToGo(before) - minutesToGo(after)).toBe(7)
  })
})

describe('a finding is one object in its file', () => {
  it('is found by its words, recorded, judged, cleaned after and certified', () => {
    const hits = searchSayable('made-up part rusty', walk(drive, [], 0).situation)
    expect(hits.map(h => h.id)).toContain('madeup.rusty')
    const rusty = found('madeup.rusty', 'speed')
    expect(rusty).toMatchObject({ title: expect.stringContaining('Made-up part'), call: { kind: 'mend' } })
    expect(walk(drive, [rusty], 0).findings.map(f => f.finding.id)).toEqual(['madeup.rusty'])
    expect(cleaningFrom(standingFindings([rusty]))).toMatchObject({
      soils: expect.arrayContaining(['rust']),
      materials: expect.arrayContaining(['brass']),
    })
    const { parts } = buildCertificate(drive, [found('madeup.new', 'speed')], 'S', '2026-01-01T00:00:00Z')
    expect(parts.map(p => p.what)).toContain('Made-up part: made-up part fitted')
  })
})

describe('a calculator is one object in its file', () => {
  it('is in the registry, answers, and goes on a log with its source', () => {
    const it = findCalculator('made-up')
    expect(judgeCalculator(it, { coldMargin: '60', warmMargin: '60' }).result?.call.kind).toBe('leave')
    const values = { coldMargin: '60', warmMargin: '40' }
    const kept = calculatorEntry(
      { id: 'e', at: '2026-01-01T00:00:00Z', remark: '', instrument: 'made-up', values },
      drive,
    )
    expect(kept).toMatchObject({ station: 'prove', evidence: { source: 'instrument' } })
  })
})

describe('a kind of entry that nothing knows', () => {
  it('stands on the log, and disturbs nobody', () => {
    const odd = withData('measurement', { type: 'made-up', value: 1 } as never, {
      title: 'Made-up reading',
      evidence: { source: 'hand', by: 'a made-up tool', recording: null },
    })
    const log = [found('belt.goo'), odd]
    expect(walk(drive, log, 0).findings).toHaveLength(1)
    expect(ladderOf(drive, log).rungs).toHaveLength(5)
    expect(alignOrder(drive, log).items).toHaveLength(7)
    const { measurements } = buildCertificate(drive, log, 'S', '2026-01-01T00:00:00Z')
    expect(measurements.every(m => m.source)).toBe(true)
    expect(standingEntries(log)).toContain(odd)
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
