import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { connect } from 'node:net'
import { networkInterfaces, tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
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
