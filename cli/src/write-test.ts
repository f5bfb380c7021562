import { defineCommand } from 'citty'
import { layoutsOf, MECHANISM_IDS, type MechanismId } from '@wobrin/core/mechanisms'
import { CALLS } from '@wobrin/core/observations'
import { judgeWriteTest } from '@wobrin/core/proving'
import { DRIVE_STORIES, SimulatedDrive, spreadCylinders, STORY_SEED, writeTest as runWriteTest } from '@wobrin/core/simulation'
import { wordOption } from './options'

const steppers = MECHANISM_IDS.filter(m => layoutsOf(m).length)

export const writeTest = defineCommand({
  meta: { name: 'write-test', description: 'A host’s write test on the simulated drive: protect, format, patterns, home; what it finds, and what it hides.' },
  args: {
    mechanism: { type: 'string', description: steppers.join(', '), default: '3in' },
    state: { type: 'string', description: DRIVE_STORIES.map(s => s.id).join(', '), default: 'sound' },
    json: { type: 'boolean', description: 'print result and checks as JSON' },
  },
  run({ args }) {
    const mechanism = wordOption<MechanismId>(args.mechanism, 'mechanism', steppers)!
    const story = DRIVE_STORIES.find(s => s.id === wordOption(args.state, 'state', DRIVE_STORIES.map(x => x.id)))!
    const drive = new SimulatedDrive(story.of(mechanism, STORY_SEED))
    const run = runWriteTest(drive, { patternCylinders: spreadCylinders(drive.media!.layout.cylinders), stepMs: 6, settleMs: 18 })
    let step = run.next()
    while (!step.done) step = run.next()
    const { checks, call } = judgeWriteTest(mechanism, step.value)
    if (args.json) {
      console.log(JSON.stringify({ mechanism, state: story.id, result: step.value, checks, call }, null, 2))
      return
    }
    console.log(`${CALLS[call.kind].label}: ${[...call.reasons, call.next].join(' ')}`)
    for (const c of checks) console.log(`  ${c.state.padEnd(6)}  ${c.label}: ${c.says}`)
  },
})
