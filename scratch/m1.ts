export default async ({ page, address, drive, shot }: any) => {
  await page.goto(address + drive('SK-20') + '?view=model')
  await page.waitForTimeout(2000)
  await shot('m1', true)
  await page.getByRole('button', { name: /Borrow this value: IC2/ }).click()
  await page.waitForTimeout(800)
  await page.setViewportSize({ width: 820, height: 1180 })
  await page.waitForTimeout(500)
  await shot('m2')
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(address + drive('SK-20'))
  await page.waitForTimeout(1500)
  await shot('m3')
}
