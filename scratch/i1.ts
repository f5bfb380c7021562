export default async ({ page, address, drive, shot }: any) => {
  await page.goto(address + '/instruments'); await page.waitForTimeout(1200); await shot('i1')
  await page.getByRole('searchbox').fill('jumper'); await page.waitForTimeout(400); await shot('i2')
  await page.goto(address + '/instruments/capacitor'); await page.waitForTimeout(1200); await shot('i3')
  await page.goto(address + '/instruments/switch'); await page.waitForTimeout(1200); await shot('i4')
  for (const id of ['speed', 'read-test', 'write-test', 'wire', 'sweep', 'scope', 'blame', 'reading', 'strobe']) {
    await page.goto(address + '/instruments/' + id); await page.waitForTimeout(2500); await shot('p-' + id)
  }
}
