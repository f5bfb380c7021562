import { defineCommand } from 'citty'
import { ADJUSTER_IDS, MECHANISM_IDS } from '@wobrin/core/drives'
import {
  judgeSweep,
  readSweep,
  sweepJson,
  type SweepContext,
  type RangeEstimate,
} from '@wobrin/core/instruments/alignment'
import { ParameterError } from '@wobrin/core/base/errors'
import { CALLS, evidenceBy, plain } from '@wobrin/core/base/observations'
import { numberOption, wordOption } from './options'
import { readText } from './read-text'

function contextFrom(args: {
  unit?: string
  adjuster?: string
  mechanism?: string
  travel?: string
  stood?: string
  witness?: string
  by?: string
  um?: string
}): SweepContext {
  const ends = args.travel?.split('..').map(Number)
  if (ends && (ends.length !== 2 || !ends.every(Number.isFinite) || ends[0]! >= ends[1]!))
    throw new ParameterError(`--travel is “${args.travel}”`, 'two numbers that rise, such as -10..10', {
      field: 'travel',
    })
  return {
    unit: args.unit,
    adjuster: wordOption(args.adjuster, 'adjuster', ADJUSTER_IDS),
    mechanism: wordOption(args.mechanism, 'mechanism', MECHANISM_IDS),
    travel: ends as [number, number] | undefined,
    stood: numberOption(args.stood, 'stood', -Infinity),
    witness: numberOption(args.witness, 'witness', -Infinity),
    by: wordOption(args.by, 'by', ['lower', 'upper'] as const),
    umPerUnit: numberOption(args.um, 'um', 0),
  }
}

export const sweep = defineCommand({
  meta: {
    name: 'sweep',
    description: 'Judge a sweep of an adjuster: where each head reads, where to try next, where to set it.',
  },
  args: {
    file: {
      type: 'positional',
      description: 'CSV with position, lower_good, lower_expected and, for two heads, upper_good, upper_expected',
      required: true,
    },
    unit: { type: 'string', description: 'name of the unit, used in text only' },
    adjuster: { type: 'string', description: `what is moved: ${ADJUSTER_IDS.join(', ')}` },
    mechanism: { type: 'string', description: 'drive type, for the physics of its heads' },
    travel: { type: 'string', description: 'how far the adjuster goes, such as -10..10' },
    stood: { type: 'string', description: 'where it stood when it came' },
    witness: { type: 'string', description: 'where an old mark in glue or paint shows that it once stood' },
    by: { type: 'string', description: 'the head that judges it, lower or upper; else those that the adjuster moves' },
    um: { type: 'string', description: 'what one unit of the scale moves the head by, micrometres' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    const result = judgeSweep(readSweep(readText(args.file, 'a CSV file', 20), args.file), contextFrom(args))
    if (args.json) {
      console.log(JSON.stringify({ ...sweepJson(result), evidence: evidenceBy('host') }, null, 2))
      return
    }
    const { call } = result
    console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
    const line = (name: string, e: RangeEstimate | null) => {
      if (e)
        console.log(
          `  ${name} head: from ${plain(e.from.value)} to ${plain(e.to.value)}, middle ${plain(e.centre.value)} ± ${plain(e.centre.uncertainty)}`,
        )
    }
    line('lower', result.lower)
    line('upper', result.upper)
    if (result.common)
      console.log(
        `  both: from ${plain(result.common.from)} to ${plain(result.common.to)}, middle ${plain(result.common.centre)}`,
      )
  },
})
