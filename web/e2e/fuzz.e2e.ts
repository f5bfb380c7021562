import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { askAtRandom } from './fuzz'
import { serve } from '../../scripts/serve.mjs'

/** So many requests in the tests; `FUZZ` asks for more. */
const REQUESTS = Number(process.env.FUZZ || 2000)
const SEED = Number(process.env.FUZZ_SEED || 20_261)
test('whatever is sent to whatever route is answered in words, never with an error of the server’s own', async () => {
  test.setTimeout(300_000)
  const data = mkdtempSync(join(tmpdir(), 'wobrin-fuzz-'))
  const { child, address } = await serve({ port: 4177, host: '127.0.0.1', data, quiet: true })
  try {
    const { taken, failed } = await askAtRandom(address, REQUESTS, SEED)
    expect(failed.slice(0, 8)).toEqual([])
    // Some of it is taken: what is sent is not refused at the first look alone.
    expect(taken).toBeGreaterThan(REQUESTS / 20)
    // And the workshop still stands.
    expect(((await (await fetch(`${address}/api/bench`)).json()) as { setAside: unknown[] }).setAside).toEqual([])
  } finally {
    child.kill()
  }
})
