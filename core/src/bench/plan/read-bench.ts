import { flagAt, listAt, namesAt, numberAt, numbersAt, objectAt, refuseField as refuse, textAt } from '../../base/json'
import { nearestIds } from '../../diagnosis'
import { neighboursOf, orderOf, type PlanBench, type PlanTask } from './problem'

const MOST_TASKS = 2000
const MINUTES = { least: 0, most: 1_000_000 }
const PRIORITY = { least: 0, most: 100 }
const CHANCE = { least: 0, most: 1 }
const HANDS = { least: 0, most: 1000, whole: true } as const

function readTask(value: unknown, field: string): PlanTask {
  const task = objectAt(value, field, 'an object with id, drive, minutes and attended')
  return {
    id: textAt(task.id, `${field}.id`, 'a text of its own'),
    drive: task.drive === undefined ? '' : textAt(task.drive, `${field}.drive`, 'the tag of a drive'),
    minutes: numberAt(task.minutes, `${field}.minutes`, MINUTES),
    attended: flagAt(task.attended, `${field}.attended`),
    after: namesAt(task.after, `${field}.after`, MOST_TASKS),
    needs: namesAt(task.needs, `${field}.needs`, MOST_TASKS),
    priority: task.priority === undefined ? 0 : numberAt(task.priority, `${field}.priority`, PRIORITY),
    setting:
      task.setting === undefined || task.setting === null
        ? null
        : textAt(task.setting, `${field}.setting`, 'a word such as messy, clean or dark'),
    chance: task.chance === undefined ? 1 : numberAt(task.chance, `${field}.chance`, CHANCE),
  }
}

/**
 * A bench with its tasks, of JSON that somebody wrote.
 * @throws InputError in one sentence: a task that is there twice, one that does not exist, a circle, or a thing of
 * which there is none, with the tasks that it holds
 */
export function readBench(input: unknown): PlanBench {
  const file = objectAt(input, 'the file', 'an object with hands and tasks')
  const bench = {
    hands: numberAt(file.hands ?? 1, 'hands', HANDS),
    tasks: listAt(file.tasks, 'tasks', MOST_TASKS).map((t, i) => readTask(t, `tasks[${i}]`)),
    resources: numbersAt(file.resources, 'resources', HANDS),
    minutes: file.minutes === undefined ? null : numberAt(file.minutes, 'minutes', MINUTES),
  }
  checkOrder(bench.tasks)
  checkThings(bench)
  return bench
}

function checkOrder(tasks: readonly PlanTask[]): void {
  const at = new Map<string, number>()
  tasks.forEach(({ id }, i) => {
    if (at.has(id)) refuse(`tasks[${i}].id`, `the task “${id}” is there twice`, 'an id of its own for each task')
    at.set(id, i)
  })
  tasks.forEach(({ id, after }, i) => {
    const strange = after.find(x => !at.has(x))
    if (strange === undefined) return
    const near = nearestIds(strange, [...at.keys()])
    refuse(
      `tasks[${i}].after`,
      `“${id}” comes after “${strange}”, which does not exist`,
      `one such as ${near.join(', ')}`,
    )
  })
  const { before, behind } = neighboursOf(tasks)
  const ordered = new Set(orderOf(before, behind))
  if (ordered.size === tasks.length) return
  // Along what comes before, one ends up in the circle.
  const path = [tasks.findIndex((_, i) => !ordered.has(i))]
  for (;;) {
    const next = before[path.at(-1)!]!.find(b => !ordered.has(b))!
    const seen = path.indexOf(next)
    if (seen >= 0) {
      const circle = [...path.slice(seen), next].reverse().map(i => `“${tasks[i]!.id}”`)
      refuse('tasks', `each of these waits for the one before it, in a circle: ${circle.join(', ')}`, 'an order')
    }
    path.push(next)
  }
}

/** Nothing is possible where a task needs what is not there. */
function checkThings({ hands, tasks, resources }: PlanBench): void {
  const named = (list: readonly PlanTask[]) =>
    `${list
      .slice(0, 3)
      .map(t => `“${t.id}”`)
      .join(', ')}${list.length > 3 ? ` and ${list.length - 3} more` : ''}`
  const attended = tasks.filter(t => t.attended)
  if (hands === 0 && attended.length)
    refuse('hands', `there are no hands, and ${named(attended)} cannot be done without`, 'at least one')
  for (const [name, count] of Object.entries(resources)) {
    const held = count === 0 ? tasks.filter(t => t.needs.includes(name)) : []
    if (held.length)
      refuse(`resources.${name}`, `there is no ${name}, and ${named(held)} cannot be done without`, 'at least one')
  }
}
