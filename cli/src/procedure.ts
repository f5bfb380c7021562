import { defineCommand } from 'citty'
import { ParameterError } from '@wobrin/core/base/errors'
import { changePart, procedureSteps, PROCEDURES, readProcedures } from '@wobrin/core/bench/procedures'
import { findMechanism } from '@wobrin/core/drives'
import { readText } from './read-text'

export const procedure = defineCommand({
  meta: { name: 'procedure', description: 'How a part is changed, or a disk made fit to be read, step by step.' },
  args: {
    part: { type: 'string', description: 'part of the tree that is changed (wobrin parts lists them)' },
    id: { type: 'string', description: `a procedure that changes no part: ${noPart().join(', ')}` },
    mechanism: { type: 'string', description: 'drive type', required: true },
    file: { type: 'string', description: 'procedures of a workshop, as its Workshop page exports them' },
    json: { type: 'boolean', description: 'print JSON' },
  },
  run({ args }) {
    const { mechanism, part, id } = args
    if ((part === undefined) === (id === undefined))
      throw new ParameterError('say what is to be done', 'either --part or --id', { field: '--part' })
    const drive = { mechanism: findMechanism(mechanism).id, features: null }
    const own =
      args.file === undefined
        ? PROCEDURES
        : readProcedures(readText(args.file, 'a JSON file of procedures', 4), args.file)
    const told = part === undefined ? procedureSteps(id!, drive, own) : changePart(part, drive, [], own)
    if (args.json) {
      console.log(JSON.stringify(told, null, 2))
      return
    }
    console.log(`${told.title}: ${told.hands} min of hands\n`)
    for (const [i, s] of told.steps.entries()) {
      console.log(`${String(i + 1).padStart(2)}  ${s.title}  (${s.hands} min)`)
      console.log(`    ${s.why}`)
      if (s.tools.length) console.log(`    ${s.tools.join(', ')}`)
      if (s.wait) console.log(`    then: ${s.wait.what}, ${s.wait.minutes} min; rests: ${s.wait.rests.join(', ')}`)
    }
  },
})

function noPart(): string[] {
  return PROCEDURES.filter(p => p.parts.length === 0).map(p => p.id)
}
