import { expect, receive, test } from './support'

const idIn = (url: string) => url.match(/drives\/([0-9a-f-]{36})/)![1]!

test('a whole drive is replaced: its complaint and what was noted go on to the other one, and both say so', async ({
  page,
}) => {
  const old = await receive(page, '3.5in')
  const oldId = idIn(page.url())
  const other = await receive(page, '3.5in')
  const otherId = idIn(page.url())
  const log = async (id: string, what: string, fields: object) => {
    const data = { id: crypto.randomUUID(), at: new Date().toISOString(), ...fields }
    const sent = await page.request.post(`/api/drives/${id}/${what}`, { data })
    expect(sent.ok(), await sent.text()).toBe(true)
  }
  await log(oldId, 'readings', { key: 'complaint.no-spin', value: 'seen', source: 'said' })
  await log(oldId, 'log', { kind: 'as-found', station: 'open', item: { kind: 'screw', name: 'Bracket screws' } })
  await log(oldId, 'log', { kind: 'as-found', station: 'open', item: { kind: 'solder', name: 'Motor lead' } })

  await page.goto(`/drives/${oldId}?view=parts`)
  await page.getByRole('button', { name: 'Replace the whole drive…' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('does not turn')
  await expect(dialog.getByLabel('Screw: Bracket screws')).toBeChecked()
  await expect(dialog.getByLabel('Solder point: Motor lead')).not.toBeChecked()
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  await expect(dialog.getByRole('alert')).toContainText('Choose the drive')
  await dialog.getByLabel('Drive that goes in').selectOption(otherId)
  await dialog.getByRole('button', { name: 'Save to log' }).click()
  const band = page.getByTestId('exchange')
  await expect(band).toContainText(`${other} has its place`)
  await band.getByRole('link', { name: other }).click()

  await expect(page).toHaveURL(new RegExp(otherId))
  await expect(band).toContainText(`In the place of ${old}`)
  await expect(page.getByRole('region', { name: 'Complaints' })).toContainText('not tried here')
  await page.goto(`/drives/${otherId}?station=prove`)
  await expect(page.getByText('Screw: Bracket screws').first()).toBeVisible()
  await expect(page.getByText('Solder point: Motor lead')).toHaveCount(0)
  for (const [id, says] of [
    [oldId, `${other} has its place`],
    [otherId, `in the place of ${old}`],
  ] as const) {
    await page.goto(`/drives/${id}/certificate`)
    await expect(page.getByText(says)).toBeVisible()
  }
})
