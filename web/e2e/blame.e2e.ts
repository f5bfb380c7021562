import { expect, test } from './support'

test('who is to blame: the demo’s head off track, a read counted by hand, and a file', async ({ page }) => {
  await page.goto('/instruments')
  await page.getByRole('link', { name: 'Disk or drive' }).click()
  const bench = page.getByRole('region', { name: 'Disk or drive?' })
  await expect(bench.getByTestId('call')).toContainText('A head off track: SK-09, upper head, with over 99 %.')
  await expect(page.getByRole('region', { name: 'It may be' })).toContainText('Boathouse box, unmarked')
  const form = page.getByRole('region', { name: 'A read, counted by hand' })
  await form.getByLabel('Disk').selectOption({ label: 'Boathouse box, unmarked' })
  await form.getByLabel('In drive').selectOption({ label: 'SK-15' })
  await form.getByLabel('Lower head, inner').fill('12')
  await form.getByRole('button', { name: 'Save to log' }).click()
  await expect(form.getByRole('alert')).toContainText('lower head, inner: 12 of 9 sectors cannot have read')
  await form.getByLabel('Lower head, inner').fill('1')
  await form.getByLabel('Lower head, outer').fill('8')
  await form.getByRole('button', { name: 'Save to log' }).click()
  await expect(bench.getByRole('row', { name: /Boathouse box/ })).toContainText('9 of 18')
  await expect(form.getByLabel('Lower head, inner')).toHaveValue('')

  const csv = (text: string) => ({ name: 'bench.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.getByTestId('blame-csv').setInputFiles(csv('disk,writer,drive,head,zone,good,sectors\nA,B,C,0,rim,1,9\n'))
  await expect(page.getByRole('alert')).toContainText('bench.csv, line 2: there is no zone “rim”')
  const dead = ['A', 'B'].flatMap(d =>
    ['R', 'S'].flatMap(r =>
      [0, 1].flatMap(h =>
        ['outer', 'middle', 'inner'].map(z => `${d},duplicator,${r},${h},${z},${r === 'S' && h ? 0 : 9},9`),
      ),
    ),
  )
  await page.getByTestId('blame-csv').setInputFiles(csv(`disk,writer,drive,head,zone,good,sectors\n${dead.join('\n')}`))
  await expect(bench.getByTestId('call')).toContainText('It is S, upper head: a dead head')
  await page.getByRole('button', { name: 'Back to the workshop’s own' }).click()
  await expect(bench.getByTestId('call')).toContainText('SK-09')
})
