import { expect, receive, test } from './support'

test('a speed by the host’s own program takes two fields and Enter, and is carried with its source', async ({
  page,
}) => {
  await receive(page, '5.25in-48')
  const drive = page.url().match(/drives\/([0-9a-f-]{36})/)![1]!
  await page.keyboard.press('8')
  const form = page.getByRole('region', { name: 'Type a reading' })
  await form.getByLabel('Reading, r/min').fill('301')
  await expect(form.getByTestId('reading-call')).toContainText('301 ± 1 r/min is inside 295.5 to 304.5 r/min.')
  await form.getByLabel('Reading, r/min').press('Enter')
  const entry = page.getByTestId('entry').first()
  await expect(entry).toContainText('Spindle speed: 301 r/min')
  await expect(entry.getByTestId('source')).toHaveText('host')

  // The person knows better than what is usual; a word too many is said, and nothing is lost.
  await form.getByLabel('Reading, r/min').fill('fast')
  await form.getByRole('button', { name: 'Save reading' }).click()
  await expect(form.getByRole('alert')).toContainText('“fast” cannot be')
  await form.getByLabel('Reading, r/min').fill('304')
  await form.getByLabel('Uncertainty, ± r/min').fill('2')
  await expect(form.getByTestId('reading-call')).toContainText('Not known yet')

  await page.goto(`/drives/${drive}/certificate`)
  await expect(page.getByText('(by the host’s own program)')).toBeVisible()
  await expect(page.getByRole('row', { name: /301 ± 1 r\/min/ }).getByTestId('source')).toHaveText(
    'by the host’s own program',
  )
  const json = await (await page.request.get(`/api/drives/${drive}/certificate`)).json()
  expect(json.measurements).toMatchObject([{ source: 'host', uncertainty: 1, evidence: null, simulated: false }])
})

test('a strobe files its result; a double tap is one entry', async ({ page }) => {
  await receive(page, '5.25in-48')
  const drive = page.url().match(/drives\/([0-9a-f-]{36})/)![1]!
  const tag = (await page.getByRole('heading', { level: 1 }).textContent()) && page.url()
  expect(tag).toContain(drive)
  await page.goto('/instruments/strobe')
  await page.getByRole('button', { name: /stands still/ }).click()
  await page.getByRole('dialog').getByLabel('Drive').selectOption(drive)
  await page.getByRole('dialog').getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Spindle speed: 300 r/min')
  await expect(page.getByTestId('entry').first().getByTestId('source')).toHaveText('by hand')

  const before = await (await page.request.get(`/api/drives/${drive}/log`)).json()
  await page.keyboard.press('2')
  await page.keyboard.press('f')
  await page.getByRole('dialog').locator('[data-finding]').first().dblclick()
  await page.keyboard.press('Escape')
  await expect
    .poll(async () => (await (await page.request.get(`/api/drives/${drive}/log`)).json()).length)
    .toBe(before.length + 1)
})

test('the workshop’s own name is asked for where it is first needed', async ({ page }) => {
  await receive(page, '3in')
  const settings = await (await page.request.get('/api/workshop')).json()
  await page.request.put('/api/workshop', { data: { ...settings, name: '' } })
  await page.goto(`${page.url().replace(/\?.*/, '')}/certificate`)
  await page.getByLabel('Name of your workshop').fill('Lighthouse bench')
  await page.getByRole('button', { name: 'Save name' }).click()
  await expect(page.getByRole('article')).toContainText('Lighthouse bench')
  await page.request.put('/api/workshop', { data: settings })
})
