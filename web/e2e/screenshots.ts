/** Makes the pictures of docs/screenshots from the demo workshop: `npm run screenshots`, all or those named. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { seed } from '../../demo/src/seed'
import { serve } from '../../scripts/serve.mjs'

const folder = join(import.meta.dirname, '../../docs/screenshots')
/** A film that ffmpeg drew: see the script beside it. */
const FILM = join(import.meta.dirname, '../../core/test/fixtures/films/mark-60.webm')
const wanted = process.argv.slice(2)
const data = mkdtempSync(join(tmpdir(), 'wobrin-pictures-'))
const { child, address } = await serve({ port: 4188, host: '127.0.0.1', data })
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})

try {
  await seed(address)
  const { lines } = (await (await fetch(`${address}/api/bench`)).json()) as {
    lines: { drive: { id: string; tag: string } }[]
  }
  const drive = (tag: string) => `/drives/${lines.find(l => l.drive.tag === tag)!.drive.id}`
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const picture = async (name: string, path: string, prepare?: (page: Page) => Promise<unknown>) => {
    if (wanted.length && !wanted.includes(name)) return
    await page.goto(address + path, { waitUntil: 'load' })
    await page
      .getByRole('heading', { level: 1 })
      .first()
      .waitFor({ timeout: 10_000 })
      .catch(() => {})
    await page.waitForTimeout(700)
    await prepare?.(page)
    await page.waitForTimeout(400)
    await page.screenshot({ path: join(folder, `${name}.png`) })
    console.log(name)
  }
  await picture('bench', '/')
  await picture('drive-speed', `${drive('SK-05')}?station=speed`)
  await picture('case', `${drive('SK-20')}?view=case`, p => p.getByTestId('suspects').waitFor())
  await picture('shelf', '/shelf?view=wanted')
  await picture('host-fit', '/instruments/host-fit')
  await picture('across-the-bench', '/instruments/speed', async p => {
    await p.getByRole('button', { name: 'Use the simulated pickup' }).click()
    await p.waitForTimeout(4500)
    await p.getByRole('button', { name: '⅛ turn to the left' }).click()
    await p.waitForTimeout(4500)
    await p.keyboard.press('a')
  })
  await picture('read-test', '/instruments/read-test', async p => {
    await p.getByRole('button', { name: 'Read its disk' }).click()
    await p.getByRole('button', { name: 'Save to a drive…' }).waitFor()
  })
  await picture('wire', '/instruments/wire', async p => {
    await p.getByRole('button', { name: 'Not selected' }).click()
    await p.getByRole('button', { name: 'Motor off' }).click()
    await p.waitForTimeout(1800)
    await p.getByRole('button', { name: 'Step out' }).click()
    await p.waitForTimeout(900)
  })
  await picture('bench-test', `${drive('SK-20')}?view=test`, async p => {
    await p.getByRole('button', { name: /^Disk change, no disk/ }).click()
  })
  await picture('model', `${drive('SK-20')}?view=model`, p => p.getByTestId('compare').waitFor())
  await picture('align', `${drive('SK-09')}?station=align`, p =>
    p.getByRole('region', { name: 'May I touch it?' }).evaluate(e => e.scrollIntoView()),
  )
  await picture('sweep', '/instruments/sweep', async p => {
    await p.getByLabel('Adjuster').selectOption('stepper body')
    await p.getByRole('button', { name: 'From the drive' }).click()
    await p.getByRole('button', { name: 'Start simulated drive' }).click()
    for (let i = 0; i < 9 && !(await p.getByTestId('call').textContent())!.includes('Nudge it'); i++) {
      await p.getByTestId('read-there').and(p.locator(':enabled')).waitFor()
      await p.keyboard.press('PageDown')
      await p.waitForTimeout(600)
    }
  })
  await picture('blame', '/instruments/blame')
  await picture('bench-link', '/instruments/bench-link', async p => {
    await p.getByRole('button', { name: 'Use the simulated board' }).click()
    await p.getByRole('button', { name: 'Test the drive' }).click()
    await p.getByRole('button', { name: 'Start the test' }).click()
    await p.getByRole('button', { name: 'The disk is out' }).click({ timeout: 60_000 })
    await p.getByRole('button', { name: 'The disk is in' }).click({ timeout: 60_000 })
    await p.getByTestId('test-result').waitFor({ timeout: 60_000 })
  })
  await picture('camera', '/instruments/camera', async p => {
    await p.getByTestId('film').setInputFiles(FILM)
    await p.getByText(/12\d\d frames/).waitFor()
    const box = (await p.getByTestId('picture').boundingBox())!
    await p.mouse.click(box.x + 0.81 * box.width, box.y + 0.5 * box.height)
    await p.getByTestId('rpm').getByText(/^301/).waitFor()
  })
  await page.setViewportSize({ width: 390, height: 780 })
  await picture('hand', `${drive('SK-20')}/hand`)
  await page.setViewportSize({ width: 1280, height: 800 })
  await picture('certificate', `${drive('SK-03')}/certificate`)
  await picture('handbook', '/handbook#5.25in-48')
  await picture('day', '/day', p => p.getByRole('img', { name: /Time line/ }).waitFor())
} finally {
  await browser.close()
  child.kill()
  rmSync(data, { recursive: true, force: true })
}
