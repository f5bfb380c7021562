import { expect, openDrive, receive, test } from './support'
import { scopeWav, SOUND_ALIGNMENT, recordReading, soundDrive } from '../../core/src/simulator'
import { writeVcd } from '../../core/src/signals/captures'

test('an adjuster is swept by hand: the next position is proposed until the middle is known; a wrong try is struck out', async ({
  page,
}) => {
  await page.goto('/instruments/sweep')
  await expect(page.getByTestId('call')).toContainText('Read at 0 marks first')
  await page.getByLabel('Adjuster').selectOption('stepper body')
  const head = (p: number, from: number, to: number) => (p > from && p < to ? '11' : '0')
  const enter = async (p: number) => {
    await page.getByLabel('Position, marks').fill(String(p))
    await page.getByLabel('Lower head read').fill(head(p, -3, 4))
    await page.getByLabel('Upper head read').fill(head(p, -2, 5))
    // By foot, while the counts are still being typed.
    await page.keyboard.press('PageDown')
  }
  for (const p of [-9, 0, 9]) await enter(p)
  await expect(page.getByTestId('call')).toContainText('Try')
  await page.getByLabel('Lower head read').fill('12')
  await page.getByLabel('Upper head read').fill('2')
  await page.getByRole('button', { name: 'Add position' }).click()
  await expect(page.getByTestId('problem')).toContainText('“12” sectors on the lower head cannot be: 0 to 11')
  for (let i = 0; i < 14 && !(await page.getByTestId('call').textContent())!.includes('Nudge it'); i++)
    await enter(Number(await page.getByLabel('Position, marks').inputValue()))
  // Both read from −2 to 4: the middle is 1.
  const middle = Number(
    /middle is (−?[\d.]+)/.exec((await page.getByTestId('call').textContent())!)![1]!.replace('−', '-'),
  )
  expect(Math.abs(middle - 1)).toBeLessThan(0.6)
  await page.getByRole('button', { name: /^I set it to/ }).click()
  await page.getByLabel('Mark now, marks').fill('1.2')
  for (const zone of ['Outer', 'Middle', 'Inner'])
    for (const h of ['lower', 'upper']) await page.getByLabel(`${zone}, ${h} head`).fill('11')
  await page.getByRole('button', { name: 'Judge it' }).click()
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await expect(page.getByTestId('call')).toContainText(
    'All 66 sectors at outer, middle and inner read after tightening',
  )
  await page.getByRole('button', { name: 'Strike out: position 0', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Take in again: position 0', exact: true })).toBeVisible()
})

test('each position is read through a board, until the middle is known', async ({ page }) => {
  await page.goto('/instruments/sweep')
  await page.getByLabel('Adjuster').selectOption('upper head')
  await page.getByRole('button', { name: 'From the drive' }).click()
  await page.getByLabel('Or the simulated drive').selectOption('upper-leans')
  await page.getByRole('button', { name: 'The same through a board' }).click()
  await expect(page.getByText('homes, seeks and reads there each time')).toBeVisible()
  for (let i = 0; i < 14 && !(await page.getByTestId('call').textContent())!.includes('Nudge it'); i++) {
    const rows = await page.getByRole('row').count()
    await page.getByTestId('read-there').click()
    await expect.poll(() => page.getByRole('row').count(), { timeout: 30_000 }).toBeGreaterThan(rows)
  }
  await expect(page.getByTestId('call')).toContainText('Nudge it')
  // The head leans towards one side by half a track: the adjuster belongs on the other.
  await expect(page.getByTestId('call')).toContainText(/middle is −\d/)
})

test('SK-09: the evidence names the upper head; it is swept on the simulated drive by pedal, set, tightened and put on the log', async ({
  page,
}) => {
  await openDrive(page, 'SK-09')
  const verdict = page.getByRole('region', { name: 'May I touch it?' })
  await expect(verdict.getByTestId('call')).toContainText('The upper head is off track')
  await expect(verdict).toContainText('The upper head was swept, and not set yet.')
  await verdict.getByRole('link', { name: 'Sweep the upper head' }).click()
  await page.getByRole('button', { name: 'From the drive' }).click()
  await page.getByLabel('Or the simulated drive').selectOption('upper-leans')
  await page.getByRole('button', { name: 'Start simulated drive' }).click()
  await expect(page.getByTestId('read-there')).toBeEnabled()
  for (let i = 0; i < 10 && !(await page.getByTestId('call').textContent())!.includes('Nudge it'); i++) {
    const rows = await page.getByRole('row').count()
    await page.keyboard.press('PageDown')
    await expect.poll(() => page.getByRole('row').count()).toBeGreaterThan(rows)
  }
  await expect(page.getByTestId('call')).toContainText('Set the upper head to −')
  await page.keyboard.press('a')
  await expect(page.getByTestId('across')).toContainText('Set the upper head to')
  await page.keyboard.press('PageDown')
  await page.keyboard.press('PageDown')
  await expect(page.getByTestId('across')).toBeHidden()
  await page.getByRole('button', { name: 'Tighten and read all three' }).click()
  await expect(page.getByTestId('call')).toContainText('Tightening')
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page).toHaveURL(/drives\/.*station=align/)
  await expect(page.getByRole('region', { name: 'May I touch it?' })).toContainText('The upper head was set.')
})

test('a drive that was not cleaned says so before a sweep, and nothing is kept', async ({ page }) => {
  await receive(page, '3.5in')
  const id = /drives\/([0-9a-f-]+)/.exec(page.url())![1]
  await page.goto(`/instruments/sweep?drive=${id}`)
  await expect(page.getByTestId('order-stops')).toContainText('The heads were not cleaned yet.')
  await expect(page.getByRole('button', { name: 'Save to log' })).toBeDisabled()
})

test('a recording at a position is a try, with its margin', async ({ page }) => {
  const { channels } = recordReading(soundDrive('3.5in', 3), { cylinders: [10, 11], turns: 1 })
  await page.goto('/instruments/sweep')
  await page.getByRole('button', { name: 'From the drive' }).click()
  await page.getByTestId('bus-file').setInputFiles({
    name: 'at-0.vcd',
    mimeType: 'text/plain',
    buffer: Buffer.from(writeVcd(channels, { tickNs: 10 })),
  })
  await expect(page.getByRole('table')).toContainText('18 of 18')
  await expect(page.getByRole('table')).toContainText('margin')
})

test('a reference disk is put on the shelf, and retired with a reason', async ({ page }) => {
  await page.goto('/shelf?view=disks')
  const shelf = page.getByRole('region', { name: 'Reference disks' })
  await expect(shelf.getByRole('article', { name: 'Harbour A' })).toContainText('rests on an analogue alignment disk')
  await shelf.getByRole('button', { name: 'Add a disk' }).click()
  const name = `Quay ${Date.now() % 100_000}`
  await shelf.getByLabel('Name on its label').fill(name)
  await shelf.getByLabel('That drive was').selectOption('disk')
  await shelf.getByRole('button', { name: 'Put on the shelf' }).click()
  await expect(shelf.getByRole('alert')).toContainText('a drive was verified that is not named')
  await shelf.getByLabel('By which drive').selectOption({ label: 'SK-09' })
  await shelf.getByLabel('Verified by').selectOption({ label: 'Harbour A' })
  await shelf.getByRole('button', { name: 'Put on the shelf' }).click()
  const card = shelf.getByRole('article', { name })
  await expect(card.getByRole('list', { name: 'Chain of trust' })).toContainText('Harbour A')
  await card.getByRole('button', { name: 'Retire it' }).click()
  await card.getByLabel('Why it is retired').fill('a scratch')
  await card.getByRole('button', { name: 'Retire it' }).click()
  await expect(card).toContainText('It was retired: a scratch.')
})

test('a scope recording becomes lobes, and the lobes an offset; what is no recording is refused', async ({ page }) => {
  await page.goto('/instruments/scope')
  await page
    .getByTestId('scope-file')
    .first()
    .setInputFiles({
      name: 'lobes.wav',
      mimeType: 'audio/wav',
      buffer: Buffer.from(scopeWav({ ...SOUND_ALIGNMENT, offsetUm: 60 })),
    })
  await expect(page.getByTestId('scope-says')).toContainText('Lobes of')
  await page.getByLabel('Width of the head').fill('0.33')
  await page.getByLabel('Eccentricity of the pattern').fill('0.18')
  await page.getByLabel('Offset allowed').fill('45 um')
  await expect(page.getByTestId('call')).toContainText(
    /stands (5[789]|6[0-3])[.\d]* µm off the middle of the alignment track, more than the 45 µm allowed/,
  )
  await page
    .getByTestId('scope-file')
    .first()
    .setInputFiles({ name: 'note.csv', mimeType: 'text/csv', buffer: Buffer.from('hello') })
  await expect(page.getByTestId('problem')).toContainText('note.csv')
  await page.getByText('Bursts: azimuth').click()
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByTestId('call')).toContainText('The head is turned by')
})

test('the instruments of Align stand at their station, with flag and slot drawn', async ({ page }) => {
  await receive(page, '5.25in-48')
  await page.keyboard.press('9')
  const here = page.getByRole('region', { name: 'Instruments here' })
  await here.getByRole('tab', { name: 'Track zero' }).click()
  await here.getByLabel('Height of this tab').fill('6.5')
  await here.getByLabel('Height it should have').fill('6')
  await expect(here.getByTestId('call')).toContainText('too high: the sensor trips 0.945 cylinders early')
  await expect(here.getByTestId('flag')).toContainText('switches at 1.44')
  await here.getByRole('button', { name: 'Flag and slot' }).click()
  await here.getByLabel('Flag beyond the slot’s middle').fill('0.26')
  await expect(here.getByTestId('flag')).toContainText('switches at 0.49')
})
