import type { Explained } from '../../base/inference'
import type { BenchModel } from './bench-model'
import type { Head } from './model'
import { placeFails } from './reads'

/** A disk to be read in a drive, both heads, and what it is worth. */
export interface NextRead {
  readonly disk: number
  readonly drive: number
  /** Expected information about what is behind the failures, bits. */
  readonly bits: number
  /** Chance that it reads whole. */
  readonly reads: number
}

/** Configurations beyond this share of the probability add nothing that shows. */
const ENOUGH = 0.995
const MOST = 24
/** Sectors of a zone that are thought of as failing each by itself. */
const SECTORS = 3

/**
 * What reading a disk in a drive would tell, for every pair that was not read yet and whose drive may have a disk: the
 * mutual information between whether each head reads the disk and what may be behind the failures so far. Whatever had
 * no part in one is averaged over: to learn that a drive which nobody read anything in is dirty settles nothing.
 */
export function nextReads(model: BenchModel, explained: readonly Explained[]): NextRead[] {
  const kept = heaviest(explained)
  const failing = model.places.filter(placeFails)
  const suspectDisks = new Set(failing.map(p => p.disk))
  const suspect = model.subjects.map(s => {
    if (s.of === 'writer') return s.disks.some(d => suspectDisks.has(d))
    return (
      failing.some(p => p.drive === s.drive && (s.of === 'machine' || p.head === s.head)) ||
      [...suspectDisks].some(d => model.disks[d]!.writer === model.drives[s.drive]!.id)
    )
  })
  const read = new Set(model.places.map(p => `${p.disk} ${p.drive}`))
  const out: NextRead[] = []
  for (const disk of model.disks.keys()) {
    // A disk that a drive may have hurt can wreck the next drive.
    if (model.disks[disk]!.lookFirst) continue
    const posterior = kept.map(({ config }) => model.posterior(disk, config))
    for (const drive of model.drives.keys())
      if (model.drives[drive]!.mayLoad !== false && !read.has(`${disk} ${drive}`))
        out.push({ disk, drive, ...worth(disk, drive, posterior) })
  }
  return out.sort((a, b) => b.bits - a.bits)

  function worth(disk: number, drive: number, posterior: readonly Float64Array[]): Pick<NextRead, 'bits' | 'reads'> {
    const places: readonly Head[] = model.drives[drive]!.heads === 2 ? [0, 1] : [0]
    // Outcomes by what is suspected; one head reading each bit.
    const cases = new Map<string, { mass: number; readonly outcomes: Float64Array }>()
    for (const [k, e] of kept.entries()) {
      const key = e.config.filter((_, v) => suspect[v]).join()
      const whole = places.map(head => chances(disk, drive, head, e))
      for (const [s, p] of posterior[k]!.entries()) {
        const own = suspectDisks.has(disk) ? `${key} ${s}` : key
        const c = cases.get(own) ?? { mass: 0, outcomes: new Float64Array(1 << places.length) }
        cases.set(own, c)
        const mass = e.weight * p
        c.mass += mass
        for (let o = 0; o < c.outcomes.length; o++)
          c.outcomes[o]! += mass * whole.reduce((q, w, h) => q * ((o >> h) & 1 ? w[s]! : 1 - w[s]!), 1)
      }
    }
    const total = [...cases.values()].reduce((n, c) => n + c.mass, 0)
    const all = new Float64Array(1 << places.length)
    let within = 0
    for (const c of cases.values()) {
      if (c.mass < 1e-9) continue
      within += (c.mass / total) * entropy(c.outcomes.map(x => x / c.mass))
      for (let o = 0; o < all.length; o++) all[o]! += c.outcomes[o]! / total
    }
    return { bits: Math.max(0, entropy(all) - within), reads: all.at(-1)! }
  }

  /**
   * Chance that one head reads all of a disk, for each state of the disk; a reader that is not suspected may be
   * whatever it may be.
   */
  function chances(disk: number, drive: number, head: Head, { config, conditionals }: Explained): number[] {
    const wholeIn = (c: readonly number[]) =>
      model.shares(disk, drive, head, c).map(zones => zones.reduce((q, share) => q * share ** SECTORS, 1))
    let mixed: { readonly config: readonly number[]; readonly p: number }[] = [{ config, p: 1 }]
    for (const [v, s] of model.subjects.entries()) {
      if (suspect[v] || s.of === 'writer' || s.drive !== drive || (s.of === 'head' && s.head !== head)) continue
      mixed = mixed.flatMap(m =>
        [...conditionals[v]!].map((p, state) => ({ config: m.config.with(v, state), p: m.p * p })),
      )
    }
    const sum = model.states[disk]!.map(() => 0)
    for (const m of mixed) for (const [s, w] of wholeIn(m.config).entries()) sum[s]! += m.p * w
    return sum
  }
}

function heaviest(explained: readonly Explained[]): Explained[] {
  const heavy = [...explained].sort((a, b) => b.weight - a.weight)
  let [n, covered] = [0, 0]
  while (n < heavy.length && n < MOST && covered < ENOUGH) covered += heavy[n++]!.weight
  return heavy.slice(0, n)
}

const entropy = (ps: Float64Array) => ps.reduce((h, p) => (p > 0 ? h - p * Math.log2(p) : h), 0)
