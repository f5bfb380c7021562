import { defineCommand } from 'citty'
import { CALLS, evidenceWords, SOURCE_IDS } from '@wobrin/core/base/observations'
import { MECHANISM_IDS } from '@wobrin/core/drives'
import { READINGS, recordReading } from '@wobrin/core/diagnosis/readings'
import { numberOption, wordOption } from './options'

export const reading = defineCommand({
  meta: {
    name: 'reading',
    description: 'Judge a value that was read off something: a speed, a voltage, a level, a count.',
  },
  args: {
    key: {
      type: 'positional',
      description: 'which reading, such as speed.mean; left out, all are listed',
      required: false,
    },
    value: { type: 'positional', description: 'a number, or one of its words', required: false },
    of: { type: 'string', description: 'for a count of sectors: how many were tried' },
    mechanism: { type: 'string', description: MECHANISM_IDS.join(' '), default: '5.25in-48' },
    source: { type: 'string', description: SOURCE_IDS.join(' ') },
    by: { type: 'string', description: 'the tool or program, in words' },
    uncertainty: { type: 'string', description: 'half-width of the 95 % interval, in the unit of the reading' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    if (!args.key) {
      for (const r of READINGS)
        console.log(
          `${r.key.padEnd(22)} ${r.label}${r.unit ? `, ${r.unit}` : ''}${r.words ? `: ${r.words.join(', ')}` : ''}`,
        )
      return
    }
    const drive = {
      mechanism: wordOption(args.mechanism, 'mechanism', MECHANISM_IDS)!,
      nominalRpm: null,
      hasTrimmer: null,
      motor: null,
    }
    const recorded = recordReading(
      {
        key: args.key,
        value: args.value ?? '',
        of: numberOption(args.of, 'of', 1),
        source: wordOption(args.source, 'source', SOURCE_IDS),
        by: args.by,
        uncertainty: numberOption(args.uncertainty, 'uncertainty', 0),
      },
      drive,
    )
    const { call, observations, evidence } = recorded
    if (args.json) {
      console.log(JSON.stringify({ call, observations, evidence }, null, 2))
      return
    }
    if (call) {
      console.log(`${CALLS[call.kind].label}: ${call.reasons.join(' ')}`)
      console.log(`Next: ${call.next}`)
    } else console.log(recorded.title)
    console.log(`Source: ${evidenceWords(evidence)}`)
  },
})
