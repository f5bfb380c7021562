import { readFileSync } from 'node:fs'
import { expect, openDrive, receive, test } from './support'

test('a write test is typed, judged as one types, and climbs the ladder; with its covers on all is to be shown again', async ({
  page,
}) => {
  await receive(page, '3in')
  await page.keyboard.press('0')
  await page.getByRole('tab', { name: 'Write test' }).click()
  const form = page.getByRole('region', { name: 'Write test' })
  await form.getByRole('button', { name: 'Save to log' }).click()
  await expect(form.getByRole('alert')).toContainText('nothing was tried')
  await form.getByLabel('Protected disk unchanged').selectOption({ label: 'yes' })
  await form.getByLabel('Open disk written').selectOption({ label: 'yes' })
  await form.getByLabel('Homes after the format').selectOption({ label: 'yes' })
  await form.getByLabel('Format took, s').fill('3')
  await form.getByLabel('Format, verified, lower head: failed').fill('900')
  await form.getByRole('button', { name: 'Save to log' }).click()
  await expect(form.getByRole('alert')).toContainText('900 of 360 sectors cannot have failed')
  await form.getByLabel('Format, verified, lower head: failed').fill('0')
  await expect(form.getByTestId('call')).toContainText('no disk turns that fast')
  await form.getByLabel('Format took, s').fill('25')
  for (const row of ['First cylinder', 'Last cylinder', 'Pattern', 'Other pattern over it'])
    await form.getByLabel(`${row}, lower head: failed`).fill('0')
  await expect(form.getByTestId('call')).toContainText('All 9 checks passed.')
  await form.getByRole('button', { name: 'Save to log' }).click()
  await expect(form.getByLabel('Pattern, lower head: failed')).toHaveValue('')
  await page.getByRole('tab', { name: 'Claims' }).click()
  const ladder = page.getByRole('region', { name: 'What may be claimed' })
  await expect(ladder).toContainText('All 360 sectors came back: fewer than 1 in 120 fail (95 % sure).')
  await page.getByRole('tab', { name: 'Covers on' }).click()
  await expect(page.getByRole('region', { name: 'After the covers go on' }).getByTestId('call')).toContainText(
    'Its covers are not on yet',
  )
  await page.getByRole('tab', { name: 'Counts and loads' }).click()
  await page.getByLabel('Sectors read').fill('1000')
  await page.getByLabel('Of these, failed').fill('0')
  await page.getByLabel('To be claimed: fewer than 1 in').fill('1000')
  await expect(page.getByTestId('call')).toContainText('Read 1 995 sectors more without an error')
})

test('a proved drive that fails afterwards is opened again', async ({ page }) => {
  await receive(page, '3.5in')
  const id = page.url().match(/drives\/([0-9a-f-]{36})/)![1]!
  const say = async (body: object) =>
    expect(
      (
        await page.request.post(`/api/drives/${id}/log`, {
          data: { id: crypto.randomUUID(), at: new Date().toISOString(), ...body },
        })
      ).ok(),
    ).toBe(true)
  await say({
    kind: 'released',
    station: 'release',
    title: 'Released',
    outcome: 'released',
    detail: 'It ran in its own machine all week.',
  })
  await say({ kind: 'finding', station: 'electronics', finding: { finding: 'caps.leaking', place: null } })
  await page.goto(`/drives/${id}?station=prove`)
  await expect(page.getByText('Opened again.')).toBeVisible()
  await expect(page.getByText(/Two faults are common; Electronics and Prove are done again/)).toBeVisible()
})

test('a drive with a safety gate that a finding keeps closed is released with its reason, which the certificate carries', async ({
  page,
}) => {
  await receive(page, '3.5in')
  const id = page.url().match(/drives\/([0-9a-f-]{36})/)![1]!
  const found = { kind: 'finding', station: 'look', finding: { finding: 'heads.torn', place: null } }
  const sent = await page.request.post(`/api/drives/${id}/log`, {
    data: { id: crypto.randomUUID(), at: new Date().toISOString(), ...found },
  })
  expect(sent.ok()).toBe(true)
  await page.goto(`/drives/${id}?station=release`)
  const sheet = page.getByRole('region', { name: 'Release', exact: true })
  await expect(sheet).toContainText('The safety gate “A disk in” is closed')
  await sheet.getByRole('button', { name: 'Release it' }).click()
  await expect(page.getByRole('alert').last()).toContainText('expected a written reason')
  await sheet.getByLabel('Why: needed').fill('Sold as a display piece, without heads.')
  await sheet.getByRole('button', { name: 'Release it' }).click()
  await page.goto(`/drives/${id}/certificate`)
  await expect(page.getByText('Sold as a display piece, without heads.')).toBeVisible()
})

