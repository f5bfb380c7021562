import { writeFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { readCapture } from '@wobrin/core/signals/captures'
import { ParameterError } from '@wobrin/core/base/errors'
import { CALLS } from '@wobrin/core/base/observations'
import { diskImage, FORMATS, judgeTrack, mergeTurns, recogniseTrack, STATES } from '@wobrin/core/signals/codes'
import { fluxFromEdges } from '@wobrin/core/signals/separator'
import { fileSource } from './file-source'
import { wordOption } from './options'
import { readData } from './read-data'

export const read = defineCommand({
  meta: {
    name: 'read',
    description: 'Read a track from a recording of the read-data line: sectors, and the timing margin left.',
  },
  args: {
    file: {
      type: 'positional',
      description: 'the recording (VCD or CSV, also gzip-packed), of one track',
      required: true,
    },
    channel: { type: 'string', description: 'the read-data line (the busiest by default)' },
    level: { type: 'string', description: 'level of a pulse: low (default) or high' },
    image: { type: 'string', description: 'file for the sectors as read, in order; unread ones are filled and listed' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const source = await fileSource(args.file)
    const capture = await readCapture(source, { maxEdgesPerChannel: 8_000_000 })
    const channel = readData(capture.channels, args.channel)
    const times = fluxFromEdges(channel.edges!, wordOption(args.level, 'level', ['low', 'high']) !== 'high')
    const track = recogniseTrack(times)
    if (!track)
      throw new ParameterError(
        `no track is in channel ${channel.name}`,
        `FM or MFM at ${[...new Set(FORMATS.map(f => f.rate / 1000))].join(', ')} kbit/s`,
        { file: capture.fileName },
      )
    const sectors = mergeTurns(track.sectors)
    const { call, observations } = judgeTrack(track, sectors)
    const image = diskImage(
      sectors
        .filter(s => s.state !== 'foreign')
        .map(s => ({ cylinder: s.cylinder, head: s.head, id: s.sector, bytes: s.size, state: s.state, data: s.data })),
    )
    if (args.image) await writeFile(args.image, image.bytes)
    if (args.json) {
      console.log(
        JSON.stringify(
          {
            call: call.kind,
            evidence: { source: 'recording', by: 'Read', recording: source.sha256() },
            reasons: call.reasons,
            next: call.next,
            channel: channel.name,
            format: track.format,
            margin: track.margin,
            shift: track.shift,
            rateOff: track.rateOff,
            observations,
            sectors: sectors.map(({ data: _, ...s }) => s),
            filled: args.image ? image.filled.map(s => ({ cylinder: s.cylinder, head: s.head, sector: s.id })) : [],
          },
          null,
          2,
        ),
      )
      return
    }
    console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
    for (const s of sectors)
      console.log(
        `  cylinder ${s.cylinder} head ${s.head} sector ${s.sector}: ${STATES[s.state].label}, whole ${s.whole} of ${s.seen}, margin ${(s.margin * 100).toFixed(0)} %`,
      )
    if (args.image && image.filled.length)
      console.log(
        `  ${image.filled.length} filled in ${args.image}, not read: ${image.filled.map(s => s.id).join(', ')}`,
      )
  },
})
