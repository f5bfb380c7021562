import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { connect } from 'node:net'
import { networkInterfaces, tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import jsQR from 'jsqr'
import sharp from 'sharp'
import { root, serverScript } from '../../scripts/ensure.mjs'

/** Whether something takes a connection at an address. */
const answers = (host: string, port: number) =>
  new Promise<boolean>(resolve => {
    const socket = connect({ host, port, timeout: 5000 })
    socket.once('connect', () => {
      socket.destroy()
      resolve(true)
    })
    for (const end of ['error', 'timeout'] as const)
      socket.once(end, () => {
        socket.destroy()
        resolve(false)
      })
  })

for (const said of [undefined, '']) {
  test(`with HOST ${said === undefined ? 'not set' : 'empty'} the server listens to this machine alone`, async () => {
    const data = mkdtempSync(join(tmpdir(), 'wobrin-host-'))
    const port = said === undefined ? 4201 : 4202
    const env: NodeJS.ProcessEnv = { ...process.env, PORT: String(port), WOBRIN_DATA: data, NODE_ENV: 'production' }
    delete env.HOST
    delete env.NITRO_HOST
    if (said !== undefined) env.HOST = said
    const server = spawn(process.execPath, [serverScript], { cwd: root, env, stdio: 'ignore' })
    try {
      await expect.poll(() => answers('127.0.0.1', port)).toBe(true)
      const others = Object.values(networkInterfaces()).flatMap(list => (list ?? []).filter(a => !a.internal))
      for (const { address, family } of others.filter(a => a.family === 'IPv4'))
        expect(await answers(address, port), `${family} ${address}`).toBe(false)
    } finally {
      await new Promise(resolve => server.once('exit', resolve).kill())
      rmSync(data, { recursive: true, force: true })
    }
  })
}

/** What a QR picture in a data URL says. */
async function readPicture(url: string): Promise<string | undefined> {
  const { data, info } = await sharp(Buffer.from(url.split(',')[1]!, 'base64'))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data
}

test('another device sees nothing before it is paired by the code of the machine’s own screen, and can be forgotten', async ({
  browser,
}) => {
  const data = mkdtempSync(join(tmpdir(), 'wobrin-pair-'))
  const port = 4203
  const env = { ...process.env, PORT: String(port), HOST: '0.0.0.0', WOBRIN_HOSTS: '127.0.0.2', WOBRIN_DATA: data }
  const server = spawn(process.execPath, [serverScript], {
    cwd: root,
    env: { ...env, NODE_ENV: 'production' },
    stdio: 'ignore',
  })
  const own = `http://127.0.0.1:${port}`
  // The same machine by a name that is not its own: to the server a device of the network.
  const other = `http://127.0.0.2:${port}`
  try {
    await expect
      .poll(() =>
        fetch(`${own}/api/health`).then(
          a => a.ok,
          () => false,
        ),
      )
      .toBe(true)
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await page.goto(`${own}/workshop`)
    await expect(page.getByTestId('network-band')).toContainText('No other device is paired')
    const script = (await page.content()).match(/\/_nuxt\/[\w-]+\.js/)![0]

    for (const path of ['/api/bench', '/api/network/code', script])
      expect((await fetch(other + path)).status, path).toBe(401)
    expect((await fetch(`http://127.0.0.1:${port}/`, { headers: { 'x-forwarded-for': '10.0.0.9' } })).status).toBe(401)
    const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
    const answer = await phone.goto(other)
    expect(answer!.status()).toBe(401)
    await expect(phone.getByRole('heading', { level: 1 })).toHaveText('Pair this device')

    await page.getByRole('button', { name: 'Pair a device…' }).click()
    const code = (await page.getByTestId('pairing-code').textContent())!.replace(/\D/g, '')
    const picture = await page.getByTestId('pairing').getByRole('img').getAttribute('src')
    expect(await readPicture(picture!)).toMatch(new RegExp(`^http://[^/]+:${port}/pair\\?code=${code}$`))

    await phone.getByLabel('Code').fill('00000000')
    await phone.getByLabel('Name of this device').fill('phone at the bench')
    await phone.getByRole('button', { name: 'Pair device' }).click()
    await expect(phone.getByRole('alert')).toContainText('The code is not right')
    await phone.goto(`${other}/pair?code=${code}`)
    await expect(phone.getByLabel('Code')).toHaveValue(code)
    await phone.getByLabel('Name of this device').fill('phone at the bench')
    await phone.getByRole('button', { name: 'Pair device' }).click()
    await expect(phone.getByTestId('network-band')).toContainText('One other device can see and change this workshop.')
    const [cookie] = await phone.context().cookies()
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict' })
    // A paired device pairs no others.
    const code403 = await phone.evaluate(() => fetch('/api/network/code').then(a => a.status))
    expect(code403).toBe(403)

    await page.reload()
    await expect(page.getByTestId('devices')).toContainText('phone at the bench')
    await page.getByRole('button', { name: 'Forget device' }).click()
    await expect(page.getByTestId('devices')).toHaveCount(0)
    expect((await phone.reload())!.status()).toBe(401)
  } finally {
    await new Promise(resolve => server.once('exit', resolve).kill())
    rmSync(data, { recursive: true, force: true })
  }
})
