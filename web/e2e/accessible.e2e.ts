import { AxeBuilder } from '@axe-core/playwright'
import type { Page } from '@playwright/test'

import { expect, openDrive, test } from './support'

const pages = [
  '/',
  '/day',
  '/drives/new',
  '/instruments',
  '/instruments/speed',
  '/instruments/strobe',
  '/instruments/belt',
  '/instruments/board',
  '/instruments/host-fit',
  '/instruments/read-test',
  '/instruments/rescue',
  '/instruments/wire',
  '/instruments/sweep',
  '/instruments/scope',
  '/instruments/flag',
  '/instruments/blame',
  '/instruments/write-test',
  '/instruments/soak',
  '/shelf',
  '/shelf?view=wanted',
  '/shelf?view=pool',
  '/shelf?view=donors',
  '/shelf?view=disks',
  '/shelf?view=belts',
  '/instruments/camera',
  '/instruments/listen',
  '/instruments/bench-link',
  '/handbook',
  '/workshop',
]

/** Lights on or off. */
const setTheme = (page: Page, theme: string) =>
  page.evaluate(t => {
    document.documentElement.dataset.theme = t
  }, theme)

/** What axe finds in the page as it stands, a line a rule, each with what was open. */
async function faultsOf(page: Page, what: string): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze()
  return violations.map(v => `${what}, ${v.id}: ${v.nodes.map(n => n.target.join(' ')).join(', ')}`)
}

for (const path of pages) {
  test(`${path} passes axe (WCAG 2.2 AA), by day and dim`, async ({ page }) => {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeAttached()
    for (const theme of ['day', 'dim']) {
      await setTheme(page, theme)
      expect(await faultsOf(page, theme)).toEqual([])
    }
  })
}

test('a drive at Speed, its release and its certificate pass axe', async ({ page }) => {
  await openDrive(page, 'SK-05')
  await expect(page.getByTestId('call')).toBeVisible()
  for (const go of ['', '?station=release', '/certificate']) {
    if (go)
      await page.goto(
        page
          .url()
          .replace(/\?.*$/, '')
          .replace(/\/certificate$/, '') + go,
      )
    await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible()
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(
      violations
        .filter(v => v.impact !== 'minor')
        .map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join(', ')}`),
    ).toEqual([])
  }
})

// A test for each drive: axe is slow, and a machine that is four times slower has to get through as well.
for (const [tag, keys] of [
  ['SK-18', '1'],
  ['SK-17', '27'],
  ['SK-19', '3'],
  ['SK-02', '4'],
  ['SK-15', '-0'],
] as const) {
  test(`the stations of ${tag} pass axe`, async ({ page }) => {
    await openDrive(page, tag)
    // The dim colours are the same everywhere: one drive with many marks is enough.
    for (const theme of tag === 'SK-17' ? ['day', 'dim'] : ['day']) {
      await setTheme(page, theme)
      for (const key of keys) {
        await page.keyboard.press(key)
        await page.waitForTimeout(150)
        expect(await faultsOf(page, `${key} ${theme}`)).toEqual([])
      }
    }
  })
}

test('the instruments of Prove and the sheet of Release pass axe', async ({ page }) => {
  await openDrive(page, 'SK-15')
  await page.keyboard.press('0')
  for (const name of ['Write test', 'Read tests', 'Counts and loads', 'Covers on']) {
    await page.getByRole('tab', { name }).click()
    expect(await faultsOf(page, name)).toEqual([])
  }
  await page.keyboard.press('-')
  await page.getByLabel('Strip for parts').check()
  expect(await faultsOf(page, 'parts')).toEqual([])
})

test('the dialogs of a drive and the tabs of its log pass axe', async ({ page }) => {
  await openDrive(page, 'SK-19')
  for (const key of ['f', 'w', 'n']) {
    await page.keyboard.press(key)
    await expect(page.getByRole('dialog').getByRole('heading')).toBeVisible()
    expect(await faultsOf(page, key)).toEqual([])
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toBeHidden()
  }
  for (const name of [/^Written down/, /^Put back/]) {
    await page.getByRole('tab', { name }).click()
    expect(await faultsOf(page, String(name))).toEqual([])
  }
})

for (const [width, height] of [
  [820, 1180],
  [390, 844],
] as const) {
  test(`nothing is cut off at ${width} × ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    for (const path of pages) {
      await page.goto(path)
      await expect(page.getByRole('heading', { level: 1 })).toBeAttached()
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
        path,
      ).toBeLessThanOrEqual(0)
    }
    await openDrive(page, 'SK-19')
    for (const key of ['1', '2', '3', '4', '7', '0']) {
      await page.keyboard.press(key)
      await page.waitForTimeout(150)
      expect(
        await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
        `station ${key}`,
      ).toBeLessThanOrEqual(0)
    }
    await openDrive(page, 'SK-05')
    await expect(page.getByTestId('call')).toBeVisible()
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
    ).toBeLessThanOrEqual(0)
  })
}
