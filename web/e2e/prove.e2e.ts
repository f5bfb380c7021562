import { expect, receive, test } from './support'

test('the ladder of claims says what is proved, plans the shortest way, and counts with a bound', async ({ page }) => {
  await receive(page, '3.5in')
  await page.keyboard.press('0')
  const ladder = page.getByRole('region', { name: 'What may be claimed' })
  await expect(ladder.getByTestId('call')).toContainText('Nothing is verified yet. First: speed.')
  await expect(ladder.getByTestId('plan')).toContainText(
    '7 tests, about 45 min with a sacrificial disk, then a reference disk',
  )
  await ladder.getByLabel('What the owner needs').selectOption({ label: 'A spare: that it is alive' })
  await expect(ladder.getByTestId('plan')).toContainText('2 tests, about 10 min')
  await ladder.getByLabel('What the owner needs').selectOption({ label: 'To exchange disks with other drives' })
  await ladder
    .getByRole('listitem')
    .filter({ hasText: 'Format the whole disk' })
    .getByRole('button', { name: 'Count it' })
    .click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Sectors tried').fill('1440')
  await expect(dialog.getByTestId('bound')).toContainText('At most 0.21 %')
  await dialog.getByLabel('Of these, failed').fill('2000')
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(dialog.getByRole('alert')).toContainText('2000 of 1440 sectors cannot have failed')
  await dialog.getByLabel('Of these, failed').fill('0')
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(ladder).toContainText(
    '1 440 sectors without an error: fewer than 1 in 480 fail (95 % sure). The sectors of one disk are not independent: it is one disk, and one trial of it. Source: the host’s own program.',
  )
  await ladder
    .getByRole('listitem')
    .filter({ hasText: 'Take the disk that it wrote to a verified drive' })
    .getByRole('button', { name: 'Count it' })
    .click()
  await dialog.getByLabel('Sectors tried').fill('1440')
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(dialog.getByRole('alert')).toContainText('the drive that read it is left out')
  await dialog.getByLabel('Read in which drive').selectOption({ label: 'SK-15' })
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(ladder).toContainText('Its writing, in a verified drive.')
})
