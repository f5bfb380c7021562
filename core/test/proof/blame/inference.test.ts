import { describe, expect, it } from 'vitest'
import { marginalsOf, searchPosterior } from '../../../src/base/inference'
import { diskMarginals } from '../../../src/proof/blame/blame'
import { logSum } from '../../../src/base/numbers'
import { BenchModel } from '../../../src/proof/blame/bench-model'
import { nextReads } from '../../../src/proof/blame/next-read'
import {
  poolReads,
  whoIsToBlame,
  ZONE_NAMES,
  type BlameDisk,
  type BlameDrive,
  type BlameRead,
} from '../../../src/proof'
import { Random } from '../../../src/simulator'

/** A bench of any make-up by its seed: half of the pairs read, something wrong somewhere. */
function randomBench(seed: number, drives: number, disks: number, heads: 1 | 2) {
  const random = new Random(seed)
  const pick = (n: number) => Math.floor(random.next() * n)
  const d = Array.from({ length: disks }, (_, i): BlameDisk => ({
    id: `d${i}`,
    name: `d${i}`,
    writer: random.next() < 0.4 ? `r${pick(drives)}` : random.next() < 0.5 ? 'duplicator' : null,
  }))
  const r = Array.from({ length: drives }, (_, i): BlameDrive => ({ id: `r${i}`, name: `r${i}`, heads }))
  const [bad, odd] = [pick(disks), pick(drives)]
  const reads: BlameRead[] = []
  for (const [i, disk] of d.entries()) {
    for (const [j, drive] of r.entries()) {
      if (random.next() < 0.3) continue
      for (let head = 0; head < heads; head++) {
        for (const zone of ZONE_NAMES) {
          const share = (i === bad ? 0.4 : 1) * ((j === odd) !== (disk.writer === drive.id) ? 0.5 : 1) * 0.99
          reads.push({
            disk: disk.id,
            drive: drive.id,
            head: head as 0 | 1,
            zone,
            sectors: 9,
            good: Array.from({ length: 9 }, () => random.next()).filter(x => x < share).length,
          })
        }
      }
    }
  }
  return { disks: d, drives: r, reads }
}

/** Marginals by going through every configuration there is. */
function exhaustive(model: BenchModel) {
  const { sizes } = model
  const vars = sizes.map(n => Array<number>(n).fill(0))
  const disks = model.states.map(s => Array<number>(s.length).fill(0))
  let total = 0
  const config = sizes.map(() => 0)
  for (;;) {
    // The model keeps what it worked out of a configuration: that one stays as it is.
    const here = [...config]
    const p = Math.exp(model.along(here, 0)[config[0]!]!)
    total += p
    for (const [v, s] of config.entries()) vars[v]![s]! += p
    for (const d of disks.keys()) {
      const logs = model.likelihoods(d, here)
      const all = logSum(logs)
      for (const [s, l] of logs.entries()) disks[d]![s]! += p * Math.exp(l - all)
    }
    let v = 0
    while (v < sizes.length && ++config[v]! === sizes[v]) config[v++] = 0
    if (v === sizes.length) break
  }
  return {
    vars: vars.map(r => r.map(x => x / total)),
    disks: disks.map(r => r.map(x => x / total)),
    configs: sizes.reduce((n, s) => n * s, 1),
  }
}

