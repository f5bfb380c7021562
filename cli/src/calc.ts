import { defineCommand } from 'citty'
import { findCalculator, CALCULATORS } from '@wobrin/core/calculators/registry'
import { CALLS, evidenceBy } from '@wobrin/core/base/observations'
import { judgedCalculator } from '@wobrin/core/diagnosis'
import { ParameterError } from '@wobrin/core/base/errors'

export const calc = defineCommand({
  meta: { name: 'calc', description: `Numbers in, call out: ${CALCULATORS.map(s => s.id).join(', ')}.` },
  args: {
    instrument: { type: 'positional', description: 'which one', required: true },
    values: {
      type: 'string',
      description: 'such as motor=9,flywheel=62,centre=70,section=1.2; left out, the fields are listed',
    },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    const it = findCalculator(args.instrument)
    if (args.values === undefined) {
      for (const f of it.fields)
        console.log(
          `${f.key.padEnd(12)} ${f.label}${f.choices ? `: ${f.choices.map(c => c.value).join(', ')}` : ''}${f.required ? ' (needed)' : ''}`,
        )
      for (const f of it.list?.fields ?? [])
        console.log(
          `${`${it.list!.key}.0.${f.key}`.padEnd(16)} ${it.list!.one}: ${f.label}${f.required ? ' (needed)' : ''}`,
        )
      return
    }
    const typed = Object.fromEntries(
      args.values.split(',').map((pair): [string, string] => {
        const [key, ...value] = pair.split('=')
        const [list, row, field] = key!.trim().split('.')
        const inList =
          it.list &&
          list === it.list.key &&
          /^\d+$/.test(row ?? '') &&
          Number(row) < it.list.most &&
          it.list.fields.some(f => f.key === field)
        if (!inList && !it.fields.some(f => f.key === key!.trim()))
          throw new ParameterError(`there is no field "${key!.trim()}"`, it.fields.map(f => f.key).join(', '), {
            field: '--values',
          })
        return [key!.trim(), value.join('=')]
      }),
    )
    const { result, needed, doubts } = judgedCalculator(it, typed)
    if (!result)
      throw new ParameterError(`${needed.join(', ')} left out`, 'all that the calculator needs', { field: '--values' })
    if (args.json) {
      console.log(JSON.stringify({ ...result, doubts, evidence: evidenceBy('instrument', it.title) }, null, 2))
      return
    }
    console.log(`${CALLS[result.call.kind].label}: ${[...result.call.reasons, result.call.next].join(' ')}`)
    for (const l of result.lines)
      console.log(
        `  ${l.label}: ${typeof l.value === 'number' ? Number(l.value.toPrecision(4)) : l.value} ${l.unit}${l.note ? ` (${l.note})` : ''}`,
      )
    if (result.table) for (const row of [result.table.columns, ...result.table.rows]) console.log(`  ${row.join('  ')}`)
    for (const d of doubts) console.log(d)
  },
})
