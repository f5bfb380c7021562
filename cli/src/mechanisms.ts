import { defineCommand } from 'citty'
import { describeSource, MECHANISMS, speedBands } from '@wobrin/core/drives'

export const mechanisms = defineCommand({
  meta: { name: 'mechanisms', description: 'List the drive types with their speeds and sources.' },
  args: { json: { type: 'boolean', description: 'print the catalogue as JSON' } },
  run({ args }) {
    if (args.json) {
      console.log(JSON.stringify(MECHANISMS, null, 2))
      return
    }
    for (const m of MECHANISMS) {
      for (const nominal of m.speed.nominal) {
        const { wide } = speedBands(m, nominal.value)
        const band = wide
          ? `leave alone ${wide.low.toFixed(1)} to ${wide.high.toFixed(1)} (${describeSource(wide.source)})`
          : 'held by a servo'
        console.log(`${m.id.padEnd(14)} ${m.label.padEnd(32)} ${String(nominal.value).padStart(5)} r/min, ${band}`)
      }
    }
  },
})