describe('the search against going through every configuration', () => {
  it.each([1, 2, 3, 4, 5, 6])(
    'one-headed drives and three disks, bench %i: every marginal to a ten-thousandth where it may look everywhere',
    seed => {
      const { disks, drives, reads } = randomBench(seed, 2, 3, 1)
      const model = new BenchModel(disks, drives, poolReads(reads, disks, drives))
      const exact = exhaustive(model)
      const explained = searchPosterior(model, exact.configs)
      for (const [v, row] of marginalsOf(explained, model.sizes).entries())
        for (const [s, p] of row.entries()) expect(p).toBeCloseTo(exact.vars[v]![s]!, 4)
      for (const [d, row] of diskMarginals(model, explained).entries())
        for (const [s, p] of row.entries()) expect(p).toBeCloseTo(exact.disks[d]![s]!, 4)
    },
  )

  it.each([11, 12, 14, 15])(
    'two-headed drives, bench %i: what is shown to within a percent with the few that are looked into',
    seed => {
      const { disks, drives, reads } = randomBench(seed, 2, 2, 2)
      const model = new BenchModel(disks, drives, poolReads(reads, disks, drives))
      const exact = exhaustive(model)
      const answer = whoIsToBlame(reads, disks, drives)
      const STATE = { 'drive-off': 1, 'drive-speed': 2, 'head-dirty': 1, 'head-dead': 2, 'head-off': 3 } as const
      let compared = 0
      for (const b of answer.blamed) {
        if (!(b.cause in STATE)) continue
        const v = model.subjects.findIndex(
          s =>
            (b.cause.startsWith('drive')
              ? s.of === 'machine'
              : s.of === 'head' && (s.head === 1) === b.where.startsWith('upper')) &&
            'drive' in s &&
            drives[s.drive]!.id === b.drive,
        )
        expect(Math.abs(b.probability - exact.vars[v]![STATE[b.cause as keyof typeof STATE]]!)).toBeLessThan(0.01)
        compared++
      }
      expect(compared).toBeGreaterThan(0)
    },
  )

  it('is not moved by drives and disks that nothing was read of', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const { disks, drives, reads } = randomBench(seed, 3, 3, 1)
      const idle = Array.from({ length: 6 }, (_, i) => i)
      const more: [BlameDisk[], BlameDrive[]] = [
        [...disks, ...idle.map(i => ({ id: `e${i}`, name: `e${i}`, writer: i % 2 ? `s${i}` : null }))],
        [...drives, ...idle.map(i => ({ id: `s${i}`, name: `s${i}`, heads: 2 as const }))],
      ]
      // As many as there are: both are exact then.
      const alone = whoIsToBlame(reads, disks, drives, 1_000_000).blamed
      const among = whoIsToBlame(reads, ...more, 1_000_000).blamed
      expect(among.map(b => [b.cause, b.who, b.where])).toEqual(alone.map(b => [b.cause, b.who, b.where]))
      for (const [i, b] of among.entries()) expect(b.probability).toBeCloseTo(alone[i]!.probability, 9)
    }
  })

  it('weighs a change of one variable as the whole model weighs both sides of it', () => {
    const { disks, drives, reads } = randomBench(21, 3, 4, 2)
    const model = new BenchModel(disks, drives, poolReads(reads, disks, drives))
    const random = new Random(5)
    for (let i = 0; i < 40; i++) {
      const config = model.sizes.map(n => Math.floor(random.next() * n))
      const v = Math.floor(random.next() * config.length)
      const logs = model.along(config, v)
      for (const [s, l] of logs.entries())
        expect(
          new BenchModel(disks, drives, model.places).along(config.with(v, s), 0)[config.with(v, s)[0]!]!,
        ).toBeCloseTo(l, 8)
    }
  })
})

describe('the next read', () => {
  it('is one that shares the disk or the drive with what failed', () => {
    const disks: BlameDisk[] = [
      { id: 'a', name: 'a', writer: 'duplicator' },
      { id: 'b', name: 'b', writer: 'another' },
    ]
    const drives: BlameDrive[] = [
      { id: 'r', name: 'r', heads: 1 },
      { id: 's', name: 's', heads: 1 },
    ]
    const reads: BlameRead[] = ZONE_NAMES.map(zone => ({ disk: 'a', drive: 'r', head: 0, zone, good: 3, sectors: 9 }))
    const model = new BenchModel(disks, drives, poolReads(reads, disks, drives))
    const explained = searchPosterior(model, 2000)
    const next = nextReads(model, explained)
    expect(next).toHaveLength(3)
    // The same disk in another drive, or another disk in the same drive, tells; strangers to both tell almost nothing.
    const bits = Object.fromEntries(next.map(n => [`${disks[n.disk]!.id}${drives[n.drive]!.id}`, n.bits]))
    expect(bits.as).toBeGreaterThan(5 * bits.bs!)
    expect(bits.br).toBeGreaterThan(5 * bits.bs!)
    for (const n of next) {
      expect(n.bits).toBeGreaterThanOrEqual(0)
      expect(n.bits).toBeLessThanOrEqual(1)
      expect(n.reads).toBeGreaterThan(0)
      expect(n.reads).toBeLessThan(1)
    }
  })

  it('offers nothing that was read already', () => {
    const { disks, drives, reads } = randomBench(9, 3, 4, 2)
    const model = new BenchModel(disks, drives, poolReads(reads, disks, drives))
    const done = new Set(reads.map(r => `${r.disk} ${r.drive}`))
    for (const n of nextReads(model, searchPosterior(model, 30)))
      expect(done.has(`${disks[n.disk]!.id} ${drives[n.drive]!.id}`)).toBe(false)
  })
})

describe('what to read next', () => {
  const disks = [
    { id: 'a', name: 'A', writer: null },
    { id: 'b', name: 'B', writer: null },
  ]
  const drivesWith = (mayLoad: boolean): BlameDrive[] => [
    { id: 'r', name: 'R', heads: 1 },
    { id: 's', name: 'S', heads: 1 },
    { id: 't', name: 'T', heads: 1, mayLoad },
  ]
  const reads: BlameRead[] = (['outer', 'middle', 'inner'] as const).flatMap(zone => [
    { disk: 'a', drive: 'r', head: 0, zone, good: 2, sectors: 9 },
    { disk: 'b', drive: 's', head: 0, zone, good: 9, sectors: 9 },
  ])
  // Common practice: nothing good goes into a drive that may harm it.
  it('proposes no drive whose safety gate is closed', () => {
    const next = (mayLoad: boolean) => whoIsToBlame(reads, disks, drivesWith(mayLoad)).next.map(n => n.drive)
    expect(next(true)).toContain('T')
    expect(next(false).length).toBeGreaterThan(0)
    expect(next(false)).not.toContain('T')
  })
})
