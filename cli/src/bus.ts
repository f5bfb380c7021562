import { writeFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import {
  guessLines,
  imageOf,
  LINE_NAMES,
  LINES,
  marginsTable,
  MOST_EDGES,
  reportBus,
  reportJson,
  HEAD_NAMES,
  type BusReport,
  type LineName,
} from '@wobrin/core/instruments/interface'
import { readCapture, cutStretch, vcdChunks } from '@wobrin/core/signals/captures'
import { ParameterError } from '@wobrin/core/base/errors'
import { CALLS, formatObservation } from '@wobrin/core/base/observations'
import { CODE_IDS, formatName, imageMapCsv, type TrackCode } from '@wobrin/core/signals/codes'
import { toCsv } from '@wobrin/core/calculators/calculator'
import { fileSource } from './file-source'
import { numberOption, wordOption } from './options'
import { writePieces } from './write-pieces'

/** "INDEX=ch1,STEP=ch4": a line by its name here or as it is usually written, and the channel that carries it. */
function mappingOf(text: string | undefined): Partial<Record<LineName, string>> {
  return Object.fromEntries(
    (text ?? '')
      .split(',')
      .filter(Boolean)
      .map(pair => {
        const [name = '', channel = ''] = pair.split('=').map(s => s.trim())
        const line =
          LINE_NAMES.find(l => l === name.toLowerCase().replaceAll('_', '-')) ?? Object.keys(guessLines([name]))[0]
        if (!line) throw new ParameterError(`there is no line “${name}”`, LINE_NAMES.join(', '), { field: '--map' })
        return [line, channel]
      }),
  )
}

function codeOf(text: string | undefined): TrackCode | 'auto' {
  const word = wordOption(text, 'code', ['auto', ...Object.values(CODE_IDS)]) ?? 'auto'
  return (Object.keys(CODE_IDS) as TrackCode[]).find(c => CODE_IDS[c] === word) ?? 'auto'
}

/** A number of at most so much, as a share of it. */
function shareOption(text: string | undefined, name: string, most: number): number | undefined {
  const value = numberOption(text, name, 0)
  if (value !== undefined && (value === 0 || value > most))
    throw new ParameterError(`"${text}"`, `a number above 0, at most ${most}`, { field: `--${name}` })
  return value === undefined ? undefined : value / most
}

export const bus = defineCommand({
  meta: {
    name: 'bus',
    description: 'Follow a drive by a recording of its interface lines: where the heads were, and how each track read.',
  },
  args: {
    file: { type: 'positional', description: 'the recording (VCD or CSV, also gzip-packed)', required: true },
    map: {
      type: 'string',
      description: 'which channel is which line, such as INDEX=ch1,STEP=ch4; guessed by name otherwise',
    },
    code: { type: 'string', description: `auto (default), ${Object.values(CODE_IDS).join(', ')}` },
    gain: {
      type: 'string',
      description: 'how much of each phase error the separator takes over at once, 0 to 1 (default 0.14)',
    },
    window: { type: 'string', description: 'how far the rate may be off nominal, % (default 10)' },
    inverted: { type: 'boolean', description: 'the recording has its levels the other way round' },
    trusted: { type: 'boolean', description: 'the disk was written by a verified drive' },
    image: {
      type: 'string',
      description: 'file for the sectors as read; a list of all of them goes beside it (.map.csv)',
    },
    csv: { type: 'string', description: 'file for the tracks and their margins, as CSV' },
    vcd: { type: 'string', description: 'file for a stretch of the recording, with --from and --to' },
    from: { type: 'string', description: 'beginning of that stretch, s' },
    to: { type: 'string', description: 'end of that stretch, s' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const source = await fileSource(args.file)
    const capture = await readCapture(source, { maxEdgesPerChannel: MOST_EDGES })
    const code = codeOf(args.code)
    const report = reportBus(capture, {
      mapping: mappingOf(args.map),
      code,
      inverted: args.inverted,
      separator: { phaseGain: shareOption(args.gain, 'gain', 1), capture: shareOption(args.window, 'window', 100) },
      context: { trustedDisk: args.trusted },
    })
    const image = args.image ? imageOf(report.tracks) : null
    if (image) {
      await writeFile(args.image!, image.bytes)
      await writeFile(`${args.image}.map.csv`, toCsv(imageMapCsv(image)))
    }
    if (args.csv) await writeFile(args.csv, toCsv(marginsTable(report.tracks)))
    if (args.vcd) {
      const [from, to] = [numberOption(args.from, 'from', 0) ?? 0, numberOption(args.to, 'to', 0) ?? capture.durationS]
      const kept = capture.channels.flatMap(c => (c.edges ? [{ name: c.name, edges: c.edges }] : []))
      await writePieces(
        args.vcd,
        vcdChunks(cutStretch(kept, from, to), {
          tickNs: 10,
          durationS: to - from,
          comment: `From ${from} s to ${to} s of ${capture.fileName}.`,
        }),
      )
    }
    if (args.json)
      console.log(
        JSON.stringify(
          {
            ...reportJson(report),
            evidence: { source: 'recording', by: 'Interface lines', recording: source.sha256() },
            ...(image
              ? { filled: image.filled.map(f => ({ cylinder: f.cylinder, head: f.head, id: f.id, state: f.state })) }
              : {}),
          },
          null,
          2,
        ),
      )
    else print(report, image?.filled.length ?? 0)
  },
})

function print(r: BusReport, filled: number): void {
  console.log(`${CALLS[r.call.kind].label}: ${[...r.call.reasons, r.call.next].join(' ')}`)
  for (const d of r.doubts) console.log(`  ! ${d.says} ${d.next}`)
  for (const n of r.notices) console.log(`  ! ${n}`)
  console.log(
    `  lines ${Object.entries(r.mapping)
      .map(([l, c]) => `${LINES[l as LineName].label} = ${c}`)
      .join(', ')}`,
  )
  for (const o of r.observations) console.log(`  ${o.label}: ${formatObservation(o)} (${o.how})`)
  if (r.timings.settling)
    console.log(
      `  Settling: at most ${r.timings.settling.atMostMs.toFixed(1)} ms (least of ${r.timings.settling.seeks} seeks)`,
    )
  for (const t of r.tracks) {
    const odd = t.sectors.filter(s => s.state !== 'good').map(s => `${s.id < 0 ? '?' : s.id} ${s.state}`)
    console.log(
      `  cylinder ${t.cylinder} ${HEAD_NAMES[t.head]}: ${t.format ? formatName(t.format) : 'no code known'}, ${t.sectors.filter(s => s.state === 'good').length} of ${t.sectors.length} good${t.margin === null ? '' : `, margin ${(t.margin * 100).toFixed(0)} %`}${odd.length ? `; ${odd.join(', ')}` : ''}`,
    )
  }
  if (r.unknown)
    console.log(`  spacings of the pulses come together at ${r.unknown.peaksUs.map(p => p.toFixed(2)).join(', ')} µs`)
  if (filled) console.log(`  ${filled} sectors of the image are filled, not read: they are listed beside it`)
}
