import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, serve, stop } from '../../serve.mjs'
import { makeVcd } from '../make-vcd'
import { fillWorkshop, memoryMb } from '../scale'
import { CASES, type GrowthCase } from './cases'
import { drawGrowth, memoryPower, power, type Grown } from './draw'

const ROOT = join(import.meta.dirname, '../../..')
const PICTURE = join(ROOT, 'docs/growth.svg')
/** Entries of a drive, and the share of the drives that is open. */
const ENTRIES = 30
const OPEN = 0.2
const DRIVES = [10, 100, 1_000, 10_000]
const REQUESTS = 15

async function grow(c: GrowthCase, folder: string): Promise<Grown> {
  const points = []
  for (const size of c.sizes) {
    const file = join(folder, `${c.name}-${size}.vcd`)
    if (c.name === 'reader') await makeVcd(file, size)
    const printed = execFileSync(
      process.execPath,
      ['--expose-gc', '--import', 'tsx', join(import.meta.dirname, 'one.ts'), c.name, String(size), file],
      { encoding: 'utf8', cwd: ROOT },
    )
    points.push({ size, ...(JSON.parse(printed) as { ms: number; megabytes: number }) })
    rmSync(file, { force: true })
  }
  return { ...c, points }
}

/** Processor time of a process so far, ms: ticks of a hundredth of a second. */
function cpuMs(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  return (Number(fields[11]) + Number(fields[12])) * 10
}

/** Bench and search over workshops of several sizes, asked over HTTP; time is the server's own. */
async function growServed(folder: string): Promise<Grown[]> {
  const asked = [
    {
      name: 'bench',
      unit: 'drives, a fifth of them open',
      allowed: 'n',
      url: '/api/bench',
      points: [] as Grown['points'][number][],
    },
    {
      name: 'search',
      unit: 'drives of 30 entries',
      allowed: 'n',
      url: '/api/find?q=harbour%20belt',
      points: [] as Grown['points'][number][],
    },
  ]
  for (const drives of DRIVES) {
    const data = join(folder, `data-${drives}`)
    const first = await serve({ port: await freePort(), host: '127.0.0.1', data, quiet: true })
    await stop(first.child)
    fillWorkshop(join(data, 'wobrin.sqlite'), drives, ENTRIES, drives * OPEN)
    const { child, address } = await serve({ port: await freePort(), host: '127.0.0.1', data, quiet: true })
    const pid = child.pid!
    try {
      // Bench and Shelf are worked out ahead, which is none of what is asked for here.
      for (const ahead of ['/api/bench', '/api/spares']) await (await fetch(address + ahead)).arrayBuffer()
      for (const a of asked) {
        const get = async () => (await fetch(address + a.url)).arrayBuffer()
        const [before, rss] = [cpuMs(pid), memoryMb(pid)]
        for (let i = 0; i < REQUESTS; i++) await get()
        a.points.push({
          size: drives,
          ms: (cpuMs(pid) - before) / REQUESTS,
          megabytes: Math.max(0, memoryMb(pid, 'VmHWM') - rss),
        })
      }
    } finally {
      await stop(child)
      rmSync(data, { recursive: true, force: true })
    }
  }
  return asked
}

/** Draws how time and memory grow with size over three decades. */
export async function growth(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'wobrin-growth-'))
  try {
    const all: Grown[] = []
    for (const c of CASES) {
      all.push(await grow(c, folder))
      say(all.at(-1)!)
    }
    for (const g of await growServed(folder)) {
      all.push(g)
      say(g)
    }
    writeFileSync(PICTURE, drawGrowth(all, 'Made by `npm run bench -- growth`.'))
    console.log(`Drawn in ${PICTURE}`)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

function say({ name, unit, points, allowed }: Grown): void {
  const row = points.map(p => `${p.size}: ${p.ms.toFixed(1)} ms, ${p.megabytes.toFixed(0)} MB`).join('; ')
  console.log(
    `${name} (${unit}): ${row}; last decade time n^${power(points, p => p.ms).toFixed(2)}, memory ${memoryPower(points)}; may grow: ${allowed}`,
  )
}
