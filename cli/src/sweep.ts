import { readFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { judgeSweep, readSweep, sweepJson, type WindowEstimate } from '@wobrin/core/carriage'
import { ParameterError } from '@wobrin/core/errors'
import { CALLS } from '@wobrin/core/observations'
import { plain } from '@wobrin/core/sums'

export const sweep = defineCommand({
  meta: { name: 'sweep', description: 'Judge a sweep of an adjuster: where each head reads, where to try next, where to set it.' },
  args: {
    file: { type: 'positional', description: 'CSV with position, lower_good, lower_expected and, for two heads, upper_good, upper_expected', required: true },
    unit: { type: 'string', description: 'unit of the positions, for the words' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const text = await readFile(args.file, 'utf8').catch((error: Error) => { throw new ParameterError(`it cannot be read: ${error.message}`, 'a CSV file', { file: args.file }) })
    const result = judgeSweep(readSweep(text, args.file), { unit: args.unit })
    if (args.json) {
      console.log(JSON.stringify(sweepJson(result), null, 2))
      return
    }
    const { call } = result
    console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
    const line = (name: string, e: WindowEstimate | null) => { if (e) console.log(`  ${name} head: from ${plain(e.from.value)} to ${plain(e.to.value)}, middle ${plain(e.centre.value)} ± ${plain(e.centre.uncertainty)}`) }
    line('lower', result.lower)
    line('upper', result.upper)
    if (result.common) console.log(`  both: from ${plain(result.common.from)} to ${plain(result.common.to)}, middle ${plain(result.common.centre)}`)
  },
})
