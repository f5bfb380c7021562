import { createHash } from 'node:crypto'
import { defineCommand } from 'citty'
import { PATTERNS, readScope, type Pattern } from '@wobrin/core/instruments/alignment'
import { readWaveform } from '@wobrin/core/signals/captures'
import { ParameterError } from '@wobrin/core/base/errors'
import { readBytes } from './read-bytes'

export const scope = defineCommand({
  meta: {
    name: 'scope',
    description: 'Read a scope recording of an alignment track: lobes, azimuth bursts or the index burst.',
  },
  args: {
    file: {
      type: 'positional',
      description: 'WAV, or CSV with time and amplitude; a second channel is the index',
      required: true,
    },
    pattern: { type: 'string', description: Object.keys(PATTERNS).join(', '), default: 'lobes' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    if (!(args.pattern in PATTERNS))
      throw new ParameterError(`there is no pattern “${args.pattern}”`, Object.keys(PATTERNS).join(', '), {
        field: 'pattern',
      })
    const bytes = await readBytes(args.file, 'a WAV or CSV file')
    const wave = readWaveform(bytes, args.file)
    const { says, turns, values, humps, pattern } = readScope(wave, args.pattern as Pattern)
    const evidence = {
      source: 'recording',
      by: 'Alignment disk on the scope',
      recording: createHash('sha256').update(bytes).digest('hex'),
    }
    if (args.json) {
      console.log(JSON.stringify({ pattern, turns, values, humps, notices: wave.notices, evidence }, null, 2))
      return
    }
    for (const n of wave.notices) console.log(n)
    console.log(`${says}${turns > 1 ? ` (${turns} revolutions)` : ''}`)
    console.log(
      `Judge them with: wobrin calc ${{ lobes: 'lobes', azimuth: 'azimuth', index: 'index-burst' }[pattern]} --values ${Object.entries(
        values,
      )
        .map(([k, v]) => `${k}=${v}`)
        .join(',')},…`,
    )
  },
})
