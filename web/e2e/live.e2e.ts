import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { SimulatedPickup } from '../../core/src/simulator'
import { root, serverScript } from '../../scripts/ensure.mjs'
import { expect, openDrive, test } from './support'

const bin = join(root, 'cli/bin/wobrin.mjs')

/** The command line with a stream on its standard input. */
function live(baseURL: string, ...args: string[]): ChildProcess {
  return spawn(process.execPath, [bin, 'live', '--server', baseURL, '--simulated', ...args], { cwd: root })
}

/** A recording in two halves, as a program would print it. */
function halves(rpm: number, seconds: number): [Buffer, Buffer] {
  const pickup = new SimulatedPickup({ rpm, seed: 3 })
  pickup.advanceTo(seconds)
  const text = pickup.toVcd()
  const cut = text.lastIndexOf('\n', text.length / 2) + 1
  return [Buffer.from(text.slice(0, cut)), Buffer.from(text.slice(cut))]
}

test('a signal that a program prints shows on the drive’s page while it comes, and one key puts it on the log', async ({
  page,
  baseURL,
}) => {
  await openDrive(page, 'SK-05')
  const [first, second] = halves(306, 40)
  const sender = live(baseURL!, '--drive', 'SK-05')
  const band = page.getByTestId('live')
  try {
    sender.stdin!.write(first)
    await expect(band).toContainText('simulated')
    await expect(page.getByTestId('live-rpm')).toContainText('306.')
    const turns = async () => Number(/over (\d+) revolutions/.exec((await band.textContent()) ?? '')?.[1] ?? 0)
    await expect.poll(turns).toBeGreaterThan(80)
    const before = await turns()
    // Another piece moves it on: nothing waits for the end.
    sender.stdin!.write(second)
    await expect.poll(turns).toBeGreaterThan(before + 50)

    await page.keyboard.press('k')
    // The sender hears of it though nothing comes any more.
    const entry = page
      .getByRole('region', { name: 'Log' })
      .getByText(/306\.\d+ ± /)
      .first()
    await expect(entry).toBeVisible()

    await band.getByRole('button', { name: 'Across the bench' }).click()
    await expect(page.getByTestId('across')).toContainText('306.')
    sender.stdin!.end()
    // What is measured no more is not shown large.
    await expect(page.getByTestId('across')).toBeHidden()
    await expect(band).toContainText('Signal ended')
    await band.getByRole('button', { name: 'Close signal' }).click()
    await expect(band).toBeHidden()
  } finally {
    sender.kill()
  }
})

test('a stream that breaks says so on the page, and what came before stays', async ({ page, baseURL }) => {
  await openDrive(page, 'SK-05')
  const [first] = halves(299, 20)
  const sender = live(baseURL!, '--drive', 'SK-05')
  const said: string[] = []
  sender.stderr!.on('data', d => said.push(String(d)))
  sender.stdin!.write(first)
  await expect(page.getByTestId('live-rpm')).toContainText('299.')
  sender.stdin!.end('this is no dump\n')
  await expect(page.getByTestId('live')).toContainText('line ')
  await expect(page.getByTestId('live-rpm')).toContainText('299.')
  await expect.poll(() => sender.exitCode).toBe(2)
  expect(said.join('')).toContain('standard input')
})

test('an entry of another browser shows within a second', async ({ page, browser }) => {
  await openDrive(page, 'SK-05')
  const other = await (await browser.newContext()).newPage()
  await other.goto(page.url())
  await expect(async () => {
    await other.keyboard.press('n')
    await expect(other.getByRole('dialog').getByRole('textbox')).toBeVisible({ timeout: 2000 })
  }).toPass()
  await other.getByRole('dialog').getByRole('textbox').fill('Heard a rub from the hub.')
  await other.getByRole('dialog').getByRole('button', { name: /^Save/ }).click()
  await expect(other.getByRole('dialog').getByRole('textbox')).toBeHidden()
  const begun = Date.now()
  await expect(page.getByText('Heard a rub from the hub.').first()).toBeVisible()
  // The page looks by itself every twenty seconds only.
  expect(Date.now() - begun).toBeLessThan(10_000)
})

test('a drive or a server that is not there is a sentence', async ({ baseURL }) => {
  const ends = (child: ChildProcess) =>
    new Promise<{ code: number | null; said: string }>(resolve => {
      let said = ''
      child.stderr!.on('data', d => (said += String(d)))
      child.once('close', code => resolve({ code, said }))
    })
  const stranger = await ends(live(baseURL!, '--drive', 'NO-99'))
  expect(stranger).toMatchObject({ code: 2 })
  expect(stranger.said).toContain('NO-99')
  const nowhere = await ends(live('http://127.0.0.1:9', '--drive', 'SK-05'))
  expect(nowhere).toMatchObject({ code: 2 })
  expect(nowhere.said.trim().split('\n')).toHaveLength(1)
})

test('a server that is told to stop does so while a page listens to a drive', async () => {
  const data = mkdtempSync(join(tmpdir(), 'wobrin-stop-'))
  const address = 'http://127.0.0.1:4204'
  const env = { ...process.env, PORT: '4204', HOST: '127.0.0.1', WOBRIN_DATA: data, NODE_ENV: 'production' }
  const server = spawn(process.execPath, [serverScript], { cwd: root, env, stdio: 'ignore' })
  const ended = new Promise<string>(resolve => server.once('exit', () => resolve('ended')))
  try {
    await expect
      .poll(() =>
        fetch(`${address}/api/about`).then(
          r => r.status,
          () => 0,
        ),
      )
      .toBe(200)
    const made = await fetch(`${address}/api/drives`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ tag: 'SK-90', mechanism: '3in' }),
    })
    const { id } = (await made.json()) as { id: string }
    const news = await fetch(`${address}/api/drives/${id}/news`)
    expect(news.status).toBe(200)
    server.kill('SIGTERM')
    // A connection that is held open would hold it back for half a minute.
    const waited = new Promise<string>(resolve => setTimeout(() => resolve('still there'), 20_000))
    expect(await Promise.race([ended, waited])).toBe('ended')
  } finally {
    server.kill('SIGKILL')
    await ended
    rmSync(data, { recursive: true, force: true })
  }
})
