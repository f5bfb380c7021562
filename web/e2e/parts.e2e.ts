import { expect, openDrive, PIXEL, receive, test } from './support'

const idIn = (url: string) => url.match(/drives\/([0-9a-f-]{36})/)![1]!

test('a part is put on the shelf, serves a drive that wants it, and is gone from the shelf then', async ({ page }) => {
  const tag = await receive(page, '3.5in')
  const id = idIn(page.url())
  const name = `Bag ${Date.now() % 100_000}`
  const found = { finding: 'switch.broken', place: 'density' }
  const sent = await page.request.post(`/api/drives/${id}/log`, {
    data: { id: crypto.randomUUID(), at: new Date().toISOString(), kind: 'finding', station: 'look', finding: found },
  })
  expect(sent.ok()).toBe(true)
  await page.goto('/shelf')
  await page.getByRole('button', { name: 'Add a part' }).click()
  const form = page.getByRole('dialog')
  await form.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(form.getByRole('alert')).toContainText('Choose what it is')
  await form.getByLabel('What it is', { exact: true }).selectOption('Density switch')
  await form.getByLabel('Name', { exact: true }).fill(name)
  await form.getByLabel('Drawer, box or bag').fill('drawer 9')
  await form.getByLabel('Height at which it acts, mm').fill('six')
  await form.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(form.getByRole('alert')).toContainText('“six” cannot be')
  await form.getByLabel('Height at which it acts, mm').fill('6,5')
  await form.getByLabel('Add a photo…').setInputFiles({ name: 'switch.png', mimeType: 'image/png', buffer: PIXEL })
  await expect(form.getByRole('img', { name: 'Photo of the part' })).toBeVisible()
  await form.getByRole('button', { name: 'Put on the shelf' }).click()
  await page.getByLabel('Part, model, tag or drawer').fill(name)
  const row = page.getByTestId('shelf-parts').getByRole('row').filter({ hasText: name })
  await expect(row).toContainText('drawer 9')
  await expect(row).toContainText(tag)
  await expect(row.locator('img')).toBeVisible()
  await page.getByText('Find one by its measures').click()
  await page.getByLabel('Part that it is to replace').selectOption('Density switch')
  await page.getByLabel('Height at which it acts, mm').fill('6.6')
  await expect(row).toContainText('Compare first')
  await page.getByLabel('Height at which it acts, mm').fill('19')
  await expect(page.getByText('No part at hand has these measures.')).toBeVisible()
  await page.goto(`/drives/${id}?view=parts`)
  const wanted = page.getByRole('article', { name: `${tag}: Density switch` })
  await expect(wanted).toContainText('drawer 9')
  await wanted.getByText(/^How it is changed/).click()
  await expect(wanted).toContainText('Find every contact of the old one')
  await wanted.getByRole('button', { name: /^Use part: Density switch/ }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('Compare first')
  await expect(dialog).toContainText('Try a disk of each density.')
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(wanted).toHaveCount(0)
  await expect(page.locator('[data-part="density-switch"]')).toContainText(`“${name}” fitted`)
  await page.goto(`/shelf?q=${encodeURIComponent(name)}`)
  await expect(page.getByText('No part at hand is found by these words.')).toBeVisible()
})

test('a drive lends a part, is owed it, and gets it back', async ({ page }) => {
  const lender = await receive(page, '3.5in')
  const lenderId = idIn(page.url())
  const borrower = await receive(page, '3.5in')
  const borrowerId = idIn(page.url())
  await page.goto(`/drives/${lenderId}?view=parts`)
  await page.getByRole('button', { name: /^Show all/ }).click()
  const arm = page.locator('[data-part="arm"]')
  await arm.getByRole('button', { name: 'Record…' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Good').check()
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(arm).toHaveAttribute('data-condition', 'good')
  await arm.getByRole('button', { name: 'Record…' }).click()
  await dialog.getByRole('button', { name: 'Lend to another drive…' }).click()
  await expect(dialog).toContainText(`${lender} is not stripped for parts`)
  await dialog.getByLabel('Goes into').selectOption({ label: borrower })
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(arm).toContainText(`It is in ${borrower}.`)
  await page.goto('/shelf?view=wanted')
  const debt = page.getByRole('region', { name: 'Lent' }).getByRole('listitem').filter({ hasText: lender })
  await expect(debt).toContainText(`Shutter arm of ${lender} is in ${borrower}`)
  await debt.getByRole('button', { name: 'It is back' }).click()
  await expect(debt).toHaveCount(0)
  await page.goto(`/drives/${borrowerId}?view=parts`)
  await expect(page.getByRole('article', { name: `${borrower}: Shutter arm` })).toContainText(`went back to ${lender}`)
  await openDrive(page, lender)
  await expect(page.getByTestId('entry').first()).toContainText(`Shutter arm back from ${borrower}`)
})

test('changing a part: a glue is chosen, its wait is started, and power is held until it is over', async ({ page }) => {
  await receive(page, '3.5in')
  const id = idIn(page.url())
  for (const finding of ['flag.snapped', 'heads.torn']) {
    const sent = await page.request.post(`/api/drives/${id}/log`, {
      data: {
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
        kind: 'finding',
        station: 'look',
        finding: { finding },
      },
    })
    expect(sent.ok(), await sent.text()).toBe(true)
  }
  await page.goto(`/drives/${id}?view=parts`)
  const wanted = page.getByRole('article').filter({ hasText: 'Glue what was glued' })
  await wanted.getByText(/^How it is changed/).click()
  // Instant glue fogs an optical window: it is not offered beside one.
  await expect(wanted.getByLabel('Glue')).not.toContainText('Instant')
  await wanted.getByLabel('Glue').selectOption('quick-epoxy')
  await wanted.getByRole('button', { name: 'Start wait' }).click()
  await expect(wanted).toContainText('This wait is running')
  await expect(page.getByRole('list', { name: 'Waiting' })).toContainText('Glue cures')
  const { log } = (await (await page.request.get(`/api/drives/${id}`)).json()) as { log: { data: unknown }[] }
  expect(log.at(-1)!.data).toMatchObject({ type: 'wait', minutes: 480, rests: ['power', 'carriage'] })
})

test('how parts are changed is exported, edited and taken in; a mistake is refused by line', async ({ page }) => {
  const file = await (await page.request.get('/api/knowledge/procedures')).text()
  const put = (body: string) =>
    page.request.put('/api/knowledge/procedures?name=own.json', {
      data: body,
      headers: { 'content-type': 'text/plain' },
    })
  const bad = await put(file.replace('"change-heads"', '"change-pad"'))
  expect(bad.ok()).toBe(false)
  expect(await bad.text()).toMatch(/own\.json, line \d.*stands there twice/)
  expect((await put(file.replace('Mark where the old assembly stands', 'Scratch two marks'))).ok()).toBe(true)
  const { own } = (await (await page.request.get('/api/procedures')).json()) as { own: unknown }
  expect(JSON.stringify(own)).toContain('Scratch two marks')
  await page.goto('/workshop')
  await page.getByRole('button', { name: 'Use the program’s' }).click()
  await expect(page.getByText('A file of this workshop is in force.')).toHaveCount(0)
})
