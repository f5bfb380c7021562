import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { serve, stop } from '../serve.mjs'

/** An archive of one drive, with what it brings. */
export interface DriveArchive {
  readonly drive: string
  readonly entries: number
  readonly bytes: Uint8Array
}

const MANY = 40
const NOTES = 30

/** Archives of drives that the workshop which is killed has not seen. */
export async function makeArchives(port: number): Promise<DriveArchive[]> {
  const data = mkdtempSync(join(tmpdir(), 'wobrin-soak-archives-'))
  const { child, address } = await serve({ port, host: '127.0.0.1', data, quiet: true })
  const headers = { 'content-type': 'application/json' }
  const post = (path: string, body: object) =>
    fetch(address + path, { method: 'POST', headers, body: JSON.stringify(body) })
  const made: DriveArchive[] = []
  for (let n = 0; n < MANY; n++) {
    const drive = crypto.randomUUID()
    await post('/api/drives', { id: drive, tag: `A-${n}`, mechanism: '3.5in' })
    for (let k = 0; k < NOTES; k++)
      await post(`/api/drives/${drive}/log`, {
        id: crypto.randomUUID(),
        at: new Date().toISOString(),
        kind: 'note',
        station: 'look',
        title: `Archive ${n}, note ${k}`,
      })
    const answer = await fetch(`${address}/api/drives/${drive}/archive`)
    made.push({ drive, entries: NOTES + 1, bytes: new Uint8Array(await answer.arrayBuffer()) })
  }
  await stop(child)
  rmSync(data, { recursive: true, force: true })
  return made
}
