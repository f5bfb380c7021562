import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'

/** A route of the server, as its file says. */
export interface Route {
  readonly method: string
  /** With `:name` for each part that is filled in. */
  readonly path: string
}

const SERVER = join(import.meta.dirname, '../server/api')
const SHARED = join(import.meta.dirname, '../shared')

/** All routes, by the names of their files. */
export function routes(): Route[] {
  return readdirSync(SERVER, { recursive: true, encoding: 'utf8' }).flatMap(file => {
    const named = /^(.*?)(?:\/?index)?\.(get|post|put|patch|delete)\.ts$/.exec(relative('.', file))
    if (!named) return []
    return [
      { method: named[2]!.toUpperCase(), path: `/api/${named[1]!.replace(/\[(\w+)\]/g, ':$1')}`.replace(/\/$/, '') },
    ]
  })
}

/** Names of fields that the schemas know, so that what is sent gets past the first look. */
export const fieldNames = (): string[] => [
  ...new Set(
    readdirSync(SHARED)
      .flatMap(f => [...readFileSync(join(SHARED, f), 'utf8').matchAll(/^ {2,6}(\w+): ?(?:\w+\(|\{)/gm)])
      .map(m => m[1]!),
  ),
]

/** A generator of numbers from 0 to 1 that gives the same ones for the same seed (mulberry32). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), state | 1)
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

const HOSTILE: readonly unknown[] = [
  null,
  '',
  'x'.repeat(5000),
  '../../../etc/passwd',
  '%',
  '%E0%A4%A',
  'constructor',
  'toString',
  '__proto__',
  '\u0000',
  '\uD800',
  '2026-13-45T99:99:99Z',
  '2026-02-30',
  -1,
  0,
  1e308,
  0.1 + 0.2,
  2 ** 53,
  true,
  [],
  {},
  [null],
  [[[[]]]],
  { constructor: { prototype: 1 } },
  { toString: 'no' },
  { length: -1 },
]

/** Requests at random: words that the schemas know, ids that are there, and values that belong nowhere. */
export class Requests {
  private readonly fields = fieldNames()

  constructor(
    private readonly random: () => number,
    private readonly ids: readonly string[],
    private readonly words: readonly string[],
  ) {}

  pick<T>(of: readonly T[]): T {
    return of[Math.floor(this.random() * of.length)]!
  }

  /** A path with its parts filled in, and sometimes a query. */
  path(template: string): string {
    const filled = template.replace(/:\w+/g, () => (this.random() < 0.6 ? this.pick(this.ids) : this.odd()))
    if (this.random() < 0.6) return filled
    return `${filled}?${this.pick([...this.fields, 'drive', 'q', 'after', 'skip', 'family', 'size'])}=${this.odd()}`
  }

  private odd(): string {
    const value = String(JSON.stringify(this.pick(HOSTILE)) ?? '')
    return this.random() < 0.3
      ? this.pick(['%', '%zz', '..%2f..', 'constructor', '-1'])
      : encodeURIComponent(value.toWellFormed())
  }

  body(depth = 0): unknown {
    if (depth > 0 && this.random() < 0.6) return this.value()
    if (depth > 3) return null
    const many = Math.floor(this.random() * 8)
    const own = Array.from({ length: many }, () => [
      this.random() < 0.95 ? this.pick(this.fields) : String(this.pick(['__proto__', 'constructor', ''])),
      this.body(depth + 1),
    ])
    const sound = {
      id: crypto.randomUUID(),
      at: '2026-03-01T10:00:00Z',
      kind: this.pick(this.words),
      key: this.pick(this.words),
    }
    return this.random() < 0.7 ? { ...sound, ...Object.fromEntries(own) } : Object.fromEntries(own)
  }

  private value(): unknown {
    const r = this.random()
    if (r < 0.4) return this.pick(HOSTILE)
    if (r < 0.6) return this.pick(this.words)
    if (r < 0.7) return this.pick(this.ids)
    return Math.round(this.random() * 1000) / 10
  }
}

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

/** What came of requests at random. */
export interface AskedAtRandom {
  /** So many were taken: what is sent is not refused at the first look alone. */
  readonly taken: number
  /** Those that the server answered with an error of its own. */
  readonly failed: readonly string[]
}

/** Sends so many requests that nobody would, to every route of a server whose workshop is empty. */
export async function askAtRandom(address: string, count: number, seed: number): Promise<AskedAtRandom> {
  const headers = { 'content-type': 'application/json' }
  const ids = Array.from({ length: 3 }, () => crypto.randomUUID())
  for (const [i, id] of ids.entries()) {
    const body = JSON.stringify({ id, tag: `F-${i}`, mechanism: '3.5in', complaints: ['no-spin'] })
    const answer = await fetch(`${address}/api/drives`, { method: 'POST', headers, body })
    if (!answer.ok) throw new Error(`a drive to ask about was refused: ${await answer.text()}`)
  }
  const requests = new Requests(seeded(seed), ids, WORDS)
  const all = routes()
  const failed: string[] = []
  let taken = 0
  for (let i = 0; i < count; i++) {
    const { method, path } = requests.pick(all)
    const url = requests.path(path)
    const body = method === 'GET' ? undefined : JSON.stringify(requests.body())
    const answer = await fetch(address + url, { method, body, headers })
    const text = await textOf(answer)
    if (answer.ok) taken++
    if (answer.status >= 500)
      failed.push(
        `${method} ${url.slice(0, 120)} ${body?.slice(0, 300) ?? ''} → ${answer.status} ${text.slice(0, 200)}`,
      )
  }
  return { taken, failed }
}

/** What was answered; a stream of events goes on for as long as somebody listens, and is let go of. */
async function textOf(answer: Response): Promise<string> {
  if (!answer.headers.get('content-type')?.startsWith('text/event-stream')) return answer.text()
  await answer.body?.cancel()
  return ''
}
