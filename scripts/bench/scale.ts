import { spawn, type ChildProcess } from 'node:child_process'
import Database from 'better-sqlite3'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { median } from '@wobrin/core/base/numbers'
import { recordFinding } from '@wobrin/core/findings'
import { STATION_IDS } from '@wobrin/core/log'
import { IN_DRIVES } from '@wobrin/core/parts'
import { Random } from '@wobrin/core/simulator'
import { serve, stop } from '../serve.mjs'

const DRIVES = 10_000
const ENTRIES = 100
/** Open at once: far more than a bench has. */
const OPEN = 200
const REQUESTS = 200
const WORDS = [
  'belt',
  'goo',
  'rail',
  'sensor',
  'index',
  'trimmer',
  'crust',
  'swab',
  'pulley',
  'spindle',
  'lacquer',
  'crimp',
  'quay',
  'tide',
  'logger',
  'harbour',
]
const MECHANISMS = ['3.5in', '5.25in-48', '5.25in-96', '3in', '8in', 'quick-disk']
const FINDINGS = [
  'belt.sound',
  'heads.whole',
  'smell.none',
  'corrosion.rust',
  'grease.set',
  'travel.free',
  'caps.sound',
  'pins.straight',
  'flag.whole',
  'headclean.brown',
]

const uuid = (n: number) => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`
const p95 = (xs: readonly number[]) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length * 0.95)]!

/** What a drive leaves with: a donor still has so many parts that ten thousand drives hold a hundred thousand. */
const releaseOf = (outcome: string): object => ({
  type: 'release',
  outcome,
  ...(outcome === 'parts'
    ? {
        parts: IN_DRIVES.slice(0, 30).map(p => ({
          id: p.id,
          label: p.label,
          state: 'looked at',
          says: 'Looked sound',
        })),
      }
    : {}),
})

/** Fills a workshop past anything that a bench will ever hold, through SQL, as a million requests would take hours. */
export function fillWorkshop(path: string, drives = DRIVES, entries = ENTRIES, openDrives = OPEN): void {
  const db = new Database(path)
  const random = new Random(1)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random.next() * list.length)]!
  const drive = db.prepare(
    'insert into drives (id, tag, mechanism, maker, model, serial, host, owner_words, received_at) values (?, ?, ?, ?, ?, ?, ?, ?, ?)',
  )
  const add = db.prepare(
    'insert into log_entries (id, drive_id, at, kind, station, title, detail, call, observations, data) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
  )
  const findings = FINDINGS.map(f => recordFinding({ finding: f, place: null }))
  db.pragma('synchronous = OFF')
  let n = 0
  for (let from = 0; from < drives; from += 500) {
    db.transaction(() => {
      for (let d = from; d < Math.min(drives, from + 500); d++) {
        const id = uuid(d + 1)
        const at = (k: number) => new Date(Date.UTC(2020, 0, 1) + d * 3_600_000 + k * 60_000).toISOString()
        drive.run(
          id,
          `T-${String(d).padStart(5, '0')}`,
          pick(MECHANISMS),
          pick(['Fennick', 'Staithe', 'Orlop']),
          `M${d % 40}`,
          String(d),
          pick(WORDS),
          `${pick(WORDS)} ${pick(WORDS)}`,
          at(0),
        )
        const open = d >= drives - openDrives
        for (let k = 0; k < entries; k++) {
          n++
          const station = STATION_IDS[Math.min(9, Math.floor(k / 10))]!
          const last = k === entries - 1 && !open
          if (k === 0) add.run(uuid(1e9 + n), id, at(k), 'received', 'receive', 'Received', '', null, '[]', null)
          else if (last)
            add.run(
              uuid(1e9 + n),
              id,
              at(k),
              'released',
              'release',
              'Released',
              pick(WORDS),
              null,
              '[]',
              JSON.stringify(releaseOf(pick(['released', 'parts', 'returned']))),
            )
          else if (k % 10 === 9 && !open)
            add.run(uuid(1e9 + n), id, at(k), 'station', station, `${station} finished`, '', null, '[]', null)
          else if (k % 2) {
            const f = pick(findings)
            add.run(
              uuid(1e9 + n),
              id,
              at(k),
              'finding',
              station,
              f.title,
              '',
              JSON.stringify(f.call),
              JSON.stringify([f.observation]),
              JSON.stringify({ type: 'finding', finding: f.finding.id, place: f.place }),
            )
          } else
            add.run(
              uuid(1e9 + n),
              id,
              at(k),
              'note',
              station,
              `${pick(WORDS)} ${pick(WORDS)} ${pick(WORDS)}`,
              `${pick(WORDS)} ${d} ${k}`,
              null,
              '[]',
              null,
            )
        }
      }
    })()
  }
  db.close()
}

/** Memory of a process, MB: what it has now, or the most that it had. */
export const memoryMb = (pid: number, field: 'VmRSS' | 'VmHWM' = 'VmRSS') =>
  Number(new RegExp(`${field}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024

