/**
 * Scans the bytes of a recording, then reads it, in a process of its own; prints both times and the highest memory as
 * JSON. The scan is the least that anything can do in this language: it looks at every byte once.
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

const begun = performance.now()
let seen = 0
let bytes = 0
for await (const chunk of path.endsWith('.gz') ? chunks().pipe(createGunzip()) : chunks()) {
  seen += lines(chunk as Uint8Array)
  bytes += (chunk as Uint8Array).length
}
const scanned = performance.now()
const before = process.resourceUsage().maxRSS
const capture = await readCapture(await fileSource(path), { maxBytes: 4e9 })
const read = performance.now()
console.log(
  JSON.stringify({
    megabytes: bytes / 1e6,
    lines: seen,
    scan: (scanned - begun) / 1000,
    read: (read - scanned) / 1000,
    before: before / 1024,
    peak: process.resourceUsage().maxRSS / 1024,
    edges: capture.channels.reduce((n, c) => n + c.edgeCount, 0),
  }),
)
