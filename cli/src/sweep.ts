import { readFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { ADJUSTER_IDS, judgeSweep, readSweep, sweepJson, type SweepContext, type WindowEstimate } from '@wobrin/core/carriage'
import { ParameterError } from '@wobrin/core/errors'
import { isMechanismId, MECHANISM_IDS, type MechanismId } from '@wobrin/core/mechanisms'
import { CALLS } from '@wobrin/core/observations'
import { plain } from '@wobrin/core/sums'

function contextFrom(args: { unit?: string, adjuster?: string, mechanism?: string, travel?: string, stood?: string, um?: string }): SweepContext {
  const number = (field: string, text?: string) => {
    if (text === undefined) return undefined
    if (!Number.isFinite(Number(text)) || text.trim() === '') throw new ParameterError(`--${field} is “${text}”`, 'a number', { field })
    return Number(text)
  }
  const adjuster = ADJUSTER_IDS.find(a => a === args.adjuster)
  if (args.adjuster && !adjuster) throw new ParameterError(`there is no adjuster “${args.adjuster}”`, ADJUSTER_IDS.join(', '), { field: 'adjuster' })
  if (args.mechanism && !isMechanismId(args.mechanism)) throw new ParameterError(`there is no class “${args.mechanism}”`, MECHANISM_IDS.join(', '), { field: 'mechanism' })
  const ends = args.travel?.split('..').map(Number)
  if (ends && (ends.length !== 2 || !ends.every(Number.isFinite) || ends[0]! >= ends[1]!)) throw new ParameterError(`--travel is “${args.travel}”`, 'two numbers that rise, such as -10..10', { field: 'travel' })
  return { unit: args.unit, adjuster, mechanism: args.mechanism as MechanismId | undefined, travel: ends as [number, number] | undefined, stood: number('stood', args.stood), umPerUnit: number('um', args.um) }
}

export const sweep = defineCommand({
  meta: { name: 'sweep', description: 'Judge a sweep of an adjuster: where each head reads, where to try next, where to set it.' },
  args: {
    file: { type: 'positional', description: 'CSV with position, lower_good, lower_expected and, for two heads, upper_good, upper_expected', required: true },
    unit: { type: 'string', description: 'unit of the positions, for the words' },
    adjuster: { type: 'string', description: `what is moved: ${ADJUSTER_IDS.join(', ')}` },
    mechanism: { type: 'string', description: 'class of the drive, for the physics of its heads' },
    travel: { type: 'string', description: 'how far the adjuster goes, such as -10..10' },
    stood: { type: 'string', description: 'where it stood when it came' },
    um: { type: 'string', description: 'what one unit of the scale moves the head by, micrometres' },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  async run({ args }) {
    const text = await readFile(args.file, 'utf8').catch((error: Error) => { throw new ParameterError(`it cannot be read: ${error.message}`, 'a CSV file', { file: args.file }) })
    const result = judgeSweep(readSweep(text, args.file), contextFrom(args))
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
