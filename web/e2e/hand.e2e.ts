import type { Browser, Page } from '@playwright/test'
import sharp from 'sharp'
import { expect, openDrive, receive, test } from './support'

/** A phone, on a page that came over a network unprotected: without what browsers keep for protected ones. */
async function phone(browser: Browser, address: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 780 }, hasTouch: true, isMobile: true })
  const page = await context.newPage()
  await page.addInitScript(() => {
    Object.defineProperty(navigator, 'mediaDevices', { value: undefined })
    Object.defineProperty(crypto, 'randomUUID', { value: undefined })
  })
  await page.goto(address)
  return page
}
const entries = (page: Page) => page.getByRole('region', { name: 'Log' }).getByRole('listitem')

test('on the phone: answers, steps, a wait and a photo with its number show on the other screen', async ({
  page,
  browser,
}) => {
  await receive(page, '3in', 'It does not turn.')
  const address = page.url().split('?')[0]!
  const hand = await phone(browser, `${address}/hand`)
  await hand.getByRole('button', { name: 'Wait' }).click()
  await hand.getByRole('list', { name: 'Start a wait' }).getByRole('button').first().click()
  const begun = Date.now()
  await expect(page.getByRole('list', { name: 'Waiting' })).toBeVisible()
  // The other screen looks by itself every twenty seconds only.
  expect(Date.now() - begun).toBeLessThan(10_000)

  await hand.getByRole('navigation', { name: 'In the hand' }).getByRole('button', { name: 'Photo' }).click()
  const board = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#446' } })
    .jpeg()
    .toBuffer()
  await hand.getByTestId('hand-photo').setInputFiles({ name: 'board.jpg', mimeType: 'image/jpeg', buffer: board })
  const photo = hand.getByTestId('photo-marks')
  await expect(photo).toBeVisible()
  await photo.tap({ position: { x: 60, y: 60 } })
  await hand.getByRole('dialog').getByLabel('Which one').fill('motor plug')
  await hand.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click()
  await expect(photo.getByText('1', { exact: true })).toBeVisible()
  await expect(entries(page).filter({ hasText: 'motor plug' }).first()).toBeVisible()
})

test('what is said without a connection waits on the phone, outlives it, and goes in order, nothing twice', async ({
  page,
  browser,
}) => {
  await receive(page, '5.25in-48', 'Reads nothing.')
  const address = page.url().split('?')[0]!
  const hand = await phone(browser, `${address}/hand`)
  const step = hand.getByRole('region', { name: 'Next step' })
  await expect(step.getByRole('heading')).toBeVisible()
  const titles: string[] = []
  await hand.context().setOffline(true)
  for (let i = 0; i < 3; i++) {
    titles.push((await step.getByRole('heading').textContent())!)
    await step.getByRole('button', { name: 'Step done' }).click()
    await expect(step.getByRole('heading')).not.toHaveText(titles[i]!)
  }
  await hand.getByRole('button', { name: 'Note' }).click()
  await hand.getByLabel('Note').fill('Said without a connection.')
  await hand.getByRole('button', { name: 'Save to log' }).click()
  await expect(hand.getByTestId('outbox')).toContainText('4 entries on this device')
  await expect(entries(page).filter({ hasText: 'Said without a connection.' })).toHaveCount(0)

  // The phone's page is closed meanwhile, and opened again.
  const context = hand.context()
  await hand.close()
  await context.setOffline(false)
  const again = await context.newPage()
  await again.goto(`${address}/hand`)
  await expect(again.getByTestId('outbox')).not.toContainText('on this device')
  await expect(entries(page).filter({ hasText: 'Said without a connection.' })).toHaveCount(1)
  const said = await entries(page).allTextContents()
  const place = (text: string) => said.findIndex(s => s.includes(text))
  // The newest stands first: the note, then the steps backwards.
  expect([place('Said without'), ...titles.toReversed().map(place)]).toEqual(
    [place('Said without'), ...titles.toReversed().map(place)].toSorted((a, b) => a - b),
  )
  for (const title of titles) expect(said.filter(s => s.includes(title))).toHaveLength(1)
})

test('two at one drive see each other’s answers at once', async ({ page, browser }) => {
  await openDrive(page, 'SK-05')
  const address = page.url().split('?')[0]!
  await page.goto(`${address}?view=case`)
  const hand = await phone(browser, `${address}/hand`)
  await expect(hand.getByTestId('hand-speed')).toContainText('r/min')
  const next = hand.getByRole('region', { name: 'Next check' })
  await expect(next).toBeVisible()
  const before = await next.getByRole('heading').textContent()
  await expect(page.getByTestId('next-check').getByRole('heading')).toContainText(before!)
  await next.getByRole('button', { name: /^All \d+ read$/ }).click()
  await expect(page.getByTestId('next-check').getByRole('heading')).not.toContainText(before!)
})
