import { readFileSync } from 'node:fs'
import { vcdChunks } from '../../core/src/signals/captures'
import { recordReading, soundDrive } from '../../core/src/simulator'
import { expect, test } from './support'

/** One read of a worn disk, of one cylinder, as a recording. */
function worn(seed: number) {
  const sound = soundDrive('3.5in', seed, 'mfm-80x2x9')
  const spec = {
    ...sound,
    noise: 0.3,
    carriage: { ...sound.carriage, startCylinder: 1 },
    disk: {
      ...sound.disk,
      amplitude: 0.6,
      grooves: [{ head: 1 as const, fromCylinder: 0, toCylinder: 1, fromTurn: 0.3, toTurn: 0.6, liftUm: 1.2 }],
    },
  }
  const { channels, durationS } = recordReading(spec, { turns: 3, cylinders: [0, 1] })
  const text = [...vcdChunks(channels, { tickNs: 10, durationS })].join('')
  return { name: `read-${seed}.vcd`, mimeType: 'text/plain', buffer: Buffer.from(text) }
}

test('reads of a failing disk are merged, what is missing is listed, and the image is saved', async ({ page }) => {
  await page.goto('/instruments/rescue')
  await expect(page.getByText('Drop the recordings of the disk here')).toBeVisible()
  const rescued = async () => Number(/^[\d,]+/.exec((await page.getByTestId('rescued').textContent())!.trim())![0])
  await expect(async () => {
    await page.getByTestId('recordings').setInputFiles([worn(1)])
    await expect(page.getByText('1. read-1.vcd')).toBeVisible({ timeout: 20_000 })
  }).toPass()
  const one = await rescued()
  await page.getByTestId('recordings').setInputFiles([worn(2), worn(3)])
  await expect(page.getByText('3. read-3.vcd')).toBeVisible({ timeout: 60_000 })
  expect(await rescued()).toBeGreaterThan(one)
  await expect(page.getByText(/^Next:|^Complete\./).first()).toBeVisible()

  // What is told of an attempt moves the advice, and nothing else.
  const before = await rescued()
  await page.getByLabel('Drive').nth(1).fill('SK-08')
  await page.getByLabel('cleaned before').nth(2).check()
  expect(await rescued()).toBe(before)

  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save disk image' }).click()
  expect(readFileSync(await (await saved).path()).length % 512).toBe(0)

  // The same readings count once.
  await page.getByTestId('recordings').setInputFiles([worn(2)])
  await expect(page.getByText('read-2.vcd is there already')).toBeVisible()
  await page.getByRole('button', { name: 'Remove read-3.vcd' }).click()
  await expect(page.getByText('3. read-3.vcd')).toBeHidden()
  expect(await rescued()).toBeLessThanOrEqual(before)
})

test('what holds no track is refused in a sentence, and what was there stays', async ({ page }) => {
  await page.goto('/instruments/rescue')
  await expect(async () => {
    await page
      .getByTestId('recordings')
      .setInputFiles([{ name: 'letter.txt', mimeType: 'text/plain', buffer: Buffer.from('Dear sir,\n') }])
    await expect(page.getByText(/letter\.txt/).first()).toBeVisible({ timeout: 5000 })
  }).toPass()
  await expect(page.getByText('Drop the recordings of the disk here')).toBeVisible()
})

test('a disk is read by a board, and what is missing is read again', async ({ page }) => {
  await page.goto('/instruments/rescue')
  await page.getByRole('button', { name: 'Read by a board' }).click()
  const panel = page.getByRole('region', { name: 'Read by a board' })
  await panel.getByLabel('Or a simulated drive').selectOption({ label: 'Lower head dirty' })
  await panel.getByRole('button', { name: 'Use the simulated board' }).click()
  await panel.getByLabel('Cylinders').fill('2')
  await panel.getByLabel('Revolutions').fill('1')
  await panel.getByRole('button', { name: 'Read the disk' }).click()
  await expect(page.getByText('1. board read 1')).toBeVisible()
  await expect(page.getByTestId('rescued')).toContainText('of')
  await expect(page.getByLabel('Drive', { exact: true }).first()).toHaveValue('simulated')
  const again = panel.getByRole('button', { name: /^Read \d+ tracks? again$/ })
  await expect(again.or(panel.getByText('Nothing is missing'))).toBeVisible()
  if (await again.isVisible()) {
    await panel.getByLabel('Revolutions').fill('3')
    await again.click()
    await expect(page.getByText('2. board read 2')).toBeVisible()
  }
})
