import { defineCommand } from 'citty'
import { layoutsOf, MECHANISM_IDS, type MechanismId } from '@wobrin/core/drives'
import { CALLS, evidenceBy } from '@wobrin/core/base/observations'
import type { WriteTestResult } from '@wobrin/core/log'
import { judgeWriteTest } from '@wobrin/core/proof'
import {
  DRIVE_STORIES,
  QUICK_STORIES,
  SimulatedDrive,
  spreadCylinders,
  STORY_SEED,
  writeQuickSide,
  writeTest as runWriteTest,
} from '@wobrin/core/simulator'
import { wordOption } from './options'

const classes = MECHANISM_IDS.filter(m => layoutsOf(m).length || m === 'quick-disk')

function resultOf(mechanism: MechanismId, state: string): WriteTestResult {
  if (mechanism === 'quick-disk') return writeQuickSide(QUICK_STORIES.find(s => s.id === state)!.spec)
  const drive = new SimulatedDrive(DRIVE_STORIES.find(s => s.id === state)!.of(mechanism, STORY_SEED))
  const run = runWriteTest(drive, {
    patternCylinders: spreadCylinders(drive.media!.layout.cylinders),
    stepMs: 6,
    settleMs: 18,
  })
  let step = run.next()
  while (!step.done) step = run.next()
  return step.value
}

export const writeTest = defineCommand({
  meta: {
    name: 'write-test',
    description:
      'A host’s write test on the simulated drive: protect, format, patterns, home; what it finds, and what it hides.',
  },
  args: {
    mechanism: { type: 'string', description: classes.join(', '), default: '3in' },
    state: { type: 'string', description: DRIVE_STORIES.map(s => s.id).join(', '), default: 'sound' },
    json: { type: 'boolean', description: 'print result and checks as JSON' },
  },
  run({ args }) {
    const mechanism = wordOption<MechanismId>(args.mechanism, 'mechanism', classes)!
    const stories = mechanism === 'quick-disk' ? QUICK_STORIES : DRIVE_STORIES
    const state = wordOption(
      args.state,
      'state',
      stories.map(x => x.id),
    )!
    const result = resultOf(mechanism, state)
    const { checks, call } = judgeWriteTest(mechanism, result)
    if (args.json) {
      console.log(
        JSON.stringify({ mechanism, state, result, checks, call, evidence: evidenceBy('simulated') }, null, 2),
      )
      return
    }
    console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
    for (const c of checks) console.log(`  ${c.state.padEnd(6)}  ${c.label}: ${c.says}`)
  },
})
