import { AxeBuilder } from '@axe-core/playwright'
import { expect, receive, test } from './support'
import type { Page } from '@playwright/test'

/** Makes all safety looks that are asked for before power and before a disk, as all fine. */
async function safetyLooks(page: Page): Promise<void> {
  const sheet = page.getByRole('dialog', { name: /Safety looks/ })
  await page.keyboard.press('s')
  await sheet.getByRole('checkbox').check()
  await sheet.getByRole('button', { name: 'Each measured, continuity checked' }).click()
  await sheet.getByRole('button', { name: /^All fine: log \d/ }).click()
  // The next gate follows on the same sheet; behind the last one it closes by itself.
  await expect(sheet.getByRole('heading', { name: 'Safety looks: a disk in' })).toBeVisible()
  await sheet.getByRole('button', { name: /^All fine: log \d/ }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
}

test('the bench test: expected beside seen, by digit, number and level, and what it comes to', async ({ page }) => {
  await receive(page, '3.5in', 'Shows the files of the last disk.', 'case')
  await page.getByRole('link', { name: 'Bench test' }).click()
  const list = page.getByTestId('bench-test')
  const point = page.getByTestId('point')
  const row = (name: string) => list.getByRole('button', { name: new RegExp(`^${name}`) })
  // Nothing is tried behind a closed gate.
  await expect(point).toContainText('Safety gate “first power” is closed')
  await safetyLooks(page)
  await expect(point).toContainText('5 V at the drive')
  await point.getByLabel('Value, V').fill('5.02')
  await point.getByRole('button', { name: 'Save reading' }).click()
  await expect(row('5 V at the drive')).toContainText('5.02 V')
  // An answer leads on to the next point.
  await expect(point).toContainText('Select')
  await page.keyboard.press('1')
  await expect(row('Select')).toHaveAttribute('data-state', 'right')
  // Lamp, spin and homing were told with the safety looks, and are not asked again.
  await expect(row('Lamp')).toHaveAttribute('data-state', 'right')
  await expect(point).toContainText('Motor off')
  await page.keyboard.press('0')
  await expect(row('Motor off')).toContainText('could not try')

  await row('Disk change, no disk').click()
  await expect(point).toContainText('Stays active: only a step with a disk in clears it')
  await page.keyboard.press('2')
  await expect(row('Disk change, no disk')).toHaveAttribute('data-state', 'wrong')
  await expect(list).toContainText('1 wrong')
  await expect(page.getByTestId('suspects').getByRole('listitem').first()).toContainText('The disk-in switch sticks')

  // A meter tells the same by two levels.
  await row('Ready').click()
  await point.getByLabel('disk in, turning, V').fill('0.2')
  await point.getByLabel('no disk, V').fill('0.3')
  await point.getByRole('button', { name: 'Save levels' }).click()
  await expect(point.getByLabel('no disk, V')).toHaveAttribute('placeholder', '0.3')
  const drive = page.url().match(/drives\/([0-9a-f-]{36})/)![1]!
  const { causes } = (await (await page.request.get(`/api/drives/${drive}/diagnosis`)).json()) as {
    causes: { fault: string }[]
  }
  expect(causes.map(c => c.fault)).toContain('line-driver.shorted:ready')

  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag22aa']).analyze()
  expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join(', ')}`)).toEqual([])
})

test('F goes on to the next question after the last one, and Esc closes at the first press', async ({ page }) => {
  await receive(page, '5.25in-48', 'Squeaks.')
  const sheet = page.getByRole('dialog', { name: 'What did you find?' })
  const asked: string[] = []
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press('f')
    await expect(sheet.getByRole('heading', { name: 'What did you find?' })).toBeVisible()
    asked.push((await sheet.getByRole('group').first().textContent())!)
    await page.keyboard.press('1')
    const skip = sheet.getByRole('button', { name: 'Skip location' })
    // A finding that is somewhere asks where; any other closes the dialog.
    await expect(async () => {
      if (await skip.isVisible()) await skip.click()
      expect(await page.getByRole('dialog').count()).toBe(0)
    }).toPass()
  }
  expect(new Set(asked).size).toBe(4)
  await page.keyboard.press('/')
  await page.getByRole('dialog').getByRole('combobox').fill('strobe')
  await expect(page.getByRole('option').first()).toContainText('Strobe')
  const before = page.url()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect(page.url()).toBe(before)
})

test('a wait holds what it is for, and says what that is', async ({ page }) => {
  await receive(page, '3.5in', 'Reads nothing.')
  await page.keyboard.press('w')
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByTestId('holds')).toContainText('It holds: ')
  await dialog.getByLabel('Another wait').fill('Answer of the owner')
  await dialog.getByLabel('It holds').selectOption({ label: 'the whole drive' })
  await expect(dialog.getByTestId('holds')).toContainText('the whole drive')
  await dialog.getByRole('button', { name: 'Start it' }).click()
  await expect(page.getByTestId('entry').first()).toContainText('Answer of the owner')
})