test('a drive is stripped for parts, and one of them goes into another', async ({ page }) => {
  const donor = await receive(page, '3in', 'Fell off the quay.')
  const other = await receive(page, '3in')
  await openDrive(page, donor)
  await page.keyboard.press('-')
  await page.getByLabel('Strip for parts').check()
  const parts = page.getByTestId('parts')
  await expect(parts).toContainText('Nobody looked at it.')
  await parts.getByLabel(/^Spindle motor/).check()
  await parts.getByLabel(/^Write-protect pin/).check()
  await page.getByLabel('Why').fill('Cracked frame')
  await page.getByRole('button', { name: 'Strip for parts' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Cracked frame')
  await page.goto('/shelf?view=donors')
  const card = page.getByRole('region', { name: 'Donors' }).getByRole('article', { name: donor })
  const motor = card.getByRole('listitem').filter({ hasText: 'Spindle motor' })
  await motor.getByRole('button', { name: 'Use part…' }).first().click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(dialog.getByRole('alert')).toContainText('Choose the drive')
  await dialog.getByLabel('Goes into').selectOption({ label: other })
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(card).toContainText(`went into ${other}`)
  await openDrive(page, other)
  await expect(page.getByTestId('entry').first()).toContainText(`Spindle motor of ${donor} fitted`)
})

test('a quarantine needs its reason', async ({ page }) => {
  await receive(page, 'cartridge')
  await page.keyboard.press('-')
  await page.getByLabel('Quarantine it').check()
  await page.getByRole('button', { name: 'Quarantine it' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'a quarantine needs its reason in writing' })).toBeVisible()
})

test('a certificate is checked: as it was issued, and changed by hand', async ({ page }) => {
  await openDrive(page, 'SK-03')
  await page.goto(page.url().replace(/\?.*$/, '') + '/certificate')
  await expect(page.getByText('It reads a reference disk', { exact: true })).toBeVisible()
  await expect(page.getByText('tested again with covers on')).toBeVisible()
  const waiting = page.waitForEvent('download')
  await page.getByRole('link', { name: 'JSON' }).click()
  const text = readFileSync((await (await waiting).path())!, 'utf8')
  const file = (buffer: string) => ({ name: 'c.json', mimeType: 'application/json', buffer: Buffer.from(buffer) })
  await page.goto('/workshop')
  const check = page.getByRole('region', { name: 'Check a certificate' })
  await page.getByTestId('certificate').setInputFiles(file(text))
  await expect(check.getByTestId('call')).toContainText(
    'It is as it was issued, and the log of SK-03 has every entry that it was made from',
  )
  await page.getByTestId('certificate').setInputFiles(file(text.replace('Trimmer sealed', 'Good as new')))
  await expect(check.getByTestId('call')).toContainText('It was changed after it was issued')
  await page.getByTestId('certificate').setInputFiles(file('{'))
  await expect(check.getByRole('alert')).toContainText('the file is not JSON')
})

test('its dates, its label and its archive come as files', async ({ page, request }) => {
  await openDrive(page, 'SK-03')
  const id = page.url().match(/drives\/([0-9a-f-]{36})/)![1]!
  const get = async (path: string) => request.get(`/api/drives/${id}/${path}`)
  const ics = await get('certificate?format=ics')
  expect(ics.headers()['content-type']).toContain('text/calendar')
  expect(await ics.text()).toMatch(/^BEGIN:VCALENDAR\r\n/)
  expect((await (await get('certificate?format=label')).body()).subarray(0, 5).toString()).toBe('%PDF-')
  const zip = await get('archive')
  expect(zip.headers()['content-disposition']).toMatch(/filename="SK-03-\d{4}-\d\d-\d\d\.zip"/)
  expect((await zip.body()).subarray(0, 2).toString()).toBe('PK')
})

test('the workshop goes out and in again, and a backup is made', async ({ page, request }) => {
  const whole = await (await request.get('/api/workshop/archive')).body()
  await page.goto('/workshop')
  const out = page.getByRole('region', { name: 'Export and import' })
  await page.getByTestId('archive').setInputFiles({ name: 'w.zip', mimeType: 'application/zip', buffer: whole })
  await expect(out.getByTestId('imported')).toHaveText('Everything in it was here already.')
  await page
    .getByTestId('archive')
    .setInputFiles({ name: 'w.zip', mimeType: 'application/zip', buffer: whole.subarray(0, whole.length >> 1) })
  await expect(out.getByRole('alert')).toContainText('it is cut short, or no ZIP')
  await out.getByRole('button', { name: 'Make one now' }).click()
  await expect(out.getByRole('listitem').first()).toContainText('Made by hand')
})

test('the simulated drive is written, and passes though both its heads are off', async ({ page }) => {
  await page.goto('/instruments/write-test')
  await page.getByLabel('Simulated state').selectOption({ label: 'Both heads off: sensor or stepper' })
  await page.getByRole('button', { name: 'Write and read back' }).click()
  await expect(page.getByTestId('call')).toContainText('All 9 checks passed.', { timeout: 60_000 })
  await expect(page.getByText('a drive reads its own writing')).toBeVisible()
  await page.getByLabel('Drive type').selectOption('3.5in')
  await page.getByRole('button', { name: 'Write and read back' }).click()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('button', { name: 'Write and read back' })).toBeEnabled()
})

