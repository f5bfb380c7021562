import { writeFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { ParameterError } from '@wobrin/core/base/errors'
import { readCapture, writeTransitionsBinary, writeTransitionsText } from '@wobrin/core/signals/captures'
import { fluxFromEdges } from '@wobrin/core/signals/separator'
import { fileSource } from './file-source'
import { wordOption } from './options'
import { readData } from './read-data'

export const transitions = defineCommand({
  meta: {
    name: 'transitions',
    description: 'Raw transitions of a track as an open file of nanoseconds (docs/transitions.md).',
  },
  args: {
    file: { type: 'positional', description: 'the recording, of one track', required: true },
    out: { type: 'string', description: 'file to write', required: true },
    binary: { type: 'boolean', description: '32-bit numbers in the place of text' },
    channel: { type: 'string', description: 'the read-data line (the busiest by default)' },
    index: { type: 'string', description: 'the index line (one that is called so by default)' },
    level: { type: 'string', description: 'level of a pulse: low (default) or high' },
  },
  async run({ args }) {
    const source = await fileSource(args.file)
    const { channels } = await readCapture(source, { maxEdgesPerChannel: 8_000_000 })
    const low = wordOption(args.level, 'level', ['low', 'high']) !== 'high'
    const data = readData(channels, args.channel)
    const index = channels.find(c =>
      args.index === undefined ? /index/i.test(c.name) && c !== data : c.name === args.index,
    )
    if (args.index !== undefined && !index?.edges)
      throw new ParameterError(`there is no channel “${args.index}”`, channels.map(c => c.name).join(', '), {
        field: '--index',
      })
    const track = {
      timesS: fluxFromEdges(data.edges!, low),
      indexS: index?.edges ? fluxFromEdges(index.edges, low) : [],
    }
    await writeFile(args.out, args.binary ? writeTransitionsBinary(track) : writeTransitionsText(track))
    console.log(`${track.timesS.length} transitions and ${track.indexS.length} index marks in ${args.out}.`)
  },
})
