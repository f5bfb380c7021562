import { writeFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { cutTracks, followHeads, guessLines, judgeBus, LINE_NAMES, LINES, linesOf, type LineName } from '@wobrin/core/bus'
import { readCapture } from '@wobrin/core/captures'
import { ParameterError } from '@wobrin/core/errors'
import { CALLS } from '@wobrin/core/observations'
import { judgeTrack } from '@wobrin/core/recording'
import { toCsv } from '@wobrin/core/sums'
import { fileSource } from './file-source'

/** "step=D3,direction=D4" over what the names of the channels say. */
function mappingOf(text: string | undefined, channels: readonly string[]): Partial<Record<LineName, string>> {
  const mapping = guessLines(channels)
  for (const pair of text?.split(',').filter(Boolean) ?? []) {
    const [line, channel] = pair.split('=').map(s => s.trim())
    if (!LINE_NAMES.includes(line as LineName)) throw new ParameterError(`there is no line “${line}”`, LINE_NAMES.join(', '), { field: '--lines' })
    if (!channel || !channels.includes(channel)) throw new ParameterError(`there is no channel “${channel ?? ''}”`, channels.join(', '), { field: '--lines' })
    mapping[line as LineName] = channel
  }
  return mapping
}

export const bus = defineCommand({
  meta: { name: 'bus', description: 'Follow a drive by a recording of its interface lines: where the heads were, and how each track read.' },
  args: {
    file: { type: 'positional', description: 'the recording (VCD or CSV, also gzip-packed)', required: true },
    lines: { type: 'string', description: 'which channel is which line, such as step=D3,direction=D4; guessed by name otherwise' },
    csv: { type: 'string', description: 'file for the tracks and their margins, as CSV' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const capture = await readCapture(await fileSource(args.file), { maxEdgesPerChannel: 40_000_000 })
    const mapping = mappingOf(args.lines, capture.channels.map(c => c.name))
    if (Object.keys(mapping).length === 0) throw new ParameterError('no channel is known as a line by its name', `--lines with ${LINE_NAMES.join(', ')}`, { file: capture.fileName })
    const lines = linesOf(capture, mapping)
    const path = followHeads(lines, capture.durationS)
    const { call, observations } = judgeBus(lines, path, capture.durationS)
    const tracks = cutTracks(lines, path).flatMap(t => t.read ? [{ cylinder: t.cylinder, head: t.head, fromS: t.fromS, turns: t.turns, format: t.read.format, margin: t.read.margin, good: t.sectors.filter(s => s.status === 'good').length, sectors: t.sectors.length, call: judgeTrack(t.read, t.sectors).call }] : [])
    const table = { columns: ['cylinder', 'head', 'from_s', 'turns', 'code', 'rate', 'good', 'sectors', 'margin'], rows: tracks.map(t => [t.cylinder ?? '', t.head, t.fromS.toFixed(6), t.turns, t.format.code, t.format.rate, t.good, t.sectors, t.margin.toFixed(4)]) }
    if (args.csv) await writeFile(args.csv, toCsv(table))
    if (args.json) {
      console.log(JSON.stringify({ call: call.kind, reasons: call.reasons, next: call.next, lines: mapping, observations, seeks: path.seeks, tracks: tracks.map(({ call: c, ...t }) => ({ ...t, call: c.kind })) }, null, 2))
      return
    }
    console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
    console.log(`  lines ${Object.entries(mapping).map(([l, c]) => `${LINES[l as LineName].label} = ${c}`).join(', ')}`)
    for (const o of observations) console.log(`  ${o.label}: ${o.value} ${o.unit} (${o.how})`)
    for (const t of tracks) console.log(`  cylinder ${t.cylinder ?? '?'} head ${t.head}: ${t.good} of ${t.sectors} good, margin ${(t.margin * 100).toFixed(0)} %, ${CALLS[t.call.kind].label.toLowerCase()}`)
  },
})
