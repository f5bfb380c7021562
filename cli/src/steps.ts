import { defineCommand } from 'citty'
import { findFinding, recordFinding } from '@wobrin/core/findings'
import { MECHANISM_IDS } from '@wobrin/core/drives'
import type { LogEntry } from '@wobrin/core/log'
import { walk } from '@wobrin/core/bench/stations'
import { wordOption } from './options'

export const steps = defineCommand({
  meta: { name: 'steps', description: 'The steps of a drive type, station by station, with its safety gates.' },
  args: {
    mechanism: { type: 'string', description: `one of ${MECHANISM_IDS.join(', ')}`, required: true },
    found: { type: 'string', description: 'what was found, with commas between: belt.goo,smell.fish' },
    json: { type: 'boolean', description: 'print them as JSON' },
  },
  run({ args }) {
    const found = (args.found ?? '')
      .split(',')
      .map(f => f.trim())
      .filter(Boolean)
    const log = found.map((id, i): LogEntry => ({
      id,
      seq: i + 1,
      driveId: '',
      at: '1970-01-01T00:00:00Z',
      kind: 'finding',
      station: 'receive',
      title: recordFinding({ finding: findFinding(id).finding.id }).title,
      detail: '',
      call: null,
      observations: [],
      evidence: null,
      data: { type: 'finding', finding: id, place: null },
      takesBack: null,
    }))
    const way = walk({ mechanism: wordOption(args.mechanism, 'mechanism', MECHANISM_IDS)! }, log, 0)
    if (args.json) {
      console.log(
        JSON.stringify(
          {
            stations: way.stations.map(s => ({ id: s.station.id, steps: s.steps.map(x => x.step) })),
            gates: way.gates.map(g => ({ id: g.gate.id, open: g.open, missing: g.missing.map(m => m.sentence) })),
          },
          null,
          2,
        ),
      )
      return
    }
    for (const { station, steps: its } of way.stations) {
      console.log(station.label)
      for (const { step } of its)
        console.log(
          `  ${step.title} (${step.hands} min${step.wait ? `, then ${step.wait} min waiting` : ''})${step.gate ? ` [gate: ${step.gate}]` : ''}`,
        )
    }
    for (const g of way.gates) if (g.forbidden) console.log(`Closed: ${g.gate.label}. ${g.missing[0]!.sentence}`)
  },
})
