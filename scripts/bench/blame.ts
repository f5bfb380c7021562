import { Bench } from 'tinybench'
import { whoIsToBlame, ZONE_NAMES, type BlameDisk, type BlameDrive, type BlameRead } from '@wobrin/core/proof'
import { Random } from '@wobrin/core/simulator'

/**
 * A bench of eight drives and some disks, read in all of them or in some: one bad disk, one dirty head, one drive
 * beside its tracks.
 */
export function blameBench(
  share: number,
  count = 30,
): { reads: BlameRead[]; disks: BlameDisk[]; drives: BlameDrive[] } {
  const random = new Random(3)
  const drives = Array.from({ length: 8 }, (_, i): BlameDrive => ({ id: `r${i}`, name: `R${i}`, heads: 2 }))
  const disks = Array.from({ length: count }, (_, i): BlameDisk => ({
    id: `d${i}`,
    name: `D${i}`,
    writer: i < 16 ? `r${i % 8}` : i < 24 ? 'duplicator' : null,
  }))
  const reads: BlameRead[] = []
  for (const [i, d] of disks.entries()) {
    for (const [j, r] of drives.entries()) {
      if (random.next() > share) continue
      for (const head of [0, 1] as const) {
        for (const [z, zone] of ZONE_NAMES.entries()) {
          const q =
            0.998 *
            (i === 3 ? 0.4 : 1) *
            (j === 2 && head === 1 ? [0.9, 0.7, 0.3][z]! : 1) *
            ((j === 5) !== (d.writer === 'r5') ? 0.35 : 1)
          reads.push({
            disk: d.id,
            drive: r.id,
            head,
            zone,
            sectors: 27,
            good: Array.from({ length: 27 }, () => random.next()).filter(x => x < q).length,
          })
        }
      }
    }
  }
  return { reads, disks, drives }
}

/** Disk or drive, on 8 drives × 30 disks, beside sorting the same reads. */
export async function blaming(): Promise<void> {
  const [all, some] = [blameBench(1), blameBench(0.5)]
  const b = new Bench({ time: 1500 })
  b.add('sorting its reads by their names', () => {
    ;[...all.reads].sort((x, y) => (`${x.disk}${x.drive}` < `${y.disk}${y.drive}` ? -1 : 1))
  })
  b.add('every disk in every drive', () => {
    whoIsToBlame(all.reads, all.disks, all.drives)
  })
  b.add('half of the pairs, with what to read next', () => {
    whoIsToBlame(some.reads, some.disks, some.drives)
  })
  await b.run()
  const [baseline, ...rest] = b.tasks.map(t => ({
    name: t.name,
    latency: (t.result as unknown as { latency: { p50: number; p99: number } }).latency,
  }))
  console.log('Disk or drive, 8 drives × 30 disks:')
  const from = process.cpuUsage()
  for (let i = 0; i < 20; i++) whoIsToBlame(all.reads, all.disks, all.drives)
  const { user } = process.cpuUsage(from)
  console.log(`  processor time of one, every disk in every drive: ${(user / 20_000).toFixed(1)} ms`)
  for (const r of rest)
    console.log(
      `  ${r.name}: ${r.latency.p50.toFixed(1)} ms in the middle, ${r.latency.p99.toFixed(1)} ms at the 99th percentile (${(r.latency.p50 / baseline!.latency.p50).toFixed(0)} x ${baseline!.name})`,
    )
}
