import { readFileSync } from 'node:fs'
import wavefile from 'wavefile'
import { SimulatedPickup } from '../../core/src/simulator'
import { expect, openRecording, receive, recording, test } from './support'

test('a live simulated pickup is judged, trimmed, seen across the bench, saved and read back to the same speed', async ({
  page,
}) => {
  await page.goto('/instruments/speed')
  await page.getByRole('button', { name: 'Use the simulated pickup' }).click()
  await expect(page.getByTestId('call')).toContainText('Not known yet')
  await expect(page.getByTestId('call')).toContainText('Nudge it')
  await page.getByRole('button', { name: '⅛ turn to the left' }).click()
  await expect(page.getByTestId('call')).toContainText('to the left, then measure again', { timeout: 60_000 })

  await page.keyboard.press('a')
  const across = page.getByTestId('across')
  await expect(across).toContainText('Nudge it')
  await expect(across).toContainText(/30\d\.\d/)
  await page.keyboard.press('PageUp')
  await expect(across).toBeHidden()

  const shown = Number(/\d+\.\d+/.exec((await page.getByTestId('rpm').textContent())!)![0])
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as VCD' }).click()
  const content = readFileSync(await (await download).path())
  await page.getByRole('button', { name: 'End simulation' }).click()
  await openRecording(page, { name: 'saved.vcd', mimeType: 'text/plain', buffer: content })
  await expect(page.getByRole('heading', { name: /saved\.vcd/ })).toBeVisible()
  const again = Number(/\d+\.\d+/.exec((await page.getByTestId('rpm').textContent())!)![0])
  expect(Math.abs(again - shown)).toBeLessThan(0.2)
})

test('a live reading is kept with a drive as simulated, and the certificate claims nothing from it', async ({
  page,
  request,
}) => {
  await receive(page, '3in')
  await page.keyboard.press('8')
  await page.getByRole('button', { name: 'Use the simulated pickup' }).click()
  await expect(page.getByTestId('call')).toContainText('Nudge it', { timeout: 60_000 })
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('simulated')
  const id = /drives\/([0-9a-f-]+)/.exec(page.url())![1]
  const certificate = await (await request.get(`/api/drives/${id}/certificate`)).json()
  expect(certificate).toMatchObject({
    drive: { simulated: false },
    shown: [],
    asLeft: { speed: null },
    measurements: [{ source: 'simulated', simulated: true }],
  })
})

test('a channel is guessed, and another can be chosen', async ({ page }) => {
  const pickup = new SimulatedPickup({ seed: 2, rpm: 299.6 })
  pickup.advanceTo(20)
  const lines = pickup.toVcd().split('\n')
  const at = lines.findIndex(l => l.startsWith('$upscope'))
  lines.splice(at, 0, '$var wire 1 " STEP $end')
  let step = 0
  const busy = lines.flatMap(l => (l.startsWith('#') ? [l, `${step++ % 2}"`] : [l])).join('\n')
  await page.goto('/instruments/speed')
  await openRecording(page, { name: 'bus.vcd', mimeType: 'text/plain', buffer: Buffer.from(busy) })
  await expect(page.getByTestId('rpm')).toContainText('299.6')
  await expect(page.getByLabel('Channel')).toHaveValue('INDEX')
  await page.getByLabel('Channel').selectOption('STEP')
  await expect(page.getByTestId('rpm')).not.toContainText('299.6')
  await page.getByLabel('Channel').selectOption('INDEX')
  await page.getByLabel('Pulses a revolution').fill('2')
  await page.getByLabel('Pulses a revolution').blur()
  await expect(page.getByTestId('rpm')).toContainText('149.8')
})

test('a sound-card recording is read', async ({ page }) => {
  const rate = 8000
  const samples = Array.from({ length: rate * 12 }, (_, i) =>
    Math.round(20_000 * Math.exp(-((i / rate) % 0.2) / 0.002)),
  )
  const wav = new wavefile.WaveFile()
  wav.fromScratch(1, rate, '16', samples)
  await page.goto('/instruments/speed')
  await openRecording(page, { name: 'pickup.wav', mimeType: 'audio/wav', buffer: Buffer.from(wav.toBuffer()) })
  await expect(page.getByTestId('rpm')).toContainText('300.0')
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await expect(page.getByText('Pulses on "sound" point up.')).toBeVisible()
})

