import { expect, openDrive, openRecording, receive, recording, test } from './support'

test('receiving says what is missing, suggests the next tag, and refuses one that is taken', async ({ page }) => {
  await page.goto('/drives/new')
  await expect(page.getByLabel('Tag', { exact: true })).toHaveValue(/\d+$/)
  await page.getByLabel('Tag', { exact: true }).fill('')
  await page.getByRole('button', { name: 'Receive it' }).click()
  await expect(page.getByText('Give it a tag, such as SK-21.')).toBeVisible()
  await expect(page.getByText('Choose the drive type.')).toBeVisible()
  await page.getByLabel('Tag', { exact: true }).fill('SK-05')
  await page.locator('[data-kind="3in"]').click()
  await expect(page.getByText('a loose write-protect pin that falls out')).toBeVisible()
  await page.getByLabel('What does it do wrong?').fill('Kept while the tag is changed.')
  await page.getByRole('button', { name: 'Receive it' }).click()
  await expect(page.getByText('the tag SK-05 is on another drive; expected a tag of its own.')).toBeVisible()
  await expect(page.getByLabel('What does it do wrong?')).toHaveValue('Kept while the tag is changed.')
})

test('facts are corrected, judged by, and written on the log', async ({ page }) => {
  await receive(page, '5.25in-96')
  await page.keyboard.press('8')
  await openRecording(page, recording('slow.vcd', { rpm: 300.3 }))
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await page.getByRole('button', { name: 'Edit drive data' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Nominal speed').selectOption({ label: '360 r/min' })
  await dialog.getByLabel('Motor pulley, mm').fill('9')
  await dialog.getByRole('button', { name: 'Keep these facts' }).click()
  await expect(dialog.getByText('Give the flywheel’s diameter.')).toBeVisible()
  await dialog.getByLabel('Flywheel, mm').fill('62')
  await dialog.getByRole('button', { name: 'Keep these facts' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByTestId('entry').first()).toContainText(
    'nominal speed: 360; pulleys: motor 9 mm, flywheel 62 mm',
  )
  await expect(page.getByTestId('call')).toContainText('Mend it')
})

test('an entry is taken back from the log, and a reading taken back teaches no more', async ({ page }) => {
  await receive(page, '5.25in-48')
  await page.keyboard.press('8')
  for (const [name, rpm, left] of [
    ['a.vcd', 317.5, false],
    ['wrong.vcd', 290, true],
  ] as const) {
    await openRecording(page, recording(name, { rpm }))
    if (left) await page.getByText('left', { exact: true }).click()
    await page.getByRole('button', { name: 'Save to log' }).click()
    await expect(page.getByTestId('entry').first()).toContainText(name)
  }
  await page.getByRole('button', { name: /^Take back: 290/ }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Taken back')
  await openRecording(page, recording('b.vcd', { rpm: 313.4 }))
  await page.getByText('left', { exact: true }).click()
  await expect(page.getByTestId('call')).toContainText('three eighths of a turn to the left')
})

test('a wait starts with one key, runs down on the bench, and is ended', async ({ page }) => {
  const tag = await receive(page, '8in')
  await page.keyboard.press('w')
  await page.getByRole('button', { name: /^Alcohol drying/ }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Waiting: Alcohol drying')
  await expect(page.getByRole('list', { name: 'Waiting' })).toContainText('until')
  await page.keyboard.press('w')
  await page.getByLabel('Another wait').fill('Degreaser on the rails')
  await page.getByLabel('For', { exact: true }).fill('2')
  await page.getByLabel('Unit').selectOption({ label: 'hours' })
  await page.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('2 h')
  const url = page.url()
  await page.goto('/')
  const waiting = page.getByRole('region', { name: 'Waiting' })
  await expect(waiting).toContainText('Oil soaking in')
  await expect(waiting.getByRole('link', { name: new RegExp(`${tag}.*Alcohol drying`) })).toBeVisible()
  await page.goto(url)
  await page.getByRole('button', { name: 'End it now' }).first().click()
  await expect(page.getByTestId('entry').first()).toContainText('Alcohol drying: over')
  await page.getByRole('button', { name: 'End it now' }).click()
  await expect(page.getByRole('list', { name: 'Waiting' })).toBeHidden()
})

test('a cartridge drive is quarantined, and its certificate warns', async ({ page }) => {
  const tag = await receive(page, 'cartridge', 'Clicks.')
  await page.keyboard.press('-')
  await page.getByText('Quarantine it', { exact: true }).first().click()
  await page.getByLabel(/Why: needed/).fill('It tears disks.')
  await page.getByRole('button', { name: 'Quarantine it' }).click()
  await expect(page.getByRole('heading', { name: 'Quarantined.' })).toBeVisible()
  await page.getByRole('link', { name: 'Certificate' }).click()
  await expect(page.getByText('nothing good goes into it')).toBeVisible()
  const json = page.waitForEvent('download')
  await page.getByRole('link', { name: 'JSON' }).click()
  expect((await json).suggestedFilename()).toBe(`${tag}-certificate.json`)
})

test('the dim theme is kept and comes back', async ({ page }) => {
  await page.goto('/workshop')
  await page.getByLabel('Light', { exact: true }).selectOption('dim')
  await page.getByRole('button', { name: 'Keep these settings' }).click()
  await expect(page.getByText('Workshop settings are kept.')).toBeVisible()
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim')
  await page.getByLabel('Light', { exact: true }).selectOption('day')
  await page.getByRole('button', { name: 'Keep these settings' }).click()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'day')
})

test('by ear: the tone starts when asked, follows the reading, and stops', async ({ page }) => {
  await page.addInitScript(() => {
    const made: OscillatorNode[] = []
    const Original = window.OscillatorNode
    Object.assign(window, { made })
    window.OscillatorNode = class extends Original {
      constructor(context: BaseAudioContext, options?: OscillatorOptions) {
        super(context, options)
        made.push(this)
      }
    }
  })
  await openDrive(page, 'SK-05')
  const button = page.getByRole('button', { name: 'By ear' })
  await expect(button).toHaveAttribute('aria-pressed', 'false')
  await page.keyboard.press('e')
  await expect(button).toHaveAttribute('aria-pressed', 'true')
  // SK-05 runs fast, so the pitch goes above the middle A.
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { made: OscillatorNode[] }).made[0]!.frequency.value))
    .toBeGreaterThan(500)
  await button.click()
  await expect(button).toHaveAttribute('aria-pressed', 'false')
})

test('the handbook gives every value its source, and opens at a mechanism', async ({ page }) => {
  await page.goto('/handbook#3in')
  await expect(page.getByRole('heading', { name: '3-inch hard case' })).toBeInViewport()
  const row = page.locator('#\\33 in tr', { hasText: 'Leave alone inside' })
  await expect(row).toContainText('290.0 to 310.0 r/min (± 10 r/min)')
  await expect(row).toContainText('common practice')
})

test('the main job by keyboard alone', async ({ page }) => {
  // Asked for early: the browser must know before the key that opens it.
  page.on('filechooser', () => {})
  await page.goto('/')
  await expect(page.getByRole('region', { name: 'Do next' })).toBeVisible()
  await page.keyboard.press('/')
  await expect(page.getByRole('combobox', { name: 'Find' })).toBeFocused()
  await page.keyboard.type('receive a drive')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Tag', { exact: true })).toBeVisible()
  // Drive types are radio buttons: arrows choose among them.
  await page.getByRole('radio').first().focus()
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('radio', { checked: true })).toHaveText('3.5-inch')
  await page.keyboard.press('Tab')
  await page.keyboard.type('Silent.')
  await expect(page.getByLabel('What does it do wrong?')).toHaveValue('Silent.')
  const receiving = page.getByRole('button', { name: 'Receive it' })
  for (let i = 0; i < 40 && !(await receiving.evaluate(b => b === document.activeElement)); i++)
    await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'What works' })).toBeVisible()
  // From the case to the stations.
  await page.keyboard.press('c')
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible()
  const chooser = page.waitForEvent('filechooser')
  await page.keyboard.press('m')
  await (await chooser).setFiles(recording('keys.vcd', { rpm: 300.1 }))
  await expect(page.getByTestId('call')).toContainText('Leave it')
  await page.getByRole('button', { name: 'Save to log' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('entry').first()).toContainText('keys.vcd')
})
