import { createWriteStream, mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { setTimeout } from 'node:timers/promises'
import Database from 'better-sqlite3'
import { postFile } from '../../web/server/tools/post-file'
import { fillWorkshop } from '../bench/scale'
import { serve, stop } from '../serve.mjs'
import type { Report } from './report'

const ENTRIES = 100
const PORT = 4179
/** A log check of a workshop of ten thousand drives takes less. */
const MOST_CHECK_S = 60
/** Nobody waits longer for an answer while something long runs. */
const MOST_WAIT_MS = 250
/** Between two requests. */
const PAUSE_MS = 50

interface Waited {
  readonly seconds: number
  readonly asked: number
  readonly slowestMs: number
  readonly slowest: string
}

/** Asks for what people would look at, some fifteen times a second, for as long as something runs. */
async function meanwhile<T>(address: string, urls: readonly string[], running: Promise<T>): Promise<[T, Waited]> {
  let done = false
  const begun = performance.now()
  const ended = running.finally(() => {
    done = true
  })
  let [asked, slowestMs, slowest] = [0, 0, '']
  while (!done) {
    const url = urls[asked++ % urls.length]!
    const t = performance.now()
    await (await fetch(address + url)).arrayBuffer()
    const ms = performance.now() - t
    await setTimeout(PAUSE_MS)
    // The first of each kind reads from the disk what is at hand afterwards.
    if (asked > urls.length && ms > slowestMs) [slowestMs, slowest] = [ms, url.slice(0, 30)]
  }
  return [await ended, { seconds: (performance.now() - begun) / 1000, asked, slowestMs, slowest }]
}

const drive = (n: number) => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`

/** Checks, exports and imports a workshop of so many drives while others go on using it. */
export async function veryLarge(drives: number): Promise<Report> {
  const root = mkdtempSync(join(tmpdir(), 'wobrin-soak-large-'))
  const [data, other, file] = [join(root, 'large'), join(root, 'other'), join(root, 'large.zip')]
  const faults: string[] = []
  const said: string[] = []
  const note = (what: string, { seconds, asked, slowestMs, slowest }: Waited) => {
    const line = `${what} in ${seconds.toFixed(1)} s, the slowest of ${asked} requests meanwhile ${slowestMs.toFixed(0)} ms (${slowest})`
    console.log(line)
    said.push(line)
    if (slowestMs > MOST_WAIT_MS) faults.push(`${slowest} took ${slowestMs.toFixed(0)} ms: ${what}.`)
  }
  const started: Awaited<ReturnType<typeof serve>>['child'][] = []
  const start = async (folder: string) => {
    const server = await serve({ port: PORT, host: '127.0.0.1', data: folder, quiet: true, patience: 600 })
    started.push(server.child)
    return server
  }
  try {
    for (const folder of [data, other]) mkdirSync(folder)
    await stop((await start(data)).child)
    fillWorkshop(join(data, 'wobrin.sqlite'), drives, ENTRIES)
    // As one from before there were links, which the next start makes.
    const db = new Database(join(data, 'wobrin.sqlite'))
    db.pragma('user_version = 1')
    db.close()
    await stop((await start(data)).child)

    const large = await start(data)
    const urls = [
      '/api/bench',
      '/api/workshop',
      '/api/find?q=belt',
      `/api/drives/${drive(7)}`,
      `/api/drives/${drive(99)}/log`,
    ]
    const check = fetch(`${large.address}/api/workshop/log-check`, { method: 'POST' }).then(
      a => a.json() as Promise<{ entries: number; problems: string[] }>,
    )
    const [checked, waited] = await meanwhile(large.address, urls, check)
    note(`${drives} drives with ${checked.entries} entries checked along their chains`, waited)
    faults.push(...checked.problems.slice(0, 3))
    if (waited.seconds > MOST_CHECK_S) faults.push(`The check took ${waited.seconds.toFixed(0)} s.`)
    const archive = fetch(`${large.address}/api/workshop/archive`).then(a =>
      pipeline(Readable.fromWeb(a.body as never), createWriteStream(file)),
    )
    note('exported', (await meanwhile(large.address, urls, archive))[1])
    await stop(large.child)

    const empty = await start(other)
    const reading = postFile(`${empty.address}/api/workshop/import`, file, 'application/zip').then(a => {
      if (a.status >= 400) faults.push(`The import was refused: ${a.body}`)
    })
    // Drives that are not there yet cannot be asked for; the bench is worked out anew once they are, and told apart.
    const open = ['/api/workshop', '/api/find?q=belt', '/api/drives']
    note('read into an empty workshop', (await meanwhile(empty.address, open, reading))[1])
    const t = performance.now()
    await (await fetch(`${empty.address}/api/bench`)).arrayBuffer()
    said.push(`its bench worked out anew in ${(performance.now() - t).toFixed(0)} ms`)
    const there = (await (await fetch(`${empty.address}/api/about`)).json()) as { drives: number; entries: number }
    if (there.drives !== drives || there.entries !== checked.entries)
      faults.push(`There came ${JSON.stringify(there)}.`)
    await stop(empty.child)
  } finally {
    // What went wrong half-way leaves no server behind.
    for (const child of started) if (child.exitCode === null) child.kill()
    rmSync(root, { recursive: true, force: true })
  }
  return { says: `Very large: ${said.join('; ')}.`, faults }
}
