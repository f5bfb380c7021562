import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Requests, routes, seeded } from '../../web/e2e/fuzz'
import { serve } from '../serve.mjs'
import type { Report } from './report'

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

/** Sends so many requests that nobody would, to every route: none may be a fault of the server’s own. */
export async function randomRequests(count: number, seed: number): Promise<Report> {
  const data = mkdtempSync(join(tmpdir(), 'wobrin-soak-requests-'))
  const { child, address } = await serve({ port: 4178, host: '127.0.0.1', data, quiet: true })
  const faults: string[] = []
  let taken = 0
  try {
    const headers = { 'content-type': 'application/json' }
    const ids = Array.from({ length: 3 }, () => crypto.randomUUID())
    for (const [i, id] of ids.entries())
      await fetch(`${address}/api/drives`, {
        method: 'POST',
        headers,
        body: JSON.stringify({ id, tag: `F-${i}`, mechanism: '3.5in', complaints: ['no-spin'] }),
      })
    const random = seeded(seed)
    const requests = new Requests(random, ids, WORDS)
    const all = routes()
    for (let i = 0; i < count; i++) {
      const { method, path } = requests.pick(all)
      const url = requests.path(path)
      const body = method === 'GET' ? undefined : JSON.stringify(requests.body())
      const answer = await fetch(address + url, { method, body, headers })
      const text = await answer.text()
      if (answer.ok) taken++
      if (answer.status >= 500) faults.push(`${method} ${url.slice(0, 100)} → ${answer.status} ${text.slice(0, 200)}`)
    }
  } finally {
    child.kill()
    rmSync(data, { recursive: true, force: true })
  }
  return { says: `Requests at random: ${count}, ${taken} of them taken.`, faults }
}
