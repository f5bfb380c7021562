export default async ({ page, address, drive, shot }: any) => {
  await page.goto(address + drive('SK-20')); await page.waitForTimeout(1500)
  const url = page.url()
  await page.keyboard.press('/'); await page.waitForTimeout(500); await page.keyboard.type('sk'); await page.waitForTimeout(600)
  await page.mouse.click(20, 780); await page.waitForTimeout(800)
  console.log('outside: stays', page.url() === url, await page.getByRole('dialog').count())
  await page.keyboard.press('/'); await page.waitForTimeout(500); await page.keyboard.type('sk'); await page.waitForTimeout(600)
  await page.getByRole('option').nth(2).click(); await page.waitForTimeout(1000)
  console.log('option: moved', page.url() !== url)
  await page.goto(url); await page.waitForTimeout(1500)
  await page.keyboard.press('/'); await page.waitForTimeout(500); await page.keyboard.type('strobe'); await page.waitForTimeout(600)
  await page.keyboard.press('Enter'); await page.waitForTimeout(1000)
  console.log(page.url())
}
