import { expect, test } from './support'

interface Model {
  readonly name: string
  readonly makes: readonly {
    readonly drive: { readonly tag: string }
    readonly takes: readonly { readonly label: string; readonly from: { readonly tag: string } }[]
  }[]
}

test('the shelf says which drive takes which part of which, and what is to be tested first', async ({ page }) => {
  const answer = (await (await page.request.get('/api/pool')).json()) as Model[]
  await page.goto('/shelf?view=pool')
  const section = page.getByRole('region', { name: 'Which of these make one?' })
  await expect(section.getByRole('article')).toHaveCount(answer.length)
  // Two broken ones make one: the gears and the housing of a drive whose heads are torn.
  const eject = answer.find(m => m.name.includes('Staithe E80'))!
  expect(eject.makes.map(w => w.drive.tag)).toEqual(['SK-10'])
  for (const { name, makes } of answer) {
    const model = section.getByRole('article', { name })
    for (const { drive, takes } of makes) {
      await expect(model.getByRole('link', { name: drive.tag, exact: true })).toBeVisible()
      for (const { label, from } of takes) {
        await expect(model).toContainText(`takes the ${label} of`)
        await expect(model.getByRole('link', { name: from.tag, exact: true }).first()).toBeVisible()
        expect(makes.map(w => w.drive.tag)).not.toContain(from.tag)
      }
    }
  }
})