async function timed(url: string): Promise<number> {
  const t = performance.now()
  const answer = await fetch(url)
  await answer.arrayBuffer()
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`)
  return performance.now() - t
}

/** Processes that do nothing but keep a processor busy, beside a busy machine's server. */
const BURNERS = 2

/**
 * 10 000 drives and a million entries: how long Bench, Drive and search take beside a request that does nothing, and
 * what an export takes of memory.
 * @param busy with two burners beside it
 */
export async function atScale(busy = false): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'wobrin-scale-'))
  const burners: ChildProcess[] = []
  try {
    const first = await serve({ port: 4190 + 7, host: '127.0.0.1', data, quiet: true })
    await stop(first.child)
    const begun = performance.now()
    fillWorkshop(join(data, 'wobrin.sqlite'))
    console.log(
      `At scale: ${DRIVES} drives (${OPEN} open), ${DRIVES * ENTRIES} log entries, filled in ${((performance.now() - begun) / 1000).toFixed(0)} s`,
    )
    const { child, address, milliseconds } = await serve({ port: 4190 + 7, host: '127.0.0.1', data, quiet: true })
    console.log(`  server up in ${(milliseconds / 1000).toFixed(1)} s, states of all drives worked out in it`)
    const random = new Random(2)
    const any = () => uuid(1 + Math.floor(random.next() * DRIVES))
    const word = () => WORDS[Math.floor(random.next() * WORDS.length)]!
    const cases: readonly (readonly [string, () => string])[] = [
      ['a request that does nothing (baseline)', () => '/api/health'],
      ['Bench', () => '/api/bench'],
      ['Drive', () => `/api/drives/${any()}`],
      ['search, one word', () => `/api/find?q=${word()}`],
      [
        'search, two words and a number',
        () => `/api/find?q=${word()}%20${word()}%20${Math.floor(random.next() * DRIVES)}`,
      ],
      ['Shelf, parts at hand', () => '/api/spares'],
      [
        'Shelf, parts by a word',
        () => `/api/spares?q=${['motor', 'sensor', 'orlop', 'M3', 'head'][Math.floor(random.next() * 5)]}`,
      ],
      ['Shelf, wants', () => '/api/wants'],
      ['Shelf, donors', () => '/api/parts'],
      ['search, a beginning', () => `/api/find?q=${word().slice(0, 2)}`],
    ]
    if (busy) burners.push(...Array.from({ length: BURNERS }, () => spawn(process.execPath, ['-e', 'for (;;);'])))
    // Bench and Shelf are worked out before anybody asks: what is measured comes after that.
    const ahead = (await timed(`${address}/api/bench`)) + (await timed(`${address}/api/spares`))
    console.log(`  Bench and Shelf worked out ahead: there ${(ahead / 1000).toFixed(1)} s after the first answer`)
    let baseline = 1
    let baselineP95 = 1
    for (const [name, url] of cases) {
      const cold = await timed(address + url())
      const times: number[] = []
      for (let i = 0; i < REQUESTS; i++) times.push(await timed(address + url()))
      if (name.includes('baseline')) [baseline, baselineP95] = [median(times), p95(times)]
      console.log(
        `  ${name}: first ${cold.toFixed(0)} ms; median ${median(times).toFixed(1)} ms (${(median(times) / baseline).toFixed(0)} x), 95th percentile ${p95(times).toFixed(1)} ms (${(p95(times) / baselineP95).toFixed(0)} x)`,
      )
    }
    const before = memoryMb(child.pid!)
    let [peak, bytes] = [before, 0]
    const t = performance.now()
    const answer = await fetch(`${address}/api/workshop/archive`)
    let looked = 0
    for await (const chunk of answer.body! as unknown as AsyncIterable<Uint8Array>) {
      bytes += chunk.length
      if (bytes - looked > 1e6) {
        looked = bytes
        peak = Math.max(peak, memoryMb(child.pid!))
      }
    }
    console.log(
      `  export: ${(bytes / 1e6).toFixed(0)} MB in ${((performance.now() - t) / 1000).toFixed(1)} s; server ${before.toFixed(0)} MB before, ${peak.toFixed(0)} MB at most while it streamed`,
    )
    await stop(child)
  } finally {
    for (const b of burners) b.kill()
    rmSync(data, { recursive: true, force: true })
  }
}
