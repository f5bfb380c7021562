import { expect, PIXEL, receive, test } from './support'

test('from complaint to cause: choose the complaint, see what it may be, answer, and it moves', async ({ page }) => {
  await receive(page, '3.5in-eject', 'Whirrs, but the disk stays in.')
  const drive = page.url().match(/drives\/([0-9a-f-]{36})/)![1]!
  await page.getByRole('button', { name: /From complaint to cause/ }).click()
  const panel = page.getByRole('region', { name: 'From complaint to cause' })
  await expect(panel).toContainText('Choose what the drive does wrong')
  await panel.getByRole('combobox').fill('come out')
  await panel.getByRole('option', { name: 'A disk does not come out' }).click()

  const suspects = panel.getByTestId('suspects')
  await expect(suspects).toContainText('Teeth of an eject gear are stripped')
  await expect(suspects.getByRole('listitem').first()).toContainText('For: A disk does not come out')
  // No safety look was made yet: nothing that needs power is proposed, and the reason stands there.
  await expect(panel).toContainText('safety gate “first power” is closed')
  const next = panel.getByTestId('next-check')
  await expect(next).toContainText('What is the eject gearbox like?')
  await next.getByRole('button', { name: 'Teeth missing' }).click()
  await expect(panel.getByTestId('call')).toContainText('Mend it')
  await expect(suspects.getByRole('listitem').first()).toContainText('Teeth of an eject gear are stripped')
  await expect(page.getByTestId('entry').first()).toContainText('teeth missing')

  const answer = await (await page.request.get(`/api/drives/${drive}/diagnosis`)).json()
  expect(answer).toMatchObject({ complaints: ['no-eject'], mendNow: 'eject-gear.stripped', held: 'first-power' })
  // The bench asks for the cure, and for nothing that only writes down.
  const { next: first } = await (await page.request.get('/api/bench')).json()
  expect(first.find((n: { driveId: string }) => n.driveId === drive).title).toMatch(
    /^Find and count every broken tooth/,
  )

  // The map of what works says the same by outline, mark and word; a box opens its suspects and its checks.
  const map = panel.getByRole('region', { name: 'What works' })
  await expect(map.getByRole('button', { name: 'Eject: fails, no' })).toBeVisible()
  await expect(map.getByRole('button', { name: 'Spin: not tried' })).toBeVisible()
  await map.getByRole('button', { name: 'Eject: fails, no' }).press('Enter')
  await expect(map.getByTestId('function')).toContainText('Teeth of an eject gear are stripped')
  await expect(map.getByTestId('function')).toContainText('Take the disk out the usual way')

  await panel.getByRole('button', { name: 'Log: cured' }).click()
  await expect(panel.getByRole('button', { name: 'Log: cured' })).toHaveCount(0)
  expect((await (await page.request.get(`/api/drives/${drive}/diagnosis`)).json()).complaints).toEqual([])
})

test('everything that can be said of a drive is found by the words that people use', async ({ page }) => {
  await receive(page, '5.25in-48', 'Something squeaks.')
  await page.keyboard.press('f')
  const sheet = page.getByRole('dialog', { name: 'What did you find?' })
  const search = sheet.getByLabel('Search all that can be found')
  // A check: its answers are asked for.
  await search.fill('jumper')
  await sheet.getByRole('button', { name: /Compare straps and terminator/ }).click()
  await sheet.getByRole('button', { name: 'Right', exact: true }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Compare straps and terminator')
  // A complaint.
  await page.keyboard.press('f')
  await search.fill('retries')
  await page.keyboard.press('Enter')
  await expect(sheet).toBeHidden()
  await expect(page.getByTestId('entry').first()).toContainText('It reads, but slowly, with retries')
  // A finding with its place, and a photo of it.
  await page.keyboard.press('f')
  await search.fill('burn mark')
  await page.keyboard.press('Enter')
  await sheet.getByRole('button', { name: 'board' }).click()
  await page.getByTestId('consequence').getByRole('button', { name: 'Add photo of it…' }).click()
  await page.getByTestId('photo').setInputFiles({ name: 'burn.png', mimeType: 'image/png', buffer: PIXEL })
  await expect(page.getByTestId('entry').first()).toContainText('Photo: damage: burn mark, board')
})

test('what is known of faults goes out as a file, and a mistake edited into it is refused by line', async ({
  page,
}) => {
  await page.goto('/workshop')
  const known = page.getByRole('region', { name: 'What is known of faults' })
  const file = await (await page.request.get('/api/knowledge/knowledge')).text()
  const put = (text: string) =>
    known
      .getByLabel('Import Functions, parts and faults')
      .setInputFiles({ name: 'mine.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await put(file.replace('"chance": 0.98', '"chance": 1.2'))
  await expect(known.getByRole('alert')).toContainText(/mine\.json, line \d/)
  await expect(known.getByRole('alert')).toContainText('the chance of a way is 1.2; expected a number from 0 to 1')
  await expect(known.getByRole('alert')).toContainText('What was in force stays in force.')
  await expect(known).not.toContainText('A file of this workshop is in force.')
  await put(file.replace('"odds": 14', '"odds": 15'))
  await expect(known).toContainText('A file of this workshop is in force.')
  await known.getByRole('button', { name: 'Use the program’s' }).click()
  await expect(known).not.toContainText('A file of this workshop is in force.')
})
