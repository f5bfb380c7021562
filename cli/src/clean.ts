import { defineCommand } from 'citty'
import {
  adviseCleaning,
  AGENTS,
  LUBRICANT_SCHOOLS,
  MATERIALS,
  SOILS,
  type LubricantSchool,
  type Material,
  type Soil,
} from '@wobrin/core/bench/cleaning'
import { wordOption, wordsOption } from './options'

export const clean = defineCommand({
  meta: { name: 'clean', description: 'What to clean with, in which order, and what must never touch what.' },
  args: {
    soils: {
      type: 'string',
      description: `what has to come off, with commas between: ${Object.keys(SOILS).join(', ')}`,
      required: true,
    },
    materials: { type: 'string', description: `what is there: ${Object.keys(MATERIALS).join(', ')}`, required: true },
    school: {
      type: 'string',
      description: `lubricant method: ${Object.keys(LUBRICANT_SCHOOLS).join(' or ')}`,
      default: 'light-oil',
    },
    shelf: { type: 'string', description: 'what is at hand; all of it where left out' },
    json: { type: 'boolean', description: 'print the advice as JSON' },
  },
  run({ args }) {
    const ids = AGENTS.map(a => a.id)
    const advice = adviseCleaning({
      soils: wordsOption(args.soils, 'soils', Object.keys(SOILS) as Soil[]),
      materials: wordsOption(args.materials, 'materials', Object.keys(MATERIALS) as Material[]),
      school: wordOption(args.school, 'school', Object.keys(LUBRICANT_SCHOOLS) as LubricantSchool[])!,
      shelf: args.shelf === undefined ? ids : wordsOption(args.shelf, 'shelf', ids),
    })
    if (args.json) {
      console.log(JSON.stringify(advice, null, 2))
      return
    }
    for (const [i, s] of advice.steps.entries()) {
      console.log(
        `${String(i + 1).padStart(2)}. ${s.agent.label} on ${s.on.map(m => MATERIALS[m].toLowerCase()).join(', ')}${s.toGet ? ' (to be got)' : ''}`,
      )
      for (const line of [
        `${s.title}. ${s.how}`,
        ...s.care.map(c => `Careful: ${c}`),
        ...(s.dryMinutes ? [`Then ${s.dryMinutes} min.`] : []),
      ])
        console.log(`    ${line}`)
    }
    for (const [heading, lines] of [
      ['Never', advice.never],
      ['Why not something else', advice.conflicts],
      ['Mind', advice.cautions],
    ] as const) {
      if (lines.length) console.log(`${heading}:\n${lines.map(l => `    ${l}`).join('\n')}`)
    }
  },
})
