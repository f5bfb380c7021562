import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { SimulatedPickup } from '@wobrin/core/simulator'
import { seed } from '../../demo/src/seed'
import { root } from '../ensure.mjs'
import { serve } from '../serve.mjs'

const RPM = 301
const SECONDS = 40
/** A cheap logic analyser: its clock, and how often its program prints what came. */
const SAMPLE_NS = 1e9 / 24e6
const PRINTED_EVERY_MS = 10
/** READ DATA at double density changes about so often, 1/s: a pulse each 5 µs, both its ends. */
const READ_CHANGES = 400_000
/** The first pulses come while the page still opens its worker. */
const SETTLING = 20

interface Change {
  readonly atS: number
  readonly text: string
}

/** Index pulses of a simulated drive, and a read line that changes all the time, on the analyser's clock. */
function* changes(index: Float64Array): Generator<Change> {
  const stamp = (t: number) => Math.round(Math.round((t * 1e9) / SAMPLE_NS) * SAMPLE_NS)
  let read = 0
  for (const t of index) {
    for (; read / READ_CHANGES < t; read++)
      yield { atS: read / READ_CHANGES, text: `#${stamp(read / READ_CHANGES)}\n${read % 2}"\n` }
    yield { atS: t, text: `#${stamp(t)}\n0!\n` }
    yield { atS: t + 0.002, text: `#${stamp(t + 0.002)}\n1!\n` }
    for (; read / READ_CHANGES < t + 0.002; read++);
  }
}

/** Notes in a page when each count of revolutions is painted first, ms. As text: it is not of this process. */
const WATCH = `
  window.seenRevolutions = {}
  new MutationObserver(() => {
    const text = document.querySelector('[data-testid=live]')?.textContent ?? ''
    const count = Number(/over (\\d+) revolutions/.exec(text)?.[1] ?? 0)
    if (count) requestAnimationFrame(() => (window.seenRevolutions[count] ??= Date.now()))
  }).observe(document.body, { subtree: true, childList: true, characterData: true })
`

/** From the byte of an index pulse on standard input to its revolution on the drive's page. */
export async function liveDelay(folder: string): Promise<void> {
  const { child: server, address } = await serve({
    port: 4199,
    host: '127.0.0.1',
    data: join(folder, 'live'),
    quiet: true,
  })
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  try {
    await seed(address)
    const bench = (await (await fetch(`${address}/api/bench`)).json()) as {
      lines: { drive: { id: string; tag: string } }[]
    }
    const { id } = bench.lines.find(l => l.drive.tag === 'SK-05')!.drive
    const page = await browser.newPage()
    await page.goto(`${address}/drives/${id}?station=speed`)
    await page.getByRole('region', { name: 'Log' }).waitFor()
    await page.evaluate(WATCH)

    const pickup = new SimulatedPickup({ rpm: RPM, seed: 5 })
    pickup.advanceTo(SECONDS)
    const index = pickup.pulses().starts
    const written = await send(address, index)
    await page.waitForTimeout(1500)
    const shown = await page.evaluate<Record<number, number>>('window.seenRevolutions')
    const seen = Object.entries(shown).map(([count, at]) => ({ count: Number(count), at }))
    // The last count is of all pulses: the first ones may not count, the spindle was coming up.
    const off = index.length - Math.max(...seen.map(s => s.count))
    const delays = seen
      .filter(s => s.count > SETTLING && written[s.count + off - 1] !== undefined)
      .map(s => s.at - written[s.count + off - 1]!)
      .sort((a, b) => a - b)
    const at = (share: number) => delays[Math.min(delays.length - 1, Math.floor(share * delays.length))]!
    console.log(
      `Live, ${(READ_CHANGES / 1000).toFixed(0)} thousand changes a second of READ DATA beside the index: from a pulse’s byte to its revolution on ` +
        `the page ${at(0.5)} ms in the middle, ${at(0.95)} ms for 95 %, ${delays.at(-1)} ms at most of ${delays.length} (wanted 150)`,
    )
  } finally {
    await browser.close()
    server.kill()
  }
}

/** Prints the stream as its time comes. @returns when the byte of each index pulse was written, ms */
async function send(address: string, index: Float64Array): Promise<number[]> {
  const live = spawn(
    process.execPath,
    [
      join(root, 'cli/bin/wobrin.mjs'),
      'live',
      '--server',
      address,
      '--simulated',
      '--drive',
      'SK-05',
      '--line',
      'INDEX',
    ],
    { cwd: root, stdio: ['pipe', 'ignore', 'inherit'] },
  )
  live.stdin.write(
    '$timescale 1 ns $end\n$var wire 1 ! INDEX $end\n$var wire 1 " READ_DATA $end\n$enddefinitions $end\n',
  )
  live.stdin.write('#0\n1!\n1"\n')
  const written: number[] = []
  const begun = Date.now()
  const all = changes(index)
  let next = all.next()
  while (!next.done) {
    const now = (Date.now() - begun) / 1000
    let text = ''
    const pulses = []
    for (; !next.done && next.value.atS <= now; next = all.next()) {
      if (next.value.text.endsWith('0!\n')) pulses.push(written.length + pulses.length)
      text += next.value.text
    }
    live.stdin.write(text)
    for (const p of pulses) written[p] = Date.now()
    await new Promise(resolve => setTimeout(resolve, PRINTED_EVERY_MS))
  }
  setTimeout(() => live.stdin.end(), 500)
  return written
}
