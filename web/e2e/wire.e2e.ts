import { readFileSync } from 'node:fs'
import { vcdChunks, type EdgeList } from '../../core/src/signals/captures'
import { turnedOver } from '../../core/src/instruments/interface'
import { recordReading, soundDrive, type DriveSpec, type RecordOptions } from '../../core/src/simulator'
import { expect, receive, test } from './support'

/** A recording of a drive's interface as a file. */
function wire(
  name: string,
  change: (d: DriveSpec) => Partial<DriveSpec> = () => ({}),
  options: RecordOptions = { cylinders: [0, 1, 2], turns: 1 },
  bend: (name: string, e: EdgeList) => readonly [string, EdgeList] = (n, e) => [n, e],
) {
  const sound = soundDrive('5.25in-48', 6)
  const r = recordReading({ ...sound, carriage: { ...sound.carriage, startCylinder: 0 }, ...change(sound) }, options)
  const channels = r.channels.map(c => bend(c.name, c.edges)).map(([n, edges]) => ({ name: n, edges }))
  return {
    name,
    mimeType: 'text/plain',
    buffer: Buffer.from([...vcdChunks(channels, { tickNs: 10, durationS: r.durationS })].join('')),
  }
}

test('the simulated drive is driven by its lines: levels, their reasons, the rail, and what is read', async ({
  page,
}) => {
  await page.goto('/instruments/wire')
  const line = (name: string) => page.getByTestId(`line-${name}`)
  await expect(line('write-protect')).toContainText('Not valid: the drive is not selected.')
  await expect(page.getByTestId('now')).toContainText('select the drive')
  await page.getByRole('button', { name: 'Not selected' }).click()
  await expect(line('write-protect')).toContainText('The disk may be written.')
  await page.getByRole('button', { name: 'Protect disk' }).click()
  await expect(line('write-protect')).toContainText('The disk is protected.')
  await page.getByRole('button', { name: 'Motor off' }).click()
  await expect(line('ready')).toContainText('low')
  await expect(page.getByTestId('now')).toContainText('reads 9 of 9 sectors; headers name cylinder 5')
  await expect(line('disk-change')).toContainText('a step clears it')
  await page.getByRole('button', { name: 'Step in' }).click()
  await expect(line('disk-change')).toContainText('No change since the last step')
  await expect(page.getByTestId('now')).toContainText('headers name cylinder 6')
  await expect(page.getByRole('img', { name: 'Carriage at cylinder 6' })).toBeVisible()
  await page.getByRole('button', { name: 'Take disk out' }).click()
  await expect(page.getByTestId('now')).toContainText('Nothing is read')
  await expect(line('index')).toContainText('No disk is in')
})

test('a head that is nudged half a track off reads nothing; a wire that is wiggled is named', async ({ page }) => {
  await page.goto('/instruments/wire')
  await page.getByLabel('Its state').selectOption('loose-data')
  await page.getByRole('button', { name: 'Not selected' }).click()
  await page.getByRole('button', { name: 'Motor off' }).click()
  await expect(page.getByTestId('now')).toContainText('9 of 9')
  await page.waitForTimeout(4000)
  await page.getByRole('button', { name: 'Wiggle it' }).click()
  await page.waitForTimeout(2500)
  await page.getByRole('button', { name: 'End wiggle' }).click()
  await expect(page.getByRole('region', { name: 'Wiggle test' }).getByTestId('call')).toContainText(
    'The read data wire makes errors when it is moved',
  )
  await page.getByLabel('Adjuster').selectOption('lower')
  for (let i = 0; i < 27; i++) await page.getByRole('button', { name: 'lower head on by 10 µm' }).click()
  await expect(page.getByTestId('now')).not.toContainText('9 of 9')
})

test('the whole disk is read with progress and a stop, and a seek test finds a gummed rail', async ({ page }) => {
  await page.goto('/instruments/wire')
  await page.getByLabel('Simulated drive').selectOption('3.5in')
  await page.getByLabel('Its state').selectOption('gummed')
  await page.getByRole('button', { name: 'Seek test' }).click()
  await expect(page.getByRole('region', { name: 'Results' }).getByTestId('call')).toContainText('lose steps on the way')
  await page.getByRole('button', { name: 'Read the whole disk' }).click()
  await page.getByRole('region', { name: 'Tests' }).getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByRole('button', { name: 'Read the whole disk' })).toBeVisible()
})

test('a quick disk is swept, a cartridge drive that clicks is stopped', async ({ page }) => {
  await page.goto('/instruments/wire')
  await page.getByLabel('Simulated drive').selectOption('quick-disk')
  await expect(page.getByTestId('call')).toContainText('All 9 blocks read in one pass')
  await page.getByLabel('Its state').selectOption('fast')
  await expect(page.getByTestId('call')).toContainText('% fast')
  await page.getByLabel('Simulated drive').selectOption('cartridge')
  await page.getByLabel('heads are damaged').check()
  await page.getByRole('button', { name: 'Put the cartridge in' }).click()
  await expect(page.getByTestId('call')).toContainText('a steady click')
  await expect(page.getByRole('region', { name: 'Cartridge' })).toContainText('the disk is torn')
})

