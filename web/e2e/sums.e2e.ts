import { expect, receive, test } from './support'

const SIZES = [
  ['Motor pulley', '9'],
  ['Flywheel', '62'],
  ['Between centres', '2 3/4 in'],
  ['Belt section', '1,2'],
] as const

test('the belt is judged as it is typed, drawn to scale, and filed to a drive', async ({ page }) => {
  const tag = await receive(page, '5.25in-48')
  await page.goto('/instruments')
  // Search comes first, by what one wants to know.
  await page.getByLabel('What do you want to know?').fill('rubber slips')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/instruments\/belt$/)
  // Never empty: a worked example stands there until the first value is typed, and is not saved.
  await expect(page.getByTestId('example')).toContainText('Stretched by 6.7 %, it is snug.')
  await page.getByLabel(SIZES[0][0]).fill(SIZES[0][1])
  await expect(page.getByTestId('example')).toBeHidden()
  await expect(page.getByText('Still needed: flywheel, between centres, belt section.')).toBeVisible()
  for (const [label, value] of SIZES) await page.getByLabel(label).fill(value)
  await expect(page.getByTestId('call')).toContainText('A belt of 248.8 mm inside length is the one to order.')
  await expect(page.getByRole('img', { name: 'The belt’s path, to scale' })).toBeVisible()
  await page.getByLabel('One at hand, inside length').fill('236')
  await expect(page.getByTestId('call')).toContainText('Stretched by 10.6 %, it is too tight')
  await page.getByLabel('Between centres').fill('30')
  await expect(
    page.getByText('Pulleys of 9 and 62 mm overlap at 30 mm between centres; expected more than 35.5 mm.'),
  ).toBeVisible()
  await page.getByLabel('Between centres').fill('70')
  await page.getByLabel('Motor pulley').fill('big')
  await expect(page.getByText(/“big” cannot be read as motor pulley; expected millimetres or inches/)).toBeVisible()
  await page.getByLabel('Motor pulley').fill('9')
  await page.getByLabel('Motor pulley').blur()
  await page.keyboard.press('a')
  await expect(page.getByTestId('across')).toContainText('Mend it')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Save to a drive…' }).click()
  await page.getByLabel('Drive', { exact: true }).selectOption({ label: `${tag} · 5.25-inch, 48 tpi` })
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Belt to order, inside:')
  // There it starts from what was kept, and gives its sizes to Speed.
  await expect(page.getByLabel('Motor pulley')).toHaveValue('9')
  await page.getByRole('button', { name: 'Give the sizes to Speed' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('pulleys: motor 10.2 mm, flywheel 63.2 mm, belt 265')
})

test('the instruments of Electronics stand at their station and put their answer on the log', async ({ page }) => {
  await receive(page, '5.25in-serial')
  await page.keyboard.press('6')
  await page.getByRole('tab', { name: 'Capacitor' }).click()
  await page.getByLabel('Marked value').fill('10u')
  await page.getByLabel('It reads').fill('1.22u')
  await page.getByLabel('Measured').selectOption('in circuit')
  await expect(page.getByTestId('call')).toContainText(
    'It reads 12 % of its mark: dead, even allowing for the circuit round it.',
  )
  await page.getByRole('button', { name: 'Save to log' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Capacitor, 10 µF: 1.22 µF')
  await page.getByRole('tab', { name: 'Sensors' }).click()
  await page.getByLabel('Detector current, lit').fill('0.3 mA')
  await page.getByLabel('Pull-up').fill('22')
  await expect(page.getByRole('status').filter({ hasText: 'is that the unit you meant?' })).toBeVisible()
  await page.getByLabel('Pull-up').fill('22k')
  await expect(page.getByRole('status').filter({ hasText: 'is that the unit you meant?' })).toBeHidden()
  await page.getByRole('tab', { name: 'Switches' }).click()
  await page.getByLabel('A to B, at rest').selectOption('closed')
  await expect(page.getByTestId('call')).toContainText('Measure B to C at rest.')
  await page.getByLabel('B to C, at rest').selectOption('open')
  await page.getByLabel('B to C, pressed').selectOption('closed')
  await page.getByLabel('A to C, pressed').selectOption('open')
  await expect(page.getByTestId('call')).toContainText('Changeover: common is B, normally closed A, normally open C.')
})
