import { randomUUID } from 'node:crypto'
import { expect, receive, test } from './support'

const id = (url: string) => /drives\/([^/?]+)/.exec(url)![1]!

test('a bench day begins what soaks, keeps to the minutes, and follows what is entered', async ({ page }) => {
  await receive(page, '3in')
  const drive = id(page.url())
  const say = (body: object) =>
    page.request.post(`/api/drives/${drive}/log`, {
      data: { id: randomUUID(), at: new Date().toISOString(), station: 'clean', ...body },
    })
  const { tag } = (await (await page.request.get(`/api/drives/${drive}`)).json()).drive as { tag: string }

  await page.goto('/')
  await page.getByRole('link', { name: 'Plan the day' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Bench day' })).toBeVisible()
  await expect(page.getByRole('img', { name: /Time line of 90 minutes/ })).toBeVisible()
  const order = page.getByRole('region', { name: 'In this order' }).getByRole('listitem')
  await expect(order.first()).toBeVisible()
  const minutesIn = async () => {
    const said = await order.locator('> span:last-child').allTextContents()
    return said.filter(s => !s.startsWith('wait')).reduce((sum, s) => sum + Number.parseInt(s), 0)
  }
  const full = await minutesIn()
  expect(full).toBeGreaterThan(60)
  expect(full).toBeLessThanOrEqual(90)

  await page.getByLabel('Minutes today').fill('30')
  await expect(page.getByRole('img', { name: /Time line of 30 minutes/ })).toBeVisible()
  await expect.poll(minutesIn).toBeLessThanOrEqual(30)

  // Two people get twice as much done in the same time, where supplies do not keep them apart.
  await page.getByLabel('People').fill('2')
  await page.getByLabel('Power supplies').fill('4')
  await expect.poll(minutesIn).toBeGreaterThan(30)

  await page.getByLabel('Minutes today').fill('0')
  await expect(page.getByRole('alert')).toContainText('a whole number 5 to 1440')
  await page.getByLabel('Minutes today').fill('30')

  // A wait that was begun on another screen is in the next plan.
  const said = await say({ kind: 'wait', title: 'Oil soaking in', minutes: 720 })
  expect(said.ok(), await said.text()).toBe(true)
  await page.reload()
  await expect(page.getByTestId('later')).toContainText(tag)
  await expect(page.getByTestId('later')).toContainText('Oil soaking in')
  await expect(page.getByRole('region', { name: 'In this order' })).not.toContainText(`${tag} `)
})
