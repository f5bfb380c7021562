export default async ({ page, address, drive, shot }: any) => {
  const open = async (name: string, how: () => Promise<void>) => {
    await how(); await page.waitForTimeout(700)
    const before = await page.getByRole('dialog').count()
    await page.keyboard.press('Escape'); await page.waitForTimeout(500)
    console.log(name, 'open', before, 'after one Esc', await page.getByRole('dialog').count())
    if (await page.getByRole('dialog').count()) { await page.keyboard.press('Escape'); await page.waitForTimeout(400) }
  }
  await page.goto(address + drive('SK-20')); await page.waitForTimeout(1500)
  await open('find', async () => page.keyboard.press('/'))
  await open('find typed', async () => { await page.keyboard.press('/'); await page.waitForTimeout(300); await page.keyboard.type('sk') })
  await open('finding', async () => page.keyboard.press('f'))
  await open('finding typed', async () => { await page.keyboard.press('f'); await page.waitForTimeout(300); await page.keyboard.type('spin') })
  await open('note', async () => { await page.keyboard.press('n'); await page.waitForTimeout(300); await page.keyboard.type('abc') })
  await open('wait', async () => page.keyboard.press('w'))
  await open('keys', async () => page.keyboard.press('?'))
  await open('safety', async () => page.keyboard.press('s'))
  await open('across', async () => page.keyboard.press('a'))
  await open('edit', async () => page.getByRole('button', { name: /Edit drive data/ }).click())
  await page.goto(address + drive('SK-20') + '?station=clean'); await page.waitForTimeout(1500)
  await open('find st', async () => page.keyboard.press('f'))
  await page.keyboard.press('w'); await page.waitForTimeout(600); await shot('w')
  await page.goto(address + drive('SK-05') + '?station=align'); await page.waitForTimeout(1500)
}
