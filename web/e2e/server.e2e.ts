import { execFile, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readdirSync, renameSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { promisify } from 'node:util'
import { expect, test } from '@playwright/test'
import { freePort, serve, stop } from '../../scripts/serve.mjs'

const SERVER = resolve(import.meta.dirname, '../.output/server/index.mjs')
const TOOL = resolve(import.meta.dirname, '../.output/server/companions/workshop-tool.mjs')
const HOST = '127.0.0.1'
const folder = () => mkdtempSync(join(tmpdir(), 'wobrin-server-'))
const running: ChildProcess[] = []
async function started(data: string) {
  const server = await serve({ port: await freePort(), host: HOST, data, quiet: true })
  running.push(server.child)
  return server
}
test.afterEach(() => {
  for (const child of running.splice(0)) child.kill()
})
const tool = (...args: string[]) => promisify(execFile)(process.execPath, [TOOL, ...args])

/** What a server that does not start says, and its exit code. */
const refused = (port: number, data: string) => {
  const env = { ...process.env, PORT: String(port), WOBRIN_DATA: data, NODE_ENV: 'production' }
  const { status, stderr } = spawnSync(process.execPath, [SERVER], { env, encoding: 'utf8', timeout: 60_000 })
  return { status, stderr: stderr.trim() }
}
const received = (address: string, tag: string) =>
  fetch(`${address}/api/drives`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: crypto.randomUUID(), tag, mechanism: '3.5in' }),
  })

test('one server holds a data folder and a port; a second one says who has them, in one line', async () => {
  const data = folder()
  const { address } = await started(data)
  const own = Number(new URL(address).port)
  const second = refused(await freePort(), data)
  expect(second.status).toBe(1)
  expect(second.stderr).toMatch(new RegExp(`^Wobrin does not start: .* in use by the server at ${address} `))
  expect(second.stderr.split('\n')).toHaveLength(1)
  const taken = refused(own, folder())
  expect(taken).toEqual({
    status: 1,
    stderr: `Wobrin does not start: Port ${own} is taken. Stop what uses it, or choose another with PORT.`,
  })
})

test('paths, ways and askers that are not its own are refused in one form', async () => {
  const { address } = await started(folder())
  const asked = async (path: string, more: RequestInit = {}) => {
    const answer = await fetch(address + path, more)
    return { status: answer.status, type: answer.headers.get('content-type'), allow: answer.headers.get('allow') }
  }
  const type = 'application/problem+json'
  expect(await asked('/api/nothing/here')).toEqual({ status: 404, type, allow: null })
  expect(await asked('/api/bench', { method: 'DELETE' })).toEqual({ status: 405, type, allow: 'GET' })
  expect(await asked('/api/bench', { headers: { 'sec-fetch-site': 'cross-site' } })).toMatchObject({
    status: 403,
    type,
  })
  expect(await asked('/api/bench', { headers: { 'sec-fetch-site': 'same-origin' } })).toMatchObject({ status: 200 })
  const page = await fetch(address)
  expect(page.headers.get('x-powered-by')).toBeNull()
  expect(page.headers.get('content-security-policy')).toContain("default-src 'none'")
})

test('files are their owner’s alone; a folder that is moved away takes nothing more', async () => {
  const data = folder()
  const { address } = await started(data)
  expect((await received(address, 'A-1')).status).toBe(200)
  expect(statSync(join(data, 'wobrin.sqlite')).mode & 0o077).toBe(0)
  expect(await (await fetch(`${address}/api/health`)).json()).toMatchObject({ ok: true, problem: null })
  renameSync(data, `${data}-moved`)
  const lost = await received(address, 'A-2')
  expect(lost.status).toBe(503)
  expect(await lost.json()).toMatchObject({ detail: expect.stringContaining('Nothing is saved') })
  expect((await fetch(`${address}/api/health`)).status).toBe(503)
})

