import { AxeBuilder } from '@axe-core/playwright'
import { readFile } from 'node:fs/promises'
import { expect, test } from './support'
import type { Page } from '@playwright/test'

/** Receives a drive of a model of its own by the same route that the page uses. */
async function received(page: Page, tag: string, model: string): Promise<string> {
  const answer = await page.request.post('/api/drives', {
    data: { id: crypto.randomUUID(), tag, mechanism: '3.5in', maker: 'Staithe', model, complaints: [], ownerWords: '' },
  })
  expect(answer.ok()).toBe(true)
  return ((await answer.json()) as { id: string }).id
}

test('an identical drive is found by itself; what differs at a test point is evidence, and a value is borrowed', async ({
  page,
}) => {
  const model = `Z${Date.now() % 1_000_000}`
  const good = await received(page, `G-${model}`, model)
  const put = (drive: string, key: string, value: string | number, of?: number) =>
    page.request.post(`/api/drives/${drive}/readings`, {
      data: { id: crypto.randomUUID(), at: new Date().toISOString(), key, value, ...(of ? { of } : {}) },
    })
  await put(good, 'read.lower.outer', 18, 18)
  const bad = await received(page, `B-${model}`, model.toLowerCase())
  await put(bad, 'complaint.change-unseen', 'seen')

  // The sheet is filled by one drive …
  await page.goto(`/drives/${good}?view=model`)
  const form = page.getByTestId('point-form')
  await form.getByLabel('Test point').fill('IC2 pin 8')
  await form.getByLabel('State of the drive').fill('disk taken out')
  await form.getByLabel('Reads here').fill('0.15')
  await form.getByLabel('Part that it tells of (optional)').selectOption('line-driver')
  await form.getByRole('button', { name: 'Add test point' }).click()
  const table = page.getByTestId('compare')
  await expect(table.getByRole('row', { name: /IC2 pin 8/ })).toContainText('0.15 V')
  const memory = page.getByTestId('memory')
  await memory.getByLabel('Text').fill('Four screws at the sides.')
  await memory.getByRole('button', { name: 'Add' }).first().click()
  await expect(memory).toContainText('Four screws at the sides.')

  // … and offered to the next.
  const sharesOf = async () => {
    const { causes } = (await (await page.request.get(`/api/drives/${bad}/diagnosis`)).json()) as {
      causes: { fault: string; probability: number }[]
    }
    return causes.filter(c => c.fault.startsWith('line-driver.')).reduce((s, c) => s + c.probability, 0)
  }
  const before = await sharesOf()
  await page.goto(`/drives/${bad}`)
  await page.getByRole('link', { name: 'Model' }).click()
  await expect(page.getByTestId('beside-drive')).toContainText('Same model · reads all that was tried')
  await expect(memory).toContainText('Four screws at the sides.')
  const row = table.getByRole('row', { name: /IC2 pin 8/ })
  await row.getByLabel(/on this drive, V/).fill('4.8')
  await row.getByRole('button', { name: 'Save' }).click()
  await expect(row).toContainText('differs')
  await expect(row).toHaveAttribute('data-differs', 'true')
  expect(await sharesOf()).toBeGreaterThan(1.5 * before)
  await row.getByRole('button', { name: /Borrow this value/ }).click()
  await expect(row).toContainText(`expected 0.15 V, from G-${model}`)

  // Out as JSON and in again, with a wrong file refused in one sentence and nothing lost.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    memory.getByRole('button', { name: 'Export sheet' }).click(),
  ])
  const sheet = JSON.parse(await readFile((await download.path())!, 'utf8')) as { memory: { text: string }[] }
  expect(sheet).toMatchObject({ format: 'wobrin-model-sheet', points: [{ name: 'IC2 pin 8' }] })
  const file = (content: string) => ({ name: 'sheet.json', mimeType: 'application/json', buffer: Buffer.from(content) })
  await page.getByTestId('sheet-file').setInputFiles(file('{"format":"wobrin-model-sheet","version":1}'))
  await expect(page.getByRole('alert').or(page.getByRole('status')).filter({ hasText: 'sheet.json' })).toBeVisible()
  await expect(memory).toContainText('Four screws at the sides.')
  const more = { ...sheet, memory: [...sheet.memory, { topic: 'traps', text: 'Mind the ribbon.', from: '' }] }
  await page.getByTestId('sheet-file').setInputFiles(file(JSON.stringify(more)))
  await expect(memory).toContainText('Mind the ribbon.')
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag22aa']).analyze()
  expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join(', ')}`)).toEqual([])
})
