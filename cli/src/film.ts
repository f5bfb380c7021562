import { basename } from 'node:path'
import { defineCommand } from 'citty'
import { findMechanism, MECHANISM_IDS } from '@wobrin/core/drives'
import { sense } from '@wobrin/core/instruments/sensed'
import { numberOption, wordOption } from './options'
import { saySensed } from './say-sensed'
import { readBytes } from './read-bytes'

export const film = defineCommand({
  meta: {
    name: 'film',
    description: 'The spindle’s speed from the frames of a film: a CSV table of time s, place, picture (brightness).',
  },
  args: {
    file: { type: 'positional', description: 'the table, as the Camera page saves it', required: true },
    mechanism: { type: 'string', description: MECHANISM_IDS.join(' '), required: true },
    passes: { type: 'string', description: 'mark (default) or ring: what passes the place' },
    bars: { type: 'string', description: 'bars of the ring' },
    creeps: { type: 'string', description: 'with or against: which way the bars seem to creep' },
    slowed: { type: 'string', description: 'how many times slower the film plays than it was taken' },
    nominal: { type: 'string', description: 'which nominal speed was selected, r/min' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const bytes = await readBytes(args.file, 'a table of frames')
    const sensed = sense(bytes, basename(args.file), {
      of: 'film',
      passes: wordOption(args.passes, 'passes', ['mark', 'ring']) ?? 'mark',
      mechanism: findMechanism(args.mechanism).id,
      nominalRpm: numberOption(args.nominal, 'nominal', 1),
      slowed: numberOption(args.slowed, 'slowed', 1),
      bars: numberOption(args.bars, 'bars', 2),
      creeps: wordOption(args.creeps, 'creeps', ['with', 'against'] as const),
    })
    saySensed(sensed, bytes, 'Camera', args.json)
  },
})
