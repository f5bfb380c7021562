import { writeFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { ParameterError } from '@wobrin/core/errors'
import { findMechanism } from '@wobrin/core/mechanisms'
import { SCENARIOS, SimulatedPickup } from '@wobrin/core/simulation'
import { numberOption } from './options'

export const simulate = defineCommand({
  meta: { name: 'simulate', description: 'Record a simulated pickup to a VCD file.' },
  args: {
    out: { type: 'positional', description: 'file to write', required: true },
    mechanism: { type: 'string', description: 'mechanism id', default: '5.25in-48' },
    scenario: { type: 'string', description: SCENARIOS.map(s => s.id).join(' '), default: 'fast' },
    seconds: { type: 'string', description: 'length of the recording', default: '20' },
    seed: { type: 'string', description: 'same seed, same recording', default: '1' },
  },
  async run({ args }) {
    const mechanism = findMechanism(args.mechanism)
    const scenario = SCENARIOS.find(s => s.id === args.scenario)
    if (!scenario) throw new ParameterError(`there is no scenario "${args.scenario}"`, `one of ${SCENARIOS.map(s => s.id).join(', ')}`, { field: '--scenario' })
    const pickup = new SimulatedPickup(scenario.options(mechanism.id, numberOption(args.seed, 'seed', 0)!))
    pickup.advanceTo(numberOption(args.seconds, 'seconds', 0.1)!)
    await writeFile(args.out, pickup.toVcd(`${scenario.label}, ${mechanism.label}, simulated.`))
    console.log(`${args.out}: ${scenario.label}, ${mechanism.label}.`)
  },
})
