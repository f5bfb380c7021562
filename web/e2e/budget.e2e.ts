import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Page } from '@playwright/test'
import { expect, test } from './support'

/** What the application may weigh and take: see the file, which is changed only with a reason. */
const BUDGET = JSON.parse(readFileSync(join(import.meta.dirname, 'budget.json'), 'utf8')) as {
  readonly entryScriptGzipKb: number
  readonly layoutShift: number
  /** The longest task of a page, in pieces of work that the same browser does beside it. */
  readonly longestTaskInPieces: number
  /** Parts of the names of files that no page loads before they are needed. */
  readonly notBeforeUse: readonly string[]
}

/** Watches for long tasks and for things that move. As text: it runs in the page. */
const WATCH = `
  window.seen = { longest: 0, shift: 0 }
  new PerformanceObserver(l => {
    for (const e of l.getEntries()) window.seen.longest = Math.max(window.seen.longest, e.duration)
  }).observe({ type: 'longtask', buffered: true })
  new PerformanceObserver(l => {
    for (const e of l.getEntries()) if (!e.hadRecentInput) window.seen.shift += e.value
  }).observe({ type: 'layout-shift', buffered: true })
`
/** A fixed piece of work, ms: the shortest of some, as whatever else runs makes it longer. */
const PIECE = `(() => {
  let least = Infinity
  for (let k = 0; k < 3; k++) {
    const begun = performance.now()
    const a = Float64Array.from({ length: 1e6 }, (_, i) => Math.sin(i)).sort()
    if (a[0] <= 1) least = Math.min(least, performance.now() - begun)
  }
  return least
})()`

/** @param tag of a drive, with what is asked of its page */
async function drivePath(page: Page, tag: string): Promise<string> {
  const { lines } = (await (await page.request.get('/api/bench')).json()) as {
    lines: { drive: { id: string; tag: string } }[]
  }
  const [name, query] = tag.split('?')
  return `/drives/${lines.find(l => l.drive.tag === name)!.drive.id}${query ? `?${query}` : ''}`
}
const settle = (page: Page) => page.waitForTimeout(2000)

test('the entry script is small, and nothing that is not needed yet is loaded', async ({ page, request }) => {
  const html = await (await request.get('/')).text()
  const entry = /<script type="module" src="([^"]+)"/.exec(html)?.[1]
  expect(entry, 'an entry script').toBeTruthy()
  const bytes = await (await request.get(entry!)).body()
  expect(gzipSync(bytes).length / 1000).toBeLessThan(BUDGET.entryScriptGzipKb)
  const loaded: string[] = []
  page.on('request', r => loaded.push(r.url()))
  await page.goto('/')
  await settle(page)
  for (const name of BUDGET.notBeforeUse)
    expect(
      loaded.filter(u => u.includes(name)),
      name,
    ).toEqual([])
})

const PAGES = [
  '/',
  'SK-20',
  'SK-20?view=model',
  'SK-20?station=look',
  'SK-20?station=align',
  '/instruments',
  '/instruments/speed',
  '/instruments/wire',
  '/instruments/blame',
  '/handbook',
  '/shelf',
  '/day',
]
for (const path of PAGES)
  test(`${path}: nothing keeps a key waiting, and nothing moves while it loads`, async ({ page }) => {
    await page.addInitScript(WATCH)
    const at = path.startsWith('/') ? path : await drivePath(page, path)
    // A machine that is busy just then may fail once: what is slow fails each time.
    await expect(async () => {
      await page.goto(at)
      await settle(page)
      const { longest, shift } = await page.evaluate<{ longest: number; shift: number }>('window.seen')
      const piece = await page.evaluate<number>(PIECE)
      expect(longest / piece, `${longest} ms, a piece of ${piece.toFixed(0)} ms`).toBeLessThan(
        BUDGET.longestTaskInPieces,
      )
      expect(shift).toBeLessThan(BUDGET.layoutShift)
    }).toPass({ timeout: 60_000 })
  })

test('the header is there before any script, where it stays', async ({ page, browser, baseURL }) => {
  const early = await (await browser.newContext({ javaScriptEnabled: false, viewport: page.viewportSize() })).newPage()
  await early.goto(`${baseURL}/handbook`)
  await page.goto('/handbook')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  const headerOf = (p: Page) => p.getByRole('navigation', { name: 'Pages' }).getByRole('link')
  expect(await headerOf(early).allTextContents()).toEqual(
    (await headerOf(page).allTextContents()).map(text => text.trim()),
  )
  for (const n of [0, 4])
    expect(await headerOf(early).nth(n).boundingBox()).toEqual(await headerOf(page).nth(n).boundingBox())
  await headerOf(early).nth(2).click()
  await expect(early).toHaveURL(/\/shelf$/)
  await early.context().close()
})

test('a log is fetched as a whole once, and then only what came since', async ({ page }) => {
  const asked: URL[] = []
  page.on('request', r => asked.push(new URL(r.url())))
  await page.goto(await drivePath(page, 'SK-20'))
  await settle(page)
  const logs = asked.filter(u => /^\/api\/drives\/[0-9a-f-]{36}(?:\/log)?$/.test(u.pathname))
  expect(logs.filter(u => !u.pathname.endsWith('/log'))).toHaveLength(1)
  for (const u of logs.filter(l => l.pathname.endsWith('/log')))
    expect(Number(u.searchParams.get('after'))).toBeGreaterThan(0)
})

test('what to do next is there before any script, where it stays', async ({ page, browser, baseURL }) => {
  const early = await (await browser.newContext({ javaScriptEnabled: false, viewport: page.viewportSize() })).newPage()
  const panel = (p: Page) => p.getByRole('region', { name: 'Do next' })
  // Another test may do the first thing between the two looks.
  await expect(async () => {
    await early.goto(`${baseURL}/`)
    await page.goto('/')
    await settle(page)
    const seen = [early, page].map(p => panel(p).getByRole('link', { name: /^Go to/ }))
    const [before, after] = await Promise.all(seen.map(link => link.getAttribute('href')))
    expect(before).toBe(after)
    for (const name of [/^Go to/, 'Receive a drive', 'Plan the day'])
      expect(await panel(early).getByRole('link', { name }).boundingBox()).toEqual(
        await panel(page).getByRole('link', { name }).boundingBox(),
      )
    const lines = (p: Page) => panel(p).getByRole('listitem').allTextContents()
    expect(await lines(early)).toEqual((await lines(page)).map(text => text.trim()))
  }).toPass({ timeout: 60_000 })
  await panel(early)
    .getByRole('link', { name: /^Go to/ })
    .click()
  await expect(early).toHaveURL(/\/drives\/[0-9a-f-]{36}\?/)
  await early.context().close()
})