test('the kind of drive and the school decide the call', async ({ page }) => {
  await page.goto('/instruments/speed')
  await openRecording(page, recording('a.vcd', { rpm: 303.2 }))
  await expect(page.getByTestId('call')).toContainText('this workshop leaves that alone')
  await page.getByLabel('Drive type').selectOption('3in')
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await page.goto('/workshop')
  await page.getByText('Adjust to nominal', { exact: true }).click()
  await page.getByRole('button', { name: 'Keep these settings' }).click()
  await expect(page.getByText('Workshop settings are kept.')).toBeVisible()
  await page.goto('/instruments/speed')
  await openRecording(page, recording('a.vcd', { rpm: 303.2 }))
  await expect(page.getByTestId('call')).toContainText('Nudge it')
  await page.goto('/workshop')
  await page.getByText('Leave alone', { exact: true }).click()
  await page.getByRole('button', { name: 'Keep these settings' }).click()
  await expect(page.getByText('Workshop settings are kept.')).toBeVisible()
})

test('times without a unit can be told theirs', async ({ page }) => {
  const rows = Array.from({ length: 100 }, (_, i) => `${i * 200},0\n${i * 200 + 4},1`).join('\n')
  await page.goto('/instruments/speed')
  await openRecording(page, {
    name: 'times.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`t,INDEX\n-4,1\n${rows}\n`),
  })
  await expect(page.getByText('The time column states no unit')).toBeVisible()
  await page.getByLabel('Times are in').selectOption('ms')
  await expect(page.getByTestId('rpm')).toContainText('300.0')
})

test('with the pulleys known, the seam in the belt gets its name', async ({ page }) => {
  await page.goto('/instruments/speed')
  await openRecording(
    page,
    recording('seam.vcd', { rpm: 300.4, ripples: [{ cyclesPerTurn: (Math.PI * 62) / 269.12, peakPercent: 3 }] }),
  )
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await expect(page.getByTestId('call')).toContainText('nothing that varies faster than 2.5 Hz')
  await page.getByText('Pulleys, where known').click()
  for (const [label, mm] of [
    ['Motor pulley, mm', '9'],
    ['Flywheel, mm', '62'],
    ['Belt length, mm', '269.12'],
  ] as const) {
    await page.getByLabel(label).fill(mm)
    await page.getByLabel(label).blur()
  }
  await expect(page.getByTestId('call')).toContainText('Mend it')
  await expect(page.getByTestId('call')).toContainText('belt, by its alias')
})

test('a standalone reading is filed to a drive', async ({ page }) => {
  await page.goto('/instruments/speed')
  await openRecording(page, recording('loose.vcd', { rpm: 300.2 }))
  await page.getByRole('button', { name: 'Save to a drive…' }).click()
  await page.getByLabel('Drive', { exact: true }).selectOption({ label: 'SK-17 · 5.25-inch, 96 tpi' })
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page).toHaveURL(/station=speed/)
  await expect(page.getByTestId('entry').first()).toContainText('loose.vcd')
})

test('the strobe companion counts bars, times the creep and prints a disc', async ({ page, request }) => {
  await page.goto('/instruments/strobe')
  await expect(page.getByTestId('bars')).toContainText('20')
  await page.getByLabel('Speed, r/min').fill('45')
  await expect(page.getByTestId('bars')).toContainText('45.11 r/min')
  await page.getByLabel('Speed, r/min').fill('300')
  const tap = page.getByRole('button', { name: /bar passe/ })
  for (let i = 0; i < 4; i++) {
    await tap.click()
    await page.waitForTimeout(300)
  }
  await expect(page.getByTestId('creep-rpm')).toContainText(/30\d\.\d\d/)
  const href = await page.getByRole('link', { name: 'PDF to print' }).getAttribute('href')
  const pdf = await (await request.get(href!)).body()
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  await page.getByLabel('Hole, mm').fill('99')
  await expect(page.getByRole('alert')).toContainText('a hole of 99 mm; expected 0 to 90 mm')
})
