import { createHash } from 'node:crypto'
import { expect, openRecording, receive, recording, test } from './support'

test('a drive comes in, is measured, trimmed by advice that learns, and leaves with a certificate', async ({
  page,
  request,
}) => {
  const tag = await receive(page, '5.25in-48', 'Reads its own disks only.')
  await expect(page.getByTestId('entry')).toHaveCount(1)

  // Receive, with the keys.
  await page.keyboard.press('Space')
  await expect(page.getByTestId('entry')).toHaveCount(2)
  // What only an overhaul would do is optional: the station is finished without it.
  await page.getByRole('button', { name: 'Receive is finished' }).click()
  await expect(page.getByRole('button', { name: /Look.*here now/ })).toBeVisible()

  // Speed: as found.
  await page.getByRole('button', { name: /^Speed/ }).click()
  const first = recording('as-found.vcd', { rpm: 317.5 })
  await openRecording(page, first)
  await expect(page.getByTestId('rpm')).toContainText('317.5')
  await expect(page.getByTestId('call')).toContainText('Nudge it')
  await expect(page.getByTestId('call')).toContainText('either way')
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('317.5')
  await expect(page.getByText('latest on the log')).toBeVisible()

  // One eighth to the left: now it knows.
  await openRecording(page, recording('second.vcd', { rpm: 313.4 }))
  await page.getByText('left', { exact: true }).click()
  await expect(page.getByTestId('call')).toContainText('three eighths of a turn to the left')
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('after an eighth of a turn to the left')

  // And it is right.
  await openRecording(page, recording('third.vcd', { rpm: 300.3 }))
  await page.getByText('left', { exact: true }).click()
  await page.getByLabel('How far').selectOption({ label: 'three eighths' })
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('300.3')

  // Certificate: page, JSON, PDF, and the recording behind it.
  await page.getByRole('button', { name: /^Release/ }).click()
  await expect(page.getByText('That it reads or writes any disk')).toBeVisible()
  await page.getByText('Release it', { exact: true }).first().click()
  // Nobody looked at what its safety gates ask for: that needs a written reason.
  await page.getByLabel('Why: needed').fill('It ran in its own machine. Look again in two years.')
  await page.getByRole('button', { name: 'Release it' }).click()
  await expect(page.getByRole('heading', { name: 'Released.' })).toBeVisible()
  await page.getByRole('link', { name: 'Certificate' }).click()
  await expect(page.getByRole('heading', { name: `Drive ${tag}` })).toBeVisible()
  await expect(page.getByText('It ran in its own machine. Look again in two years.')).toBeVisible()
  const id = /drives\/([^/]+)/.exec(page.url())![1]
  const json = await (await request.get(`/api/drives/${id}/certificate`)).json()
  expect(json).toMatchObject({
    format: 'wobrin-certificate',
    state: 'released',
    asFound: { speed: { call: 'nudge' } },
    asLeft: { speed: { call: 'leave' } },
  })
  const kept = await (await request.get(`/api/captures/${json.asFound.speed.evidence}`)).body()
  expect(createHash('sha256').update(kept).digest('hex')).toBe(json.asFound.speed.evidence)
  expect(kept.equals(first.buffer)).toBe(true)
  const pdf = await (await request.get(`/api/drives/${id}/certificate?format=pdf`)).body()
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')

  // It has left the bench, and its log is closed to steps.
  await page.goto('/')
  await expect(page.getByRole('region', { name: 'Drives that have left' }).getByText(tag)).toBeVisible()
})

test('the demo workshop stands on the bench with every kind of call', async ({ page }) => {
  await page.goto('/')
  // A gate that a finding keeps closed stands on its drive's line.
  await expect(page.getByRole('link', { name: /SK-17.*closed: first power/ })).toBeVisible()
  const lines = page.getByRole('region', { name: 'Drives at their stations' })
  for (const words of ['Nudge it', 'Mend it', 'Not known yet'])
    await expect(lines.getByText(words).first()).toBeVisible()
  await expect(
    page.getByRole('region', { name: 'Drives that have left' }).getByText('quarantined').first(),
  ).toBeVisible()
  // What is dangerous comes first, the quick nudge after it; other tests leave drives of their own among them.
  const hands = page.getByRole('region', { name: 'Do next' })
  const offered: string[] = []
  for (let i = 0; i < 40 && !offered.some(t => t.includes('SK-05')); i++) {
    offered.push((await hands.getByRole('paragraph').first().textContent()) ?? '')
    await page.getByRole('button', { name: 'Show another' }).click()
  }
  const rescue = offered.findIndex(t => /SK-18\s*Rescue the disk/.test(t))
  expect(rescue).toBeGreaterThanOrEqual(0)
  expect(offered.findIndex(t => t.includes('SK-05'))).toBeGreaterThan(rescue)
})

test('two browsers at one drive both keep what they say', async ({ page, browser }) => {
  await receive(page, '3.5in')
  const other = await (await browser.newContext()).newPage()
  await other.goto(page.url())
  await expect(other.getByRole('navigation', { name: 'Stations' })).toBeVisible()
  for (const [p, text] of [
    [page, 'from the first'],
    [other, 'from the second'],
  ] as const) {
    await p.keyboard.press('n')
    await p.getByLabel('Note', { exact: true }).fill(text)
    await p.getByRole('button', { name: 'Save to log' }).click()
    await expect(p.getByTestId('entry').first()).toContainText(text)
  }
  await page.reload()
  await expect(page.getByTestId('entry')).toHaveCount(3)
  await other.close()
})
