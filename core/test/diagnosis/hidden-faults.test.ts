import { beforeAll, describe, expect, it } from 'vitest'
import { MECHANISM_IDS } from '../../src/drives'
import { CHECKS, FAULTS } from '../../src/diagnosis'
import { Random } from '../../src/simulator'
import { complaintsOf, drawDrive, mendFault, problemsOf, RIG_FAULTS, soundRig, works } from '../../src/simulator/rig'
import { byStations } from './helpers/baselines'
import { play, type Played } from './helpers/play'

/** Seeds for tests; the scored run of the bench has its own. */
const SEED = 40_000

describe('the drive on the bench, worked out from its parts', () => {
  it.each(MECHANISM_IDS)('%s: nobody complains of a sound one', mechanism => {
    const rig = soundRig(mechanism)
    for (let i = 0; i < 3; i++) expect([...problemsOf(rig, new Random(i))]).toEqual([])
  })
  it('knows at least sixty faults over all types, under the ids of the list', () => {
    const ids = new Set(FAULTS.map(f => f.id))
    const known = new Set(RIG_FAULTS.map(f => f.id).filter(id => ids.has(id)))
    expect(known.size).toBeGreaterThanOrEqual(60)
    for (const m of MECHANISM_IDS) expect(RIG_FAULTS.some(f => f.on(soundRig(m)))).toBe(true)
  })
  it.each(RIG_FAULTS.map(f => [f.id, f] as const))('%s: mended, the drive works again', (id, f) => {
    for (const m of MECHANISM_IDS.filter(x => f.on(soundRig(x)))) {
      const rig = soundRig(m)
      f.break(rig.parts, new Random(3))
      expect(mendFault(rig, id, new Random(4)), m).toBe(true)
      expect(works(rig, new Random(5)), m).toBe(true)
    }
  })
  it('a fault that stands first hides what stands behind it, and the owner says what is noticed', () => {
    const rig = soundRig('5.25in-48')
    const breaks = (id: string) => RIG_FAULTS.find(f => f.id === id)!.break(rig.parts, new Random(1))
    breaks('lower-head.dead')
    expect(complaintsOf(problemsOf(rig, new Random(2)), rig.twoHeads)).toEqual(['reads-one-side'])
    breaks('belt.gone')
    expect(complaintsOf(problemsOf(rig, new Random(2)), rig.twoHeads)).toEqual(['no-spin'])
  })
})

describe('hidden faults, found by advice', () => {
  let played: readonly Played[] = []
  beforeAll(() => {
    played = Array.from({ length: 24 }, (_, i) => play(drawDrive(SEED + i, 1)))
  }, 300_000)
  it('most drives work at the end, after a few checks', () => {
    expect(played.filter(p => p.mended).length).toBeGreaterThanOrEqual(19)
    expect(played.map(p => p.checks).sort((a, b) => a - b)[12]!).toBeLessThanOrEqual(14)
  })
  it('where it is sure it is right', () => {
    const sure = played.filter(p => (p.first.causes[0]?.probability ?? 0) > 0.9)
    expect(sure.length).toBeGreaterThan(2)
    const wrong = sure.filter(p => !p.hidden.faults.includes(p.first.causes[0]!.fault))
    expect(wrong.length).toBeLessThanOrEqual(Math.ceil(sure.length / 10))
  })
  it('needs less than half of the checks of the fixed order', () => {
    const middle = (xs: number[]) => xs.sort((a, b) => a - b)[xs.length >> 1]!
    const fixed = Array.from({ length: 24 }, (_, i) => byStations(drawDrive(SEED + i, 1)).checks)
    expect(middle(played.map(p => p.checks))).toBeLessThan(middle(fixed) / 2)
  })
  it('only asks what exists', () => {
    const ids = new Set(CHECKS.map(c => c.id))
    for (const p of played)
      for (const t of p.trail.filter(x => !x.startsWith('mend '))) expect(ids.has(t.split('=')[0]!), t).toBe(true)
  })
})
