import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { fillWorkshop } from '../bench/scale'
import { serve } from '../serve.mjs'
import type { Report } from './report'

const ENTRIES = 100
/** A log check of a workshop of ten thousand drives takes less. */
const MOST_CHECK_S = 60
/** Nobody waits longer for an answer while it runs. */
const MOST_WAIT_MS = 250

/** Checks every log of a workshop of so many drives while others go on using it. */
export async function veryLarge(drives: number): Promise<Report> {
  const data = mkdtempSync(join(tmpdir(), 'wobrin-soak-large-'))
  const faults: string[] = []
  const start = () => serve({ port: 4179, host: '127.0.0.1', data, quiet: true, patience: 600 })
  const stop = async ({ child }: Awaited<ReturnType<typeof start>>) => {
    const ended = new Promise(done => child.once('exit', done))
    child.kill()
    await ended
  }
  try {
    await stop(await start())
    fillWorkshop(join(data, 'wobrin.sqlite'), drives, ENTRIES)
    // As one from before there were links, which the next start makes.
    const db = new Database(join(data, 'wobrin.sqlite'))
    db.pragma('user_version = 1')
    db.close()
    await stop(await start())

    const server = await start()
    const { address } = server
    let slowest = { ms: 0, url: '' }
    let asked = 0
    const begun = performance.now()
    const check = fetch(`${address}/api/workshop/log-check`, { method: 'POST' }).then(
      a => a.json() as Promise<{ drives: number; entries: number; problems: string[] }>,
    )
    let checked: Awaited<typeof check> | null = null
    void check.then(done => {
      checked = done
    })
    const urls = [
      '/api/bench',
      '/api/health',
      '/api/find?q=belt',
      `/api/drives/${drive(7)}`,
      `/api/drives/${drive(99)}/log`,
    ]
    while (!checked) {
      const url = urls[asked++ % urls.length]!
      const t = performance.now()
      await (await fetch(address + url)).arrayBuffer()
      const ms = performance.now() - t
      // The first of each kind reads from the disk what is at hand afterwards.
      if (asked > urls.length && ms > slowest.ms) slowest = { ms, url }
    }
    const { problems, entries } = await check
    const took = (performance.now() - begun) / 1000
    await stop(server)
    if (problems.length) faults.push(...problems.slice(0, 3))
    if (took > MOST_CHECK_S) faults.push(`The check took ${took.toFixed(0)} s; expected at most ${MOST_CHECK_S} s.`)
    if (slowest.ms > MOST_WAIT_MS) faults.push(`${slowest.url} took ${slowest.ms.toFixed(0)} ms while it ran.`)
    return {
      says:
        `Very large: ${drives} drives with ${entries} entries checked along their chains in ${took.toFixed(1)} s; ` +
        `of ${asked} requests meanwhile the slowest took ${slowest.ms.toFixed(0)} ms (${slowest.url.slice(0, 24)}).`,
      faults,
    }
  } finally {
    rmSync(data, { recursive: true, force: true })
  }
}

const drive = (n: number) => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`
