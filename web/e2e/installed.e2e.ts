import { execFile, spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { promisify } from 'node:util'
import { expect, test } from '@playwright/test'
import { freePort, stop } from '../../scripts/serve.mjs'
import { olderWorkshop } from '../test/helpers/older-workshop'

const ROOT = resolve(import.meta.dirname, '../..')
const made: string[] = []
function fresh(name: string): string {
  const path = mkdtempSync(join(tmpdir(), `wobrin-installed-${name}-`))
  made.push(path)
  return path
}
const run = promisify(execFile)
const running: ChildProcess[] = []
test.afterEach(() => {
  for (const child of running.splice(0)) child.kill()
  for (const path of made.splice(0)) rmSync(path, { recursive: true, force: true })
})

/** Packs the built application, installs it into an empty prefix without a network, and gives its command. */
async function installed(): Promise<string> {
  const [out, prefix] = [fresh('pack'), fresh('prefix')]
  const npm = process.env.npm_execpath
  const call = (...args: string[]) =>
    npm
      ? run(process.execPath, [npm, ...args], { cwd: ROOT, maxBuffer: 64e6 })
      : run('npm', args, { cwd: ROOT, maxBuffer: 64e6 })
  // It is built already; `npm pack` by itself builds it anew.
  await call('pack', '--ignore-scripts', '--pack-destination', out)
  const [file] = readdirSync(out)
  await call('install', '--global', '--offline', '--no-audit', '--prefix', prefix, join(out, file!))
  return join(prefix, 'bin/wobrin')
}

/** A server as a person starts it, once it answers. */
async function serving(wobrin: string, data: string) {
  const port = await freePort()
  const child = spawn(wobrin, ['serve', '--data', data, '--port', String(port), '--host', '127.0.0.1'], {
    stdio: 'ignore',
    cwd: tmpdir(),
  })
  running.push(child)
  const address = `http://127.0.0.1:${port}`
  await expect
    .poll(
      () =>
        fetch(`${address}/api/health`).then(
          a => a.status,
          () => 0,
        ),
      { timeout: 60_000 },
    )
    .toBe(200)
  return { address, stopped: () => stop(child) }
}
const receive = (address: string, tag: string) =>
  fetch(`${address}/api/drives`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: crypto.randomUUID(), tag, mechanism: '3.5in' }),
  })
const tags = async (address: string) =>
  ((await (await fetch(`${address}/api/drives`)).json()) as { tag: string }[]).map(d => d.tag)

test('one package is installed into an empty place, serves a workshop, is looked after, and takes an older one over', async ({
  page,
}) => {
  test.setTimeout(480_000)
  const wobrin = await installed()
  const tool = async (...args: string[]) =>
    JSON.parse((await run(wobrin, [...args, '--json'], { cwd: tmpdir(), maxBuffer: 16e6 })).stdout)
  const data = join(fresh('data'), 'workshop')

  // Beside the running server.
  const first = await serving(wobrin, data)
  await page.goto(first.address)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await receive(first.address, 'SK-1')
  await receive(first.address, 'SK-2')
  const backup = (await tool('backup', '--data', data)) as { name: string }
  expect(backup.name).toMatch(/^by-hand-/)
  const whole = join(fresh('out'), 'whole.zip')
  expect(await tool('export', whole, '--data', data)).toEqual({ file: whole, missing: [] })
  await receive(first.address, 'SK-3')
  expect(await tool('import', whole, '--data', data)).toMatchObject({ tables: { drives: { added: 0, there: 2 } } })
  expect(await tool('verify', '--data', data)).toMatchObject({ drives: 3, problems: [] })
  await expect(tool('export', whole, '--data', data)).rejects.toMatchObject({
    code: 2,
    stderr: expect.stringContaining('is there already'),
  })
  await expect(tool('export', '--drive', 'SK-9', '--data', data)).rejects.toMatchObject({
    stderr: 'There is no drive “SK-9”.\n',
  })

  // It ends by itself, with nothing left to be written.
  expect(await first.stopped()).toBe(0)
  expect(existsSync(join(data, 'wobrin.sqlite-wal'))).toBe(false)

  // Without a server.
  const one = join(fresh('one'), 'one.zip')
  await tool('export', one, '--drive', 'SK-3', '--data', data)
  const other = join(fresh('other'), 'workshop')
  expect(await tool('import', one, '--data', other)).toMatchObject({ drive: 'SK-3', tables: { drives: { added: 1 } } })
  expect(await tool('verify', '--data', other)).toMatchObject({ drives: 1, problems: [] })
  expect(await tool('restore', backup.name, '--data', data)).toMatchObject({ drives: 2 })
  const again = await serving(wobrin, data)
  expect(await tags(again.address)).toEqual(['SK-1', 'SK-2'])
  expect(await again.stopped()).toBe(0)

  // A workshop that the version before left: its database had had six migrations.
  const before = fresh('before')
  olderWorkshop(before, 6)
  const upgraded = await serving(wobrin, before)
  expect(await tags(upgraded.address)).toEqual(['OLD-1'])
  expect(await tool('verify', '--data', before)).toMatchObject({ drives: 1, entries: 4, problems: [] })
  expect(readdirSync(join(before, 'backups')).some(n => n.startsWith('before-migration-'))).toBe(true)
  expect(await upgraded.stopped()).toBe(0)
})
