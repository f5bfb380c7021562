import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Bench } from 'tinybench'
import { chromium } from '@playwright/test'
import { median } from '@wobrin/core/base/numbers'
import { SimulatedPickup, SIMULATED_PULLEYS } from '@wobrin/core/simulator'
import { speedFromPulses } from '@wobrin/core/instruments/spindle'
import { seed } from '../../demo/src/seed'
import { serve, stop } from '../serve.mjs'
import { benchAdvice, benchAlign } from './align'
import { blaming } from './blame'
import { coldStart } from './cold-start'
import { byEar } from './by-ear'
import { liveDelay } from './live'
import { longLog, photographing, puttingBack } from './bench-line'
import { diagnosing } from './diagnosis'
import { firstView } from './first-view'
import { growth } from './growth'
import { planning } from './plan'
import { pooling } from './pool'
import { engine, openingDisk, readingDisk, surface, wholeDisk } from './bus'
import { atScale } from './scale'
import { strokes } from './sums'
import { reading } from './readers'

const folder = mkdtempSync(join(tmpdir(), 'wobrin-bench-'))
const runs = 5

async function judging(): Promise<void> {
  const train = (marks: number) => {
    const pickup = new SimulatedPickup({
      seed: 1,
      rpm: 301,
      marksPerTurn: marks,
      wanderPercent: 0.05,
      ripples: [{ cyclesPerTurn: 0.72, peakPercent: 0.3 }],
    })
    pickup.advanceTo(600)
    return pickup.pulses()
  }
  const one = train(1)
  const sixteen = train(16)
  const bench = new Bench({ time: 1500 })
  const judge = (pulses: typeof one, n: number) => () => {
    speedFromPulses(
      pulses,
      { pulsesPerTurn: n, pulleys: SIMULATED_PULLEYS },
      { mechanism: '5.25in-48', school: 'leave-alone' },
    )
  }
  bench.add('baseline: sum of the intervals', () => {
    let s = 0
    for (let i = 1; i < one.starts.length; i++) s += one.starts[i]! - one.starts[i - 1]!
    return void s
  })
  bench.add('judged, one pulse a turn', judge(one, 1))
  bench.add('judged, sixteen pulses a turn', judge(sixteen, 16))
  await bench.run()
  const [baseline, ...rest] = bench.tasks.map(t => ({
    name: t.name,
    ms: (t.result as unknown as { latency: { p50: number } }).latency.p50,
  }))
  console.log('Ten minutes of pulses:')
  for (const r of rest)
    console.log(
      `  ${r.name}: ${r.ms.toFixed(1)} ms (${(r.ms / baseline!.ms).toFixed(0)} x the ${baseline!.name.replace('baseline: ', '')})`,
    )
}

/**
 * Misaligned drives that the sweep is measured on: all of them take a quarter of an hour, a tenth is enough beside
 * the rest.
 */
const DRIVES = { all: 500, some: 50 }
function aligning(drives: number): void {
  console.log(
    `Adjuster sweeps on ${drives} misaligned stand-ins; tries where the middle was then within 5 % of the window, else none:`,
  )
  benchAlign(drives, line => console.log(`  ${line}`))
  benchAdvice(drives, line => console.log(`  ${line}`))
}

/**
 * `npm run bench -- bus` takes the read engine and its recordings alone, `-- readers` what reads recordings, `-- align`
 * the sweeps, `-- blame` the inference, `-- scale` a million entries (`--busy`: with burners beside it), `-- plan` and
 * `-- pool` the planner and the pooling of parts, `-- by-ear` speeds by sound and film, `-- live` what comes over
 * standard input, `-- growth` draws time and memory against size, `-- serving` the server's start and its pages.
 */
const only = process.argv[2]

async function serving(): Promise<void> {
  const data = join(folder, 'data')
  const first = await serve({ port: 4191, host: '127.0.0.1', data })
  await seed(first.address)
  await stop(first.child)
  await coldStart(data)
  const server = await serve({ port: 4192, host: '127.0.0.1', data })

  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  const bench = (await (await fetch(`${server.address}/api/bench`)).json()) as {
    lines: { drive: { id: string; tag: string } }[]
  }
  const id = bench.lines.find(l => l.drive.tag === 'SK-05')!.drive.id
  const usable: number[] = []
  const bare: number[] = []
  for (let i = 0; i < runs; i++) {
    const page = await (await browser.newContext()).newPage()
    let begun = performance.now()
    await page.goto(`${server.address}/icon.svg`)
    bare.push(performance.now() - begun)
    begun = performance.now()
    await page.goto(`${server.address}/drives/${id}`, { waitUntil: 'commit' })
    await page.getByTestId('call').waitFor()
    usable.push(performance.now() - begun)
    await page.context().close()
  }
  await firstView(browser, server.address, ['/', `/drives/${id}`])
  await photographing(browser, server.address)
  await longLog(browser, server.address)
  await openingDisk(browser, server.address, await disk())
  await browser.close()
  server.child.kill()
  console.log(
    `Drive page usable (its call on the screen, cold cache) in ${median(usable).toFixed(0)} ms (baseline, one bare file in the same browser: ${median(bare).toFixed(0)} ms)`,
  )
}

let made: Promise<string> | null = null
const disk = () => (made ??= wholeDisk(folder))

try {
  if (only === 'align') {
    aligning(DRIVES.all)
    process.exit(0)
  }
  if (only === 'diagnosis' || only === 'plan') {
    ;(only === 'plan' ? planning : diagnosing)()
    process.exit(0)
  }
  if (only === 'readers') {
    await reading(folder)
    process.exit(0)
  }
  if (only === 'serving') {
    await serving()
    process.exit(0)
  }
  if (only === 'growth') {
    await growth()
    process.exit(0)
  }
  if (only === 'pool') {
    await pooling()
    process.exit(0)
  }
  if (only === 'by-ear' || only === 'live') {
    await (only === 'live' ? liveDelay(folder) : byEar())
    process.exit(0)
  }
  if (only === 'blame' || only === 'scale') {
    await (only === 'blame' ? blaming() : atScale(process.argv.includes('--busy')))
    process.exit(0)
  }
  engine()
  surface()
  readingDisk(await disk())
  if (only === 'bus') {
    const server = await serve({ port: 4198, host: '127.0.0.1', data: join(folder, 'data') })
    const browser = await chromium.launch({
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    })
    try {
      await openingDisk(browser, server.address, await disk())
    } finally {
      await browser.close()
      server.child.kill()
    }
    process.exit(0)
  }
  await reading(folder)
  await judging()
  aligning(DRIVES.some)
  await puttingBack()
  await strokes()
  await blaming()
  await byEar()
  await liveDelay(folder)
  await serving()
  await atScale()
} finally {
  rmSync(folder, { recursive: true, force: true })
}
