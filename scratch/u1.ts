export default async ({ page, address, drive, shot }: any) => {
  await page.goto(address + '/instruments/unknown-straps')
  await page.waitForTimeout(1200)
  console.log(await page.locator('label').allTextContents())
  await page.locator('input.field').first().fill('A, B, C, D')
  await page.waitForTimeout(500)
  await page.getByLabel('Straps that are set, row 1').fill('A')
  await page.getByLabel('Answering, row 1').selectOption('right')
  await page.getByLabel('Disk change, row 1').selectOption('missing')
  await page.waitForTimeout(500)
  await shot('u1')
}
