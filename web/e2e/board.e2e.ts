import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { serialBoard } from './fake-serial'
import { expect, receive, test } from './support'

test('the simulated board shows its lines, times the index and reads the disk', async ({ page }) => {
  await page.goto('/instruments/bench-link')
  await page.getByRole('button', { name: 'Use the simulated board' }).click()
  const lines = page.getByTestId('board-lines')
  const row = (name: RegExp) => lines.getByRole('row', { name })
  await expect(row(/^select/)).toContainText('high')
  await row(/^select/)
    .getByRole('button')
    .click()
  await row(/^motor/)
    .getByRole('button')
    .click()
  await expect(row(/^motor/)).toContainText('low, true')
  await expect(page.getByTestId('board-rpm')).toContainText(/(299|300)\.\d/)
  await page.getByRole('button', { name: 'Read voltages' }).click()
  await expect(page.getByText(/^5V: [45]\.\d\d V$/)).toBeVisible()
  await expect(row(/write gate/i).getByRole('button')).toHaveCount(0)

  await page.getByRole('button', { name: 'Read the disk' }).click()
  await page.getByLabel('Cylinders').fill('2')
  await page.getByRole('button', { name: 'Read the disk' }).last().click()
  await expect(page.getByTestId('board-sectors')).toContainText('4 of 4 tracks')
  await expect(page.getByTestId('board-sectors')).toContainText(/(\d+) of \1 sectors/)
  await expect(page.getByTestId('call')).toBeVisible()

  // What was read is a recording; a simulated drive goes on no log.
  await expect(page.getByRole('button', { name: 'Save to a drive…' })).toHaveCount(0)
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save recording' }).click()
  const vcd = gunzipSync(readFileSync(await (await saved).path())).toString()
  expect(vcd).toContain('READ_DATA')
  // The motor stops once it was read.
  await page.getByRole('button', { name: 'Lines and speed' }).click()
  await expect(row(/^motor/)).toContainText('high')
})

test('a simulated drive is tried as a host does, hands and all', async ({ page }) => {
  await page.goto('/instruments/bench-link')
  await page.getByLabel('Or a simulated drive').selectOption({ label: 'A sound drive' })
  await page.getByRole('button', { name: 'Use the simulated board' }).click()
  await page.getByRole('button', { name: 'Test the drive' }).click()
  await page.getByRole('button', { name: 'Start the test' }).click()
  await page.getByRole('button', { name: 'The disk is out' }).click()
  await page.getByRole('button', { name: 'The disk is in' }).click()
  const result = page.getByTestId('test-result')
  await expect(result.getByRole('row', { name: /^Select/ })).toContainText('Answers only while selected')
  await expect(result.getByRole('row', { name: /^Motor off/ })).toContainText('Stops')
  await expect(result.getByRole('row', { name: /^Disk change, no disk/ })).toContainText('Stays active')
  await expect(result.getByRole('row', { name: /^Another disk/ })).toContainText('DISK CHANGE tells of it')
})

test('a board on a serial port speaks the same protocol, and says when it is pulled out', async ({ page }) => {
  const board = await serialBoard(page)
  try {
    await page.goto('/instruments/bench-link')
    await page.getByRole('button', { name: 'Connect a board…' }).click()
    const lines = page.getByTestId('board-lines')
    for (const name of [/^select/, /^motor/]) await lines.getByRole('row', { name }).getByRole('button').click()
    await expect(page.getByTestId('board-rpm')).toContainText(/(299|300)\.\d/)
    await page.getByRole('button', { name: 'Read the disk' }).click()
    await page.getByLabel('Cylinders').fill('1')
    await page.getByRole('button', { name: 'Read the disk' }).last().click()
    await expect(page.getByTestId('board-sectors')).toContainText('2 of 2 tracks')
    await expect(page.getByTestId('board-sectors')).toContainText(/(\d+) of \1 sectors/)
    board.pull()
    await expect(page.getByText('The board is gone')).toBeVisible()
  } finally {
    board.end()
  }
})

test('a test through a board goes on the log with its recording, and fills the bench test', async ({ page }) => {
  const tag = await receive(page, '3.5in', 'Not recognised.')
  const id = /drives\/([0-9a-f-]{36})/.exec(page.url())![1]!
  const board = await serialBoard(page, true)
  try {
    // A drive whose safety gates are closed is not driven.
    await page.goto(`/instruments/bench-link?drive=${id}`)
    await expect(page.getByText(`of ${tag} is closed`)).toBeVisible()
    await page.getByRole('button', { name: 'Connect a board…' }).click()
    await expect(page.getByRole('button', { name: 'Start the test' })).toBeDisabled()

    // Without a drive on file the person at the bench decides, and says afterwards which drive it was.
    await page.goto('/instruments/bench-link')
    await page.getByRole('button', { name: 'Connect a board…' }).click()
    await page.getByRole('button', { name: 'Test the drive' }).click()
    await page.getByRole('button', { name: 'Start the test' }).click()
    await page.getByRole('button', { name: 'Skip disk change' }).click()
    await expect(page.getByTestId('test-result')).toBeVisible()
    await page.getByRole('button', { name: 'Save to a drive…' }).click()
    await page.getByRole('dialog').getByLabel('Drive').selectOption({ value: id })
    await page.getByRole('dialog').getByRole('button', { name: 'Save to log' }).click()
    await expect(page).toHaveURL(new RegExp(`${id}.*view=test`))
    const list = page.getByRole('region', { name: /bench test/i }).or(page.locator('main'))
    await expect(list.first()).toContainText('Answers only while selected')
    const { log } = await (await page.request.get(`/api/drives/${id}`)).json()
    const entry = log.find((e: { data?: { type?: string } }) => e.data?.type === 'read-test')
    expect(entry.evidence.source).toBe('recording')
    expect(entry.data.captureSha).toMatch(/^[0-9a-f]{64}$/)
  } finally {
    board.end()
  }
})

test('a browser without serial ports says so', async ({ page }) => {
  await page.addInitScript(() => Object.defineProperty(navigator, 'serial', { value: undefined }))
  await page.goto('/instruments/bench-link')
  await page.getByRole('button', { name: 'Connect a board…' }).click()
  await expect(page.getByText('no serial ports')).toBeVisible()
})
