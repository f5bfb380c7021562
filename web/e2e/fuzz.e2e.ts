import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { Requests, routes, seeded } from './fuzz'
import { serve } from '../../scripts/serve.mjs'

/** So many requests in the tests; `FUZZ` asks for more. */
const REQUESTS = Number(process.env.FUZZ || 2000)
const SEED = Number(process.env.FUZZ_SEED || 20_261)
const WORDS = [
  'note',
  'step',
  'finding',
  'wait',
  'photo',
  'look',
  'receive',
  '3.5in',
  '3in',
  'see.select',
  'speed.mean',
]

test('whatever is sent to whatever route is answered in words, never with an error of the server’s own', async () => {
  test.setTimeout(300_000)
  const data = mkdtempSync(join(tmpdir(), 'wobrin-fuzz-'))
  const { child, address } = await serve({ port: 4177, host: '127.0.0.1', data, quiet: true })
  try {
    const post = (path: string, body: unknown) =>
      fetch(address + path, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
    const ids = Array.from({ length: 3 }, () => crypto.randomUUID())
    for (const [i, id] of ids.entries())
      expect(
        (await post('/api/drives', { id, tag: `F-${i}`, mechanism: '3.5in', complaints: ['no-spin'] })).status,
      ).toBe(200)
    const random = seeded(SEED)
    const requests = new Requests(random, ids, WORDS)
    const all = routes()
    const failed: string[] = []
    let taken = 0
    for (let i = 0; i < REQUESTS; i++) {
      const { method, path } = requests.pick(all)
      const url = requests.path(path)
      const body = method === 'GET' ? undefined : JSON.stringify(requests.body())
      const answer = await fetch(address + url, { method, body, headers: { 'content-type': 'application/json' } })
      const text = await answer.text()
      if (answer.ok) taken++
      if (answer.status >= 500)
        failed.push(
          `${method} ${url.slice(0, 120)} ${body?.slice(0, 300) ?? ''} → ${answer.status} ${text.slice(0, 200)}`,
        )
    }
    expect(failed.slice(0, 8)).toEqual([])
    // Some of it is taken: what is sent is not refused at the first look alone.
    expect(taken).toBeGreaterThan(REQUESTS / 20)
    // And the workshop still stands.
    expect(((await (await fetch(`${address}/api/bench`)).json()) as { setAside: unknown[] }).setAside).toEqual([])
  } finally {
    child.kill()
  }
})
