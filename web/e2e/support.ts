import { test as base, expect, type Page } from '@playwright/test'
import { portOf } from './ports'
import { SimulatedPickup, type PickupOptions } from '../../core/src/simulator'

/** A recording as a file to open in the page. */
export function recording(name: string, options: Partial<PickupOptions> & { rpm: number }, seconds = 30) {
  const pickup = new SimulatedPickup({ seed: 21, ...options })
  pickup.advanceTo(seconds)
  return { name, mimeType: 'text/plain', buffer: Buffer.from(pickup.toVcd()) }
}

/** Every page is watched: no request may leave the machine, and nothing may go wrong unseen. */
export const test = base.extend<{ watched: undefined }>({
  // A server of its own: what another worker's tests enter is never seen.
  // eslint-disable-next-line no-empty-pattern -- the fixture needs nothing but its place
  baseURL: async ({}, use, { parallelIndex }) => use(`http://127.0.0.1:${portOf(parallelIndex)}`),
  watched: [
    async ({ page, baseURL }, use) => {
      const strangers: string[] = []
      const faults: string[] = []
      page.on('request', r => {
        if (!r.url().startsWith(baseURL!) && !/^(?:data|blob):/.test(r.url())) strangers.push(r.url())
      })
      page.on('pageerror', e => faults.push(e.message))
      page.on('console', m => {
        // The browser itself reports refused requests, which some tests provoke.
        if (m.type() === 'error' && !m.text().startsWith('Failed to load resource')) faults.push(m.text())
      })
      await use(undefined)
      expect(strangers).toEqual([])
      expect(faults).toEqual([])
    },
    { auto: true },
  ],
})

export { expect }

/** A photo of one grey dot. */
export const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M/wHwAEBgIApD5fRAAAAABJRU5ErkJggg==',
  'base64',
)

/** Opens a drive by its tag from the bench. */
export async function openDrive(page: Page, tag: string): Promise<void> {
  await page.goto('/')
  await page
    .getByRole('link', { name: tag })
    .filter({ has: page.locator('svg') })
    .first()
    .click()
  await expect(page).toHaveURL(/\/drives\//)
  await toStations(page)
}

export async function openRecording(
  page: Page,
  file: { name: string; mimeType: string; buffer: Buffer },
): Promise<void> {
  await page.getByTestId('recording').setInputFiles(file)
}

/** Receives a drive of its own for a test and stays on its page: at its stations, or at its case. */
export async function receive(
  page: Page,
  mechanism: string,
  words = 'Does not read.',
  view: 'case' | 'stations' = 'stations',
): Promise<string> {
  const tag = `T-${Date.now() % 10_000_000}`
  await page.goto('/drives/new')
  await page.locator(`[data-kind="${mechanism}"]`).click()
  await page.getByLabel('What does it do wrong?').fill(words)
  await page.getByLabel('Tag', { exact: true }).fill(tag)
  await page.getByRole('button', { name: 'Receive it' }).click()
  await expect(page.getByRole('region', { name: 'What works' })).toBeVisible()
  await expect(page).toHaveURL(/\/drives\/[0-9a-f-]{36}/)
  if (view === 'stations') await toStations(page)
  return tag
}

/** Goes from a drive's case to its stations. */
export async function toStations(page: Page): Promise<void> {
  await page.getByRole('navigation', { name: 'Views of the drive' }).getByRole('link', { name: 'Stations' }).click()
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible()
}
