import type { Browser } from '@playwright/test'
import { median } from '@wobrin/core/base/numbers'

const LOADS = 12
/** The first ones find the browser's cache empty. */
const WARMING = 2
const BETWEEN_MS = 250
const SETTLED_MS = 1200
const EMPTY = '/nothing-here'

declare global {
  interface Window {
    largest?: number
  }
}

/**
 * When a page's largest text is painted, by turns in one window, beside an empty page of the same application: its
 * address is not known.
 */
export async function firstView(browser: Browser, address: string, paths: readonly string[]): Promise<void> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await page.addInitScript(() => {
    new PerformanceObserver(list => {
      for (const { startTime } of list.getEntries()) window.largest = startTime
    }).observe({ type: 'largest-contentful-paint', buffered: true })
  })
  const all = [EMPTY, ...paths]
  const seen = new Map(all.map(path => [path, [] as { first: number; largest: number }[]]))
  for (let load = 0; load < LOADS + WARMING; load++) {
    for (const path of all) {
      await page.goto('about:blank')
      await page.waitForTimeout(BETWEEN_MS)
      await page.goto(address + path, { waitUntil: 'commit' })
      await page.waitForTimeout(SETTLED_MS)
      const paint = await page.evaluate(() => ({
        first: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Number.NaN,
        largest: window.largest ?? Number.NaN,
      }))
      if (load >= WARMING) seen.get(path)!.push(paint)
    }
  }
  await page.context().close()
  const empty = median(seen.get(EMPTY)!.map(p => p.largest))
  console.log(
    `First view, ${LOADS} loads each by turns, middle ones; an empty page's text after ${empty.toFixed(0)} ms:`,
  )
  for (const path of paths) {
    const [first, largest] = (['first', 'largest'] as const).map(k => median(seen.get(path)!.map(p => p[k])))
    console.log(
      `  ${path}: first paint ${first!.toFixed(0)} ms, largest text ${largest!.toFixed(0)} ms: ` +
        `${(largest! / empty).toFixed(2)} x the empty page`,
    )
  }
}
