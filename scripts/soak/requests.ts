import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { askAtRandom } from '../../web/e2e/fuzz'
import { serve } from '../serve.mjs'
import type { Report } from './report'

/** Sends so many requests that nobody would, to every route: none may be a fault of the server’s own. */
export async function randomRequests(count: number, seed: number): Promise<Report> {
  const data = mkdtempSync(join(tmpdir(), 'wobrin-soak-requests-'))
  const { child, address } = await serve({ port: 4178, host: '127.0.0.1', data, quiet: true })
  try {
    const { taken, failed } = await askAtRandom(address, count, seed)
    return { says: `Requests at random: ${count}, ${taken} of them taken.`, faults: failed }
  } finally {
    child.kill()
    rmSync(data, { recursive: true, force: true })
  }
}
