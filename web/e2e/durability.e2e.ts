import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import Database from 'better-sqlite3'
import { serve } from '../../scripts/serve.mjs'

/** A few in every run of the tests; hundreds with WOBRIN_KILLS=300. */
const KILLS = Number(process.env.WOBRIN_KILLS ?? 6)
const PORT = 4183

test('a server killed while it writes loses no entry that it acknowledged', async () => {
  test.setTimeout(30_000 + KILLS * 6000)
  const data = mkdtempSync(join(tmpdir(), 'wobrin-kill-'))
  const acknowledged: string[] = []
  let drive = ''
  const post = async (address: string, path: string, body: object) => {
    const answer = await fetch(`${address}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(await answer.text())
    return (await answer.json()) as { id: string }
  }

  for (let kill = 0; kill < KILLS; kill++) {
    const { child, address } = await serve({ port: PORT, host: '127.0.0.1', data })
    const ended = new Promise(resolve => child.once('exit', resolve))
    drive ||= (await post(address, '/api/drives', { tag: 'K-1', mechanism: '3in' })).id
    // Every entry from before the last kill is there.
    const { log } = (await (await fetch(`${address}/api/drives/${drive}`)).json()) as { log: { id: string }[] }
    const there = new Set(log.map(e => e.id))
    expect(acknowledged.filter(id => !there.has(id))).toEqual([])

    for (let i = 0; ; i++) {
      // By entries, not by the clock: a slow machine writes as many before it is killed.
      if (i === 6 + 3 * (kill % 8)) setTimeout(() => child.kill('SIGKILL'), (7 * kill) % 97)
      const id = crypto.randomUUID()
      const sent = await post(address, `/api/drives/${drive}/log`, {
        id,
        at: new Date().toISOString(),
        kind: 'note',
        station: 'look',
        title: `kill ${kill}, note ${i}`,
      }).then(
        () => true,
        () => false,
      )
      if (!sent) break
      acknowledged.push(id)
      // Recordings, backups and exports are cut off in the middle as well.
      if (i === 3) void fetch(`${address}/api/workshop/backups`, { method: 'POST' }).catch(() => {})
      if (i === 5)
        void fetch(`${address}/api/workshop/archive`)
          .then(a => a.arrayBuffer())
          .catch(() => {})
      void fetch(`${address}/api/captures?name=k${i}.vcd`, {
        method: 'POST',
        body: `$comment ${id} $end\n`.repeat(2000),
      }).catch(() => {})
    }
    await ended
  }

  expect(acknowledged.length).toBeGreaterThan(KILLS * 5)
  const db = new Database(join(data, 'wobrin.sqlite'))
  expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
  const kept = db
    .prepare('select id from log_entries')
    .all()
    .map(r => (r as { id: string }).id)
  expect(acknowledged.filter(id => !kept.includes(id))).toEqual([])
  // Every recording that the database knows is there whole, under its own name.
  const files = new Set(readdirSync(join(data, 'captures')))
  for (const { sha } of db.prepare('select sha from captures').all() as { sha: string }[]) expect(files).toContain(sha)
  // Search and states have every entry that the log has.
  expect(db.prepare("select count(*) as n from log_words where log_words match 'kill'").get()).toEqual(
    db.prepare("select count(*) as n from log_entries where title like 'kill %'").get(),
  )
  expect(db.prepare('select seq from drive_states').get()).toEqual(
    db.prepare('select max(seq) as seq from log_entries').get(),
  )
  // Backups that got their name are whole.
  for (const name of readdirSync(join(data, 'backups')).filter(
    n => n.startsWith('by-hand-') && n.endsWith('.sqlite'),
  )) {
    const copy = new Database(join(data, 'backups', name), { readonly: true })
    expect(copy.pragma('quick_check', { simple: true })).toBe('ok')
    copy.close()
  }
  db.close()
  rmSync(data, { recursive: true, force: true })
})
