import { readFile, writeFile } from 'node:fs/promises'
import { defineCommand } from 'citty'
import { vcdChunks } from '@wobrin/core/signals/captures'
import { ParameterError } from '@wobrin/core/base/errors'
import { findMechanism, type MechanismId } from '@wobrin/core/drives'
import {
  exampleSpec,
  readSpec,
  recordReading,
  SCENARIOS,
  SimulatedPickup,
  type RecordOptions,
} from '@wobrin/core/simulator'
import { numberOption } from './options'
import { writePieces } from './write-pieces'

/** What the host does while a drive is recorded; beside the drive's parameters in the same file. */
const HOST = {
  cylinders: 'all',
  heads: 2,
  turns: 2,
  stepMs: 6,
  settleMs: 18,
  changeDisk: false,
  flipTab: false,
} as const

const HOST_ABOUT: Readonly<Record<keyof typeof HOST, string>> = {
  cylinders: '"all", or a list of cylinders in the order in which they are read',
  heads: 'heads that are read: 1 or 2',
  turns: 'turns for each track',
  stepMs: 'time between steps, ms',
  settleMs: 'wait after a seek, ms',
  changeDisk: 'whether the disk is taken out and put back at the end',
  flipTab: 'whether the write-protect tab is turned over at the end',
}

function hostOf(given: unknown): RecordOptions {
  const host = { ...HOST, ...((given ?? {}) as Partial<typeof HOST>) } as Record<string, unknown>
  const wrong = Object.keys(host).find(k => !k.startsWith('//') && !(k in HOST))
  if (wrong)
    throw new ParameterError(`there is no parameter “host.${wrong}”`, Object.keys(HOST).join(', '), {
      field: `host.${wrong}`,
    })
  const { cylinders } = host
  if (
    cylinders !== 'all' &&
    !(Array.isArray(cylinders) && cylinders.every(c => Number.isInteger(c) && c >= 0 && c < 100))
  )
    throw new ParameterError('host.cylinders is not usable', '"all" or a list of cylinders', {
      field: 'host.cylinders',
    })
  for (const k of ['turns', 'stepMs', 'settleMs'] as const)
    if (typeof host[k] !== 'number' || !(host[k] > 0))
      throw new ParameterError(`host.${k} is ${JSON.stringify(host[k])}`, 'a number above 0', { field: `host.${k}` })
  return {
    turns: host.turns as number,
    stepMs: host.stepMs as number,
    settleMs: host.settleMs as number,
    changeDisk: host.changeDisk === true,
    flipTab: host.flipTab === true,
    ...(cylinders === 'all' ? {} : { cylinders: cylinders as number[] }),
    ...(host.heads === 1 ? { heads: [0] as const } : {}),
  }
}

async function drive(path: string, out: string): Promise<void> {
  let json: Record<string, unknown>
  try {
    json = JSON.parse(await readFile(path, 'utf8'))
  } catch (error) {
    throw new ParameterError(
      `the specification cannot be read: ${(error as Error).message}`,
      'a JSON file, such as --example prints',
      { file: path },
    )
  }
  const { host, ...spec } = json
  const recording = recordReading(readSpec(spec), hostOf(host))
  await writePieces(
    out,
    vcdChunks(recording.channels, {
      tickNs: 10,
      durationS: recording.durationS,
      comment: 'Recorded from a simulated drive.',
    }),
  )
  console.log(
    `${out}: ${recording.durationS.toFixed(1)} s of the interface of a simulated ${findMechanism(recording.drive.spec.mechanism).label} drive.`,
  )
}

async function pickup(
  out: string,
  mechanismId: string,
  scenarioId: string,
  seconds: number,
  seed: number,
): Promise<void> {
  const mechanism = findMechanism(mechanismId)
  const scenario = SCENARIOS.find(s => s.id === scenarioId)
  if (!scenario)
    throw new ParameterError(`there is no scenario "${scenarioId}"`, `one of ${SCENARIOS.map(s => s.id).join(', ')}`, {
      field: '--scenario',
    })
  const simulated = new SimulatedPickup(scenario.options(mechanism.id, seed))
  simulated.advanceTo(seconds)
  await writeFile(out, simulated.toVcd(`${scenario.label}, ${mechanism.label}, simulated.`))
  console.log(`${out}: ${scenario.label}, ${mechanism.label}.`)
}

export const simulate = defineCommand({
  meta: {
    name: 'simulate',
    description: 'Record a simulated drive by a specification, or a simulated pickup, to a VCD file.',
  },
  args: {
    spec: {
      type: 'positional',
      description: 'specification of the drive (JSON); without --out, the file for a pickup’s recording',
      required: false,
    },
    out: { type: 'string', description: 'file for the recording of the drive’s interface' },
    example: { type: 'boolean', description: 'print a specification with every parameter explained' },
    mechanism: { type: 'string', description: 'mechanism id', default: '5.25in-48' },
    scenario: { type: 'string', description: `of the pickup: ${SCENARIOS.map(s => s.id).join(' ')}`, default: 'fast' },
    seconds: { type: 'string', description: 'length of the pickup’s recording', default: '20' },
    seed: { type: 'string', description: 'of the pickup: same seed, same recording', default: '1' },
  },
  async run({ args }) {
    if (args.example) {
      const host = Object.fromEntries(
        Object.entries(HOST).flatMap(([k, v]) => [
          [`// ${k}`, HOST_ABOUT[k as keyof typeof HOST]],
          [k, v],
        ]),
      )
      console.log(JSON.stringify({ ...exampleSpec(findMechanism(args.mechanism).id as MechanismId), host }, null, 2))
      return
    }
    if (!args.spec)
      throw new ParameterError(
        'no file was given',
        'a specification with --out FILE.vcd, or a file for a pickup’s recording',
        { field: 'spec' },
      )
    if (args.out) await drive(args.spec, args.out)
    else
      await pickup(
        args.spec,
        args.mechanism,
        args.scenario,
        numberOption(args.seconds, 'seconds', 0.1)!,
        numberOption(args.seed, 'seed', 0)!,
      )
  },
})
