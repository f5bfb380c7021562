import { expect, receive, test } from './support'

test('an adjuster is swept: the next position is proposed until the middle is known; a wrong try is struck out', async ({ page }) => {
  await page.goto('/instruments/sweep')
  await expect(page.getByTestId('call')).toContainText('No position was tried')
  const head = (p: number, from: number, to: number) => p > from && p < to ? '11' : '0'
  const enter = async (p: number) => {
    await page.getByLabel('Position, marks').fill(String(p))
    await page.getByLabel('Lower head read').fill(head(p, -3, 4))
    await page.getByLabel('Upper head read').fill(head(p, -2, 5))
    await page.getByRole('button', { name: 'Tried it' }).click()
  }
  for (const p of [-10, 0, 10]) await enter(p)
  await expect(page.getByTestId('call')).toContainText('Try')
  await page.getByLabel('Lower head read').fill('12')
  await page.getByRole('button', { name: 'Tried it' }).click()
  await expect(page.getByTestId('problem')).toContainText('“12” sectors on the lower head cannot be: 0 to 11')
  for (let i = 0; i < 14 && !(await page.getByTestId('call').textContent())!.includes('Nudge it'); i++) await enter(Number(await page.getByLabel('Position, marks').inputValue()))
  await expect(page.getByTestId('call')).toContainText('Nudge it')
  // Both read from −2 to 4: the middle is 1.
  const middle = Number(/middle is (-?[\d.]+)/.exec((await page.getByTestId('call').textContent())!)![1])
  expect(Math.abs(middle - 1)).toBeLessThan(0.6)
  await page.getByRole('button', { name: 'Strike out: position 0', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Take in again: position 0', exact: true })).toBeVisible()
})

test('the instruments of Align stand at their station', async ({ page }) => {
  await receive(page, '5.25in-48')
  await page.keyboard.press('9')
  const here = page.getByRole('region', { name: 'Instruments here' })
  await here.getByRole('tab', { name: 'Track zero' }).click()
  await here.getByLabel('Height of this tab').fill('6.5')
  await here.getByLabel('Height it should have').fill('6')
  await here.getByLabel('Pitch of the tracks').fill('0.529')
  await expect(here.getByTestId('call')).toContainText('too high: the sensor trips 0.945 cylinders early')
})
