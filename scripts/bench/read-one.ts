/**
 * Scans the bytes of a recording and reads it, by turns, in a process of its own; prints the least time of both and the
 * highest memory as JSON. The scan is the least that anything can do in this language: it looks at every byte once.
 */
import { createReadStream } from 'node:fs'
import { createGunzip } from 'node:zlib'
import { readCapture } from '@wobrin/core/signals/captures'
import { fileSource } from '../../cli/src/file-source'

const path = process.argv[2]!
const chunks = () => createReadStream(path, { highWaterMark: 512 * 1024 })

function lines(bytes: Uint8Array): number {
  let n = 0
  for (let i = 0; i < bytes.length; i++) if (bytes[i] === 10) n++
  return n
}

/** A shared machine disturbs one or the other: of a few turns the least is what the work itself takes. */
const TURNS = 3

async function scan(): Promise<{ seen: number; bytes: number }> {
  let [seen, bytes] = [0, 0]
  for await (const chunk of path.endsWith('.gz') ? chunks().pipe(createGunzip()) : chunks()) {
    seen += lines(chunk as Uint8Array)
    bytes += (chunk as Uint8Array).length
  }
  return { seen, bytes }
}

const read = async () => readCapture(await fileSource(path), { maxBytes: 4e9 })

async function seconds<T>(work: () => Promise<T>): Promise<{ took: number; made: T }> {
  const begun = performance.now()
  const made = await work()
  return { took: (performance.now() - begun) / 1000, made }
}

let [scanS, readS, before] = [Infinity, Infinity, 0]
let scanned = { seen: 0, bytes: 0 }
let edges = 0
for (let turn = 0; turn < TURNS; turn++) {
  const looked = await seconds(scan)
  scanned = looked.made
  before ||= process.resourceUsage().maxRSS
  const { took, made } = await seconds(read)
  edges = made.channels.reduce((n, c) => n + c.edgeCount, 0)
  scanS = Math.min(scanS, looked.took)
  readS = Math.min(readS, took)
}
console.log(
  JSON.stringify({
    megabytes: scanned.bytes / 1e6,
    lines: scanned.seen,
    scan: scanS,
    read: readS,
    before: before / 1024,
    peak: process.resourceUsage().maxRSS / 1024,
    edges,
  }),
)
