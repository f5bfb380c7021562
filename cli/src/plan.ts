import { defineCommand } from 'citty'
import { ParameterError } from '@wobrin/core/base/errors'
import { planBench, readBench, type PlannedTask } from '@wobrin/core/bench/plan'
import { fromJson } from './read-text'

/** So many seconds are taken at most where the best plan is not found before. */
const SECONDS = 10
const TRIES = 1_000_000

function show(schedule: readonly PlannedTask[]): void {
  for (const { id, start, end } of schedule)
    console.log(`  ${String(start).padStart(6)} – ${String(end).padStart(6)} min  ${id}`)
}

export const plan = defineCommand({
  meta: {
    name: 'plan',
    description: 'What hands do when on a bench: the shortest plan, and what fits into the minutes that there are.',
  },
  args: {
    file: { type: 'positional', description: 'the bench as JSON: hands, tasks, resources, minutes', required: true },
    seconds: { type: 'string', description: 'time to look for a shorter plan', default: String(SECONDS) },
    json: { type: 'boolean', description: 'print the answer as JSON' },
  },
  run({ args }) {
    const seconds = Number(args.seconds)
    if (!(seconds > 0 && seconds <= 3600))
      throw new ParameterError(`“${args.seconds}” is not a time`, 'seconds up to 3600', { field: '--seconds' })
    const bench = fromJson(args.file, 'a bench as JSON', readBench)
    const until = performance.now() + seconds * 1000
    const answer = planBench(bench, { tries: TRIES, goOn: () => performance.now() < until })
    if (args.json) {
      console.log(JSON.stringify(answer, null, 2))
      return
    }
    const { makespanMinutes, bound, proved, schedule, sitting } = answer
    console.log(
      proved
        ? `All is done after ${makespanMinutes} min; no plan is shorter.`
        : `All is done after ${makespanMinutes} min; no plan is shorter than ${bound} min.`,
    )
    show(schedule)
    if (!sitting) return
    console.log(`In ${sitting.minutes} min:`)
    show(sitting.schedule)
    if (sitting.runsOn.length) console.log(`Runs on by itself: ${sitting.runsOn.join(', ')}.`)
    console.log(`Left afterwards: ${sitting.handsLeftMinutes} min of work.`)
  },
})
