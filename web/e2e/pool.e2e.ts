import { expect, test } from './support'

test('the shelf says which drive takes which part of which, and what is to be tested first', async ({ page }) => {
  const answer = (await (await page.request.get('/api/pool')).json()) as {
    name: string
    pool: { works: { drive: string; from: Record<string, string> }[] }
  }[]
  await page.goto('/shelf')
  const section = page.getByRole('region', { name: 'Which of these make one?' })
  await expect(section.getByRole('article')).toHaveCount(answer.length)
  expect(answer.length).toBeGreaterThan(0)
  for (const { name, pool } of answer) {
    const model = section.getByRole('article', { name })
    for (const { drive, from } of pool.works) {
      await expect(model.getByRole('link', { name: drive, exact: true })).toBeVisible()
      for (const [part, donor] of Object.entries(from)) {
        await expect(model).toContainText(`takes the ${part} of`)
        await expect(model.getByRole('link', { name: donor, exact: true }).first()).toBeVisible()
        expect(pool.works.map(w => w.drive)).not.toContain(donor)
      }
    }
  }
})
