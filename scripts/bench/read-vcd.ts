/** Reads a VCD in a process of its own and prints its time and its highest memory as JSON. */
import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { basename } from 'node:path'
import { readCapture } from '@wobrin/core/signals/captures'
import { speedFromCapture } from '@wobrin/core/instruments/spindle'

const path = process.argv[2]!
const { size } = await stat(path)
const begun = performance.now()
const capture = await readCapture({
  name: basename(path),
  size,
  chunks: () => createReadStream(path, { highWaterMark: 512 * 1024 }),
})
const seconds = (performance.now() - begun) / 1000
const { measurement } = speedFromCapture(capture, { channel: 'INDEX' }, { mechanism: '3.5in', school: 'leave-alone' })
console.log(
  JSON.stringify({
    seconds,
    megabytes: size / 1e6,
    peakMegabytes: process.resourceUsage().maxRSS / 1024,
    rpm: measurement?.rpm.mean,
    edges: capture.channels.map(c => c.edgeCount),
  }),
)