test('a word of the log is found, and leads to its drive', async ({ page }) => {
  const tag = await receive(page, '3in')
  await page.keyboard.press('n')
  await page.getByRole('dialog').getByRole('textbox').first().fill('Zwiebelschale under the pad')
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Keep|Put|Save/ })
    .first()
    .click()
  await expect(page.getByTestId('entry').first()).toContainText('Zwiebelschale')
  await page.goto('/')
  await page.getByRole('button', { name: /^Find/ }).click()
  await page.getByRole('combobox', { name: 'Find' }).fill('zwiebel')
  await page.getByRole('option', { name: new RegExp(tag) }).click()
  await expect(page).toHaveURL(/\/drives\/.*station=/)
})

test('words are erased from the log for good, and a drive with its tag typed', async ({ page }) => {
  const tag = await receive(page, '3.5in', 'Belongs to the ferry office.')
  await page.keyboard.press('n')
  await page.getByLabel('Note', { exact: true }).fill('Call the ferry office')
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').filter({ hasText: 'Call the ferry office' })).toBeVisible()
  const erase = async () => {
    await page.getByRole('button', { name: 'Edit drive data' }).click()
    await page.getByRole('button', { name: 'Erase…' }).click()
  }
  await erase()
  const dialog = page.getByRole('dialog', { name: `Erase from ${tag}` })
  await dialog.getByLabel('Owner’s words: “Belongs to the ferry office.”').check()
  await dialog.getByLabel('Words of “Call the ferry office”').check()
  await dialog.getByRole('button', { name: 'Erase 2 chosen' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByTestId('entry').first()).toContainText('Words of 2 entries were erased')
  await page.reload()
  await expect(page.getByTestId('entry').first()).toContainText('Words of 2 entries were erased')
  await expect(page.getByText(/ferry office/)).toHaveCount(0)

  await erase()
  const whole = dialog.getByRole('button', { name: 'Erase drive' })
  await dialog.getByLabel(`Type ${tag} to erase it`).fill('SK-99')
  await expect(whole).toBeDisabled()
  await dialog.getByLabel(`Type ${tag} to erase it`).fill(tag)
  await whole.click()
  await expect(page.getByText(`${tag} was erased.`)).toBeVisible()
  const left = (await (await page.request.get('/api/drives')).json()) as { tag: string }[]
  expect(left.map(d => d.tag)).not.toContain(tag)
})
