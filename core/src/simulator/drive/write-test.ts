import type { CountedSectors, WriteTestResult } from '../../log'
import type { SectorToWrite } from '../../signals/codes'
import { SimulatedHost } from './host'
import type { SimulatedDrive } from './simulated-drive'

export interface WriteTestOptions {
  /** Cylinders that patterns are written on; the format takes them all. */
  readonly patternCylinders: readonly number[]
  readonly stepMs: number
  readonly settleMs: number
}

export interface WriteProgress {
  readonly done: number
  readonly all: number
  readonly what: string
}

/** Seeds of what is written, one after the other. */
const CONTENTS = { format: 0xe5, protect: 71, allow: 72, pattern: 73, overwrite: 74 } as const

/** Cylinders that say what all would: first, last and some between. */
export function spreadCylinders(cylinders: number, count = 6): number[] {
  return [...new Set(Array.from({ length: count }, (_, i) => Math.round((i * (cylinders - 1)) / (count - 1))))]
}

/**
 * A host's write test on the simulated drive: write protect both ways, a whole format with its verify, patterns,
 * other patterns over
 * them, and home. It knows only what it reads back. Yields after each track.
 */
export function* writeTest(
  drive: SimulatedDrive,
  options: WriteTestOptions,
): Generator<WriteProgress, WriteTestResult> {
  const host = new SimulatedHost(drive, options)
  host.start()
  host.home()
  const { layout } = drive.media!
  const { cylinders } = layout
  const heads = layout.heads === 2 ? ([0, 1] as const) : ([0] as const)
  const all = (3 + cylinders + 2 * options.patternCylinders.length) * heads.length
  let done = 0
  const progress = (what: string): WriteProgress => ({ done: ++done, all, what })

  const sectorsFor = (cylinder: number, head: 0 | 1, content: number): SectorToWrite[] =>
    drive.media!.sectorsOf(cylinder, head, content)
  const write = (cylinder: number, head: 0 | 1, content: number): void => {
    host.seek(cylinder)
    host.write(head, sectorsFor(cylinder, head, content), layout.formatOf(cylinder))
  }
  /** Sectors that come back with the bytes they should have. */
  const verify = (cylinder: number, head: 0 | 1, content: number): CountedSectors => {
    const wanted = sectorsFor(cylinder, head, content)
    const { read } = host.read(head, 1, layout.formatOf(cylinder), [layout.formatOf(cylinder)])
    const good = wanted.filter(w =>
      read?.sectors.some(
        s =>
          s.status === 'good' &&
          s.cylinder === cylinder &&
          s.head === head &&
          s.sector === w.sector &&
          s.data !== null &&
          same(s.data, w.data),
      ),
    )
    return { good: good.length, sectors: wanted.length }
  }
  const counts = (): [CountedSectors, CountedSectors] => [
    { good: 0, sectors: 0 },
    { good: 0, sectors: 0 },
  ]
  const add = (sums: [CountedSectors, CountedSectors], head: 0 | 1, c: CountedSectors) => {
    sums[head] = { good: sums[head].good + c.good, sectors: sums[head].sectors + c.sectors }
  }
  const byHead = (
    sums: readonly [CountedSectors, CountedSectors],
  ): readonly [CountedSectors | null, CountedSectors | null] => [sums[0], heads.length === 2 ? sums[1] : null]

  // Write protect: a protected disk must not change, an open one must.
  const middle = cylinders >> 1
  drive.setTab(true)
  host.wait(0.3)
  write(middle, 0, CONTENTS.protect)
  const blocked = verify(middle, 0, CONTENTS.protect).good === 0
  yield progress('write protect')
  drive.setTab(false)
  host.wait(0.3)
  write(middle, 0, CONTENTS.allow)
  const allowed = verify(middle, 0, CONTENTS.allow).good > 0
  yield progress('write protect')

  host.home()
  const fromS = drive.timeS
  const format = counts()
  const edges: Record<number, CountedSectors> = {}
  for (let cylinder = 0; cylinder < cylinders; cylinder++) {
    for (const head of heads) {
      write(cylinder, head, CONTENTS.format)
      const c = verify(cylinder, head, CONTENTS.format)
      add(format, head, c)
      const edge = edges[cylinder] ?? { good: 0, sectors: 0 }
      edges[cylinder] = { good: edge.good + c.good, sectors: edge.sectors + c.sectors }
      yield progress('format')
    }
  }
  const formatS = drive.timeS - fromS
  const found = host.home()
  const homeAfter = found && verify(0, 0, CONTENTS.format).good > 0
  yield progress('home')

  const patterns = { pattern: counts(), overwrite: counts() }
  for (const what of ['pattern', 'overwrite'] as const) {
    for (const cylinder of options.patternCylinders) {
      for (const head of heads) {
        write(cylinder, head, CONTENTS[what])
        add(patterns[what], head, verify(cylinder, head, CONTENTS[what]))
        yield progress(what)
      }
    }
  }
  return {
    blocked,
    allowed: allowed || format.some(f => f.good > 0),
    format: byHead(format),
    tracks: cylinders * heads.length,
    formatS,
    first: edges[0]!,
    last: edges[cylinders - 1]!,
    pattern: byHead(patterns.pattern),
    overwrite: byHead(patterns.overwrite),
    homeAfter,
  }
}

const same = (a: Uint8Array, b: Uint8Array) => a.length === b.length && a.every((x, i) => x === b[i])
