/**
 * Reads and judges a recording of the interface in a process of its own; prints its time and its highest memory as
 * JSON.
 */
import { stat } from 'node:fs/promises'
import { MOST_EDGES, reportBus } from '@wobrin/core/instruments/interface'
import { readCapture } from '@wobrin/core/signals/captures'
import { fileSource } from '../../cli/src/file-source'

const path = process.argv[2]!
const { size } = await stat(path)
const begun = performance.now()
const before = process.resourceUsage().maxRSS
const capture = await readCapture(await fileSource(path), { maxEdgesPerChannel: MOST_EDGES })
const read = performance.now()
const report = reportBus(capture)
const done = performance.now()
console.log(
  JSON.stringify({
    seconds: (done - begun) / 1000,
    parsing: (read - begun) / 1000,
    megabytes: size / 1e6,
    beforeMegabytes: before / 1024,
    peakMegabytes: process.resourceUsage().maxRSS / 1024,
    totals: report.totals,
    recordedS: capture.durationS,
    edges: capture.channels.reduce((n, c) => n + c.edgeCount, 0),
  }),
)
