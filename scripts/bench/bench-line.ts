import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { Bench } from 'tinybench'
import type { Browser, Page } from '@playwright/test'
import { median } from '@wobrin/core/base/numbers'
import { asFoundRecord } from '@wobrin/core/findings'
import { putBackList } from '@wobrin/core/bench/put-back'
import type { AsFoundItem, LogEntry } from '@wobrin/core/log'
import { walk } from '@wobrin/core/bench/stations'

/** A log on which sixty things were marked, one behind another, and all undone. */
function sixtyThings(): LogEntry[] {
  const log: LogEntry[] = []
  const say = (kind: LogEntry['kind'], data: LogEntry['data']) => {
    log.push({
      id: `e${log.length}`,
      seq: log.length + 1,
      driveId: 'd',
      at: '2026-03-01T10:00:00Z',
      kind,
      station: 'open',
      title: '',
      detail: '',
      call: null,
      observations: [],
      evidence: null,
      data,
      takesBack: null,
    })
    return `e${log.length - 1}`
  }
  const item: AsFoundItem = {
    kind: 'connector',
    name: 'plug',
    state: 'left',
    detail: '',
    colour: '',
    from: '',
    to: '',
    measured: '',
    behind: null,
    mark: null,
  }
  const ids: string[] = []
  for (let i = 0; i < 60; i++)
    ids.push(
      say('as-found', { type: 'as-found', item: { ...item, name: `thing ${i}`, behind: i % 4 ? ids[i - 1]! : null } }),
    )
  for (const id of ids) say('undone', { type: 'undone', item: id, broke: null })
  return log
}

/** The way back of sixty things, and the whole walk of a drive that has them. */
export async function puttingBack(): Promise<void> {
  const log = sixtyThings()
  const bench = new Bench({ time: 1000 })
  bench.add('baseline: sorting the entries', () => {
    ;[...log].sort((a, b) => b.seq - a.seq)
  })
  bench.add('put-back list', () => {
    putBackList(asFoundRecord(log))
  })
  bench.add('whole walk of the drive', () => {
    walk({ mechanism: '3in' }, log, 0)
  })
  await bench.run()
  const [baseline, ...rest] = bench.tasks.map(t => ({
    name: t.name,
    ms: (t.result as unknown as { latency: { p50: number } }).latency.p50,
  }))
  console.log('Sixty things undone:')
  for (const r of rest)
    console.log(
      `  ${r.name}: ${r.ms.toFixed(3)} ms (${(r.ms / baseline!.ms).toFixed(0)} x ${baseline!.name.replace('baseline: ', '')})`,
    )
}

async function newDrive(page: Page, address: string, tag: string): Promise<string> {
  return (await (await page.request.post(`${address}/api/drives`, { data: { tag, mechanism: '5.25in-48' } })).json()).id
}

/** A 12-megapixel photo, from choosing it to seeing it on the drive's page. */
export async function photographing(browser: Browser, address: string): Promise<void> {
  const page = await (await browser.newContext()).newPage()
  const id = await newDrive(page, address, 'BENCH-P')
  await page.goto(`${address}/drives/${id}?station=open`)
  await page.getByRole('navigation', { name: 'Stations' }).waitFor()
  const [shown, plain]: number[][] = [[], []]
  let megabytes = 0
  for (let i = 0; i < 5; i++) {
    const buffer = await sharp({
      create: {
        width: 4000,
        height: 3000,
        channels: 3,
        background: '#789',
        noise: { type: 'gaussian', mean: 128, sigma: 14 + i },
      },
    })
      .jpeg({ quality: 88 })
      .toBuffer()
    megabytes = buffer.length / 1e6
    let begun = performance.now()
    await sharp(buffer).resize({ width: 2048 }).jpeg().toBuffer()
    plain!.push(performance.now() - begun)
    begun = performance.now()
    await page.getByTestId('photo').setInputFiles({ name: `p${i}.jpg`, mimeType: 'image/jpeg', buffer })
    await page.waitForFunction(n => {
      const img = document.querySelector<HTMLImageElement>('[data-testid=photo-marks] img')
      return (
        document.querySelectorAll('[data-testid=photo-marks] ~ * , button img').length >= n &&
        img?.complete &&
        img.naturalWidth > 0
      )
    }, i + 1)
    shown!.push(performance.now() - begun)
  }
  console.log(
    `Photo of 12 megapixels (${megabytes.toFixed(1)} MB) kept and on the screen: ${median(shown!).toFixed(0)} ms, median of 5 (baseline, only making its smaller copy: ${median(plain!).toFixed(0)} ms)`,
  )
  await page.context().close()
}

/** Two thousand entries: the longest frame while the log is scrolled through, and a letter typed into a note. */
export async function longLog(browser: Browser, address: string): Promise<void> {
  const page = await (await browser.newContext()).newPage()
  const id = await newDrive(page, address, 'BENCH-L')
  for (let i = 0; i < 2000; i += 50) {
    await Promise.all(
      Array.from({ length: 50 }, (_, k) =>
        page.request.post(`${address}/api/drives/${id}/log`, {
          data: {
            id: randomUUID(),
            at: new Date().toISOString(),
            kind: 'note',
            station: 'look',
            title: `Note ${i + k}`,
            detail: 'A sentence or two of the usual length, as they are written at the bench.',
          },
        }),
      ),
    )
  }
  const frames = (selector: string | null) =>
    page.evaluate(async where => {
      const box = where ? document.querySelector(where)! : null
      const gaps: number[] = []
      let last = await new Promise<number>(requestAnimationFrame)
      for (let i = 0; i < 120; i++) {
        if (box) box.scrollTop += 900
        const now = await new Promise<number>(requestAnimationFrame)
        gaps.push(now - last)
        last = now
      }
      return gaps.sort((a, b) => a - b)
    }, selector)
  await page.goto(`${address}/icon.svg`)
  const bare = await frames(null)
  await page.goto(`${address}/drives/${id}?station=look`)
  await page.getByTestId('entry').first().waitFor()
  const scrolled = await frames('[aria-label="Entries, newest first"]')
  await page.keyboard.press('n')
  const field = page.getByLabel('Note', { exact: true })
  await field.waitFor()
  const typed = await field.evaluate(async el => {
    const gaps: number[] = []
    const box = el as HTMLTextAreaElement
    for (let i = 0; i < 60; i++) {
      const begun = performance.now()
      box.value += 'a'
      box.dispatchEvent(new Event('input', { bubbles: true }))
      await new Promise<number>(requestAnimationFrame)
      gaps.push(performance.now() - begun)
    }
    return gaps.sort((a, b) => a - b)
  })
  const p95 = (xs: number[]) => xs[Math.floor(xs.length * 0.95)]!
  console.log(
    `Drive page with 2000 entries: frame while scrolling ${median(scrolled).toFixed(1)} ms, 95 % within ${p95(scrolled).toFixed(1)} ms; a letter to its frame ${median(typed).toFixed(1)} ms, 95 % within ${p95(typed).toFixed(1)} ms (baseline, frames of an empty page: ${median(bare).toFixed(1)} and ${p95(bare).toFixed(1)} ms)`,
  )
  await page.context().close()
}