test('a recording is played back by its lines, seek by seek', async ({ page }) => {
  await page.goto('/instruments/wire')
  await page
    .getByTestId('bus-file')
    .setInputFiles(wire('session.vcd', undefined, { cylinders: [0, 1, 2], turns: 1, flipTab: true, changeDisk: true }))
  await expect(page.getByTestId('call').first()).toContainText('Leave it')
  const timings = page.getByRole('region', { name: 'Timings' })
  await expect(timings).toContainText('both states seen')
  await expect(timings).toContainText('Track zero on departure')
  const playback = page.getByRole('region', { name: 'Playback' })
  await playback.getByRole('button', { name: 'Seek after' }).click()
  await playback.getByRole('button', { name: 'Seek after' }).click()
  await expect(playback).toContainText('A step would move inward.')
  await expect(page.getByTestId('line-track-0')).toContainText('cylinder 1 by the step count')
  const download = page.waitForEvent('download')
  await playback.getByRole('button', { name: 'Save 3 s as VCD' }).click()
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('$timescale')
  await page.getByLabel('Time in the recording').fill('0.01')
  await expect(page.getByTestId('line-index')).toContainText('Not valid: the drive is not selected.')
})

test('read test: the simulated drive on the rail, a track and its sectors, before and after, a table, an image', async ({
  page,
}) => {
  await page.goto('/instruments/read-test')
  await page.getByLabel('Drive type').selectOption('5.25in-48')
  await page.getByLabel('Its state').selectOption('dirty')
  await page.getByRole('button', { name: 'Read its disk' }).click()
  await expect(page.getByTestId('call')).toContainText('The lower head loses its margin towards the hub')
  const rail = page.getByTestId('rail')
  await rail.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowUp')
  await expect(page.getByRole('region', { name: 'Track', exact: true })).toContainText('upper head')
  await expect(page.getByRole('region', { name: 'Sectors', exact: true })).toContainText('good')
  await page.getByRole('button', { name: 'Keep as “before”' }).click()
  await page.getByLabel('Simulated state').selectOption('sound')
  await page.getByRole('button', { name: 'Read the simulated drive' }).click()
  await expect(page.getByTestId('call')).toContainText('All 720 sectors read without error')
  await page.getByRole('button', { name: 'All tracks as a table' }).click()
  await expect(page.getByRole('region', { name: 'Tracks as a table' })).toContainText('Before')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save disk image' }).click()
  expect(readFileSync(await (await download).path())).toHaveLength(720 * 512)
})

test('a recording that is turned over or has names swapped is put right with one press, and the mapping is remembered', async ({
  page,
}) => {
  await page.goto('/instruments/read-test')
  await page
    .getByTestId('bus-file')
    .first()
    .setInputFiles(wire('over.vcd', undefined, undefined, (n, e) => [n, turnedOver(e)]))
  await expect(page.getByTestId('call')).toContainText('the other way round')
  await page.getByRole('button', { name: 'Invert levels' }).click()
  await expect(page.getByTestId('call')).toContainText('Leave it')
  const swapped = wire('swapped.vcd', undefined, undefined, (n, e) => [
    n === 'STEP' ? 'SIDE' : n === 'SIDE' ? 'STEP' : n,
    e,
  ])
  await page.getByTestId('bus-file').first().setInputFiles(swapped)
  await page.getByRole('button', { name: 'Exchange step and side' }).click()
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await page.reload()
  await page.getByTestId('bus-file').first().setInputFiles(swapped)
  await expect(page.getByTestId('call')).toContainText('All 54 sectors read without error')
})

test('a read test is put on a drive’s log: the server reads the recording again, and its rail stands there', async ({
  page,
  request,
}) => {
  await receive(page, '5.25in-48')
  const id = /drives\/([0-9a-f-]+)/.exec(page.url())![1]!
  await page.goto(`/drives/${id}?station=prove`)
  await page.getByRole('tab', { name: 'Read tests' }).click()
  await page.getByRole('link', { name: 'Read a disk' }).click()
  await page
    .getByTestId('bus-file')
    .first()
    .setInputFiles(
      wire('groove.vcd', d => ({
        disk: {
          ...d.disk,
          grooves: [{ head: 0, fromCylinder: 1, toCylinder: 1, fromTurn: 0.2, toTurn: 0.4, liftUm: 20 }],
        },
      })),
    )
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page).toHaveURL(/drives\/.*station=prove/)
  await page.getByRole('tab', { name: 'Read tests' }).click()
  await expect(page.getByTestId('entry').first()).toContainText(/Read test: \d+ of 54 sectors good/)
  await expect(page.getByTestId('entry').first().getByRole('img', { name: 'Rail of 6 tracks' })).toBeVisible()
  const [entry] = (
    (await (await request.get(`/api/drives/${id}/log`)).json()) as {
      kind: string
      data: { captureName: string; bars: unknown[] }
    }[]
  ).filter(e => e.kind === 'measurement')
  expect(entry!.data).toMatchObject({ type: 'read-test', captureName: 'groove.vcd', simulated: null })
  const bad = await request.post(`/api/drives/${id}/read-test`, {
    data: { id: crypto.randomUUID(), at: new Date().toISOString() },
  })
  expect(bad.status()).toBe(422)
  expect((await bad.json()).detail).toContain('there is neither a recording nor a simulated drive')
})