test('backup, verify and restore work from the command line; a damaged database says the way back', async () => {
  const data = folder()
  const { child, address } = await started(data)
  await received(address, 'A-1')
  expect(JSON.parse((await tool('backup', '--data', data, '--json')).stdout)).toMatchObject({
    name: expect.stringMatching(/^by-hand-/),
  })
  await received(address, 'A-2')
  expect(JSON.parse((await tool('verify', '--data', data, '--json')).stdout)).toMatchObject({ drives: 2, problems: [] })
  await expect(tool('restore', '--data', data)).rejects.toMatchObject({
    code: 2,
    stderr: expect.stringContaining('in use by the server'),
  })
  await stop(child)
  writeFileSync(join(data, 'wobrin.sqlite'), Buffer.alloc(9000, 0xa5))
  const { status, stderr } = refused(await freePort(), data)
  expect(status).toBe(1)
  const command = /npx wobrin (restore \S+ --data \S+)$/.exec(stderr)![1]!
  expect(JSON.parse((await tool(...command.split(' '), '--json')).stdout)).toMatchObject({ drives: 1 })
  expect(readdirSync(join(data, 'backups')).some(n => n.startsWith('before-restore-'))).toBe(true)
  const again = await started(data)
  const { lines } = (await (await fetch(`${again.address}/api/bench`)).json()) as {
    lines: { drive: { tag: string } }[]
  }
  expect(lines.map(l => l.drive.tag)).toEqual(['A-1'])
})

test('a recording whose sender leaves is not judged on; the next one is, and nothing of the first is entered', async () => {
  const { address } = await started(folder())
  const drive = (await (await received(address, 'SK-1')).json()) as { id: string }
  const json = { 'content-type': 'application/json' }
  const keep = async (name: string, text: string) => {
    const answer = await fetch(`${address}/api/captures?name=${name}`, { method: 'POST', body: text })
    return ((await answer.json()) as { sha: string }).sha
  }
  const head = '$timescale 1 us $end $var wire 1 ! INDEX $end $enddefinitions $end\n'
  const long = Array.from({ length: 1_500_000 }, (_, i) => `#${i * 100} ${i % 2}!`).join('\n')
  const turns = Array.from({ length: 40 }, (_, i) => `#${i * 200_000} 1!\n#${i * 200_000 + 3000} 0!`).join('\n')
  const [endless, sound] = [await keep('long.vcd', head + long), await keep('turns.vcd', head + turns)]
  const judged = (id: string, captureSha: string, signal?: AbortSignal) =>
    fetch(`${address}/api/drives/${drive.id}/speed`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ id, at: new Date().toISOString(), captureSha }),
      signal,
    })
  const id = crypto.randomUUID()
  const left = new AbortController()
  const first = judged(id, endless, left.signal).catch((error: Error) => error.name)
  const standing = () => fetch(`${address}/api/judging/${id}`).then(answer => answer.status)
  await expect.poll(standing, { intervals: [20] }).toBe(200)
  left.abort()
  expect(await first).toBe('AbortError')
  await expect.poll(standing).toBe(404)
  const second = await judged(crypto.randomUUID(), sound)
  expect(second.status).toBe(200)
  const log = (await (await fetch(`${address}/api/drives/${drive.id}/log`)).json()) as { kind: string }[]
  expect(log.filter(e => e.kind === 'measurement')).toHaveLength(1)
})

test('a backup is put back from the page, while the server runs; what was there is kept', async ({ page }) => {
  const { address } = await started(folder())
  await received(address, 'SK-1')
  await fetch(`${address}/api/workshop/backups`, { method: 'POST' })
  await received(address, 'SK-2')
  const tags = async () => ((await (await fetch(`${address}/api/drives`)).json()) as { tag: string }[]).map(d => d.tag)
  expect(await tags()).toEqual(['SK-1', 'SK-2'])
  await page.goto(`${address}/workshop`)
  await page.getByTestId('backups').getByRole('button', { name: 'Restore…' }).click()
  await page.getByRole('button', { name: 'Restore backup' }).click()
  await expect(page.getByTestId('backups')).toContainText('Before a restore')
  expect(await tags()).toEqual(['SK-1'])
  // It goes on taking entries, and nothing of them is missing.
  expect((await received(address, 'SK-3')).status).toBe(200)
  const checked = await fetch(`${address}/api/workshop/log-check`, { method: 'POST' })
  expect(await checked.json()).toMatchObject({ drives: 2, problems: [] })
  const unknown = await fetch(`${address}/api/workshop/restore`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: '../wobrin.sqlite' }),
  })
  expect(unknown.status).toBe(422)
})
