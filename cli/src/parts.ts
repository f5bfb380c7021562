import { defineCommand } from 'citty'
import { findMechanism, type MechanismId } from '@wobrin/core/drives'
import { IN_DRIVES, partsOn, proveAgain, shapeOf } from '@wobrin/core/parts'

/** A part as it is told: named fields, assemblies before their pieces. */
function told(mechanism: MechanismId | null) {
  const nodes = mechanism ? partsOn({ mechanism, features: null }, []) : IN_DRIVES
  return nodes.map(n => ({
    id: n.id,
    label: n.label,
    within: n.within,
    fits: n.shape ? 'by its measures' : 'the same model',
    measures: n.shape ? shapeOf(n.shape).measures.map(m => ({ id: m.id, label: m.label, unit: m.unit })) : [],
    minutes: n.minutes,
    again: proveAgain(n.again),
  }))
}

export const parts = defineCommand({
  meta: { name: 'parts', description: 'List the parts that people swap, with what has to be shown afterwards.' },
  args: {
    mechanism: { type: 'string', description: 'only those of one drive type' },
    json: { type: 'boolean', description: 'print JSON' },
  },
  run({ args }) {
    const type = args.mechanism === undefined ? null : findMechanism(args.mechanism)
    const list = told(type?.id ?? null)
    if (args.json) {
      console.log(JSON.stringify(list, null, 2))
      return
    }
    if (type) console.log(`${type.label}\n`)
    for (const p of list)
      console.log(`${p.within ? '   ' : ''}${p.id.padEnd(p.within ? 21 : 24)} ${p.label.padEnd(34)} ${p.minutes} min`)
  },
})
