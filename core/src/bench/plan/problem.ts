import { addTo } from '../../base/order'

/** A thing to do, as it is given. */
export interface PlanTask {
  readonly id: string
  /** Tag of the drive that it is done on. */
  readonly drive: string
  readonly minutes: number
  /** Needs a pair of hands; a wait does not. */
  readonly attended: boolean
  /** Ids of tasks that must be over before. */
  readonly after: readonly string[]
  /** Names of things of which it takes one for its time. */
  readonly needs: readonly string[]
  /** How much rather it is done in a sitting than others, 0 where nobody said; it does not change the shortest plan. */
  readonly priority?: number
  /** How hands and bench are for it, such as messy, clean or dark: work of one setting is better done together. */
  readonly setting?: string | null
  /** Chance that it is needed at all, 0 to 1; 1 where nobody said. */
  readonly chance?: number
}

/** A bench with what is to be done on it. */
export interface PlanBench {
  /** Pairs of hands. */
  readonly hands: number
  readonly tasks: readonly PlanTask[]
  /** How many there are of each shared thing. */
  readonly resources: Readonly<Record<string, number>>
  /** Minutes of a sitting; null where nobody asked. */
  readonly minutes: number | null
}

/** A bench in whole units of time and numbers of tasks, for the search. */
export interface Problem {
  readonly count: number
  /** Minutes of one unit of time. */
  readonly unit: number
  /** Units of time of each task. */
  readonly length: Int32Array
  readonly before: readonly (readonly number[])[]
  readonly behind: readonly (readonly number[])[]
  /** Things of which there are fewer than tasks that need them: which tasks, and how many there are. */
  readonly scarce: readonly Scarce[]
  /** Numbers of the scarce things that a task needs. */
  readonly needs: readonly (readonly number[])[]
  /** Tasks in an order in which nothing stands before what it comes after. */
  readonly order: readonly number[]
}

export interface Scarce {
  readonly name: string
  readonly count: number
  readonly tasks: readonly number[]
}

/** The name under which hands stand among the scarce things; no thing of a file has it. */
export const HANDS = ''

/** Times are kept to a thousandth of a minute. */
const FINEST = 1000

function commonUnit(minutes: readonly number[]): number {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))
  return minutes.map(m => Math.round(m * FINEST)).reduce(gcd, 0) / FINEST || 1
}

/** What each task comes after, and what comes after it, as numbers. Every task that is named must be there. */
export function neighboursOf(tasks: readonly PlanTask[]): Pick<Problem, 'before' | 'behind'> {
  const at = new Map(tasks.map((t, i) => [t.id, i]))
  const before = tasks.map(t => [...new Set(t.after)].map(id => at.get(id)!))
  const behind: number[][] = tasks.map(() => [])
  before.forEach((list, i) => list.forEach(b => behind[b]!.push(i)))
  return { before, behind }
}

/** The bench as numbers. The tasks must be free of circles, and name only what is there. */
export function problemOf(bench: Pick<PlanBench, 'hands' | 'tasks' | 'resources'>): Problem {
  const { tasks } = bench
  const unit = commonUnit(tasks.map(t => t.minutes))
  const { before, behind } = neighboursOf(tasks)
  const users = new Map<string, number[]>()
  tasks.forEach((t, i) => {
    if (t.attended) addTo(users, HANDS, i)
    for (const name of new Set(t.needs)) addTo(users, name, i)
  })
  const scarce = [...users]
    .map(([name, list]): Scarce => ({
      name,
      count: name === HANDS ? bench.hands : (bench.resources[name] ?? 1),
      tasks: list,
    }))
    .filter(s => s.count < s.tasks.length)
  const needs: number[][] = tasks.map(() => [])
  scarce.forEach((s, r) => s.tasks.forEach(i => needs[i]!.push(r)))
  return {
    count: tasks.length,
    unit,
    length: Int32Array.from(tasks, t => Math.round(t.minutes / unit)),
    before,
    behind,
    scarce,
    needs,
    order: orderOf(before, behind),
  }
}

/** Every task behind what it comes after; shorter than all of them where some go round in a circle. */
export function orderOf(before: readonly (readonly number[])[], behind: readonly (readonly number[])[]): number[] {
  const left = before.map(b => b.length)
  const order = left.flatMap((n, i) => (n === 0 ? [i] : []))
  for (let k = 0; k < order.length; k++)
    for (const next of behind[order[k]!]!) if (--left[next]! === 0) order.push(next)
  return order
}

/** The same bench run backwards: what came after comes before. A schedule of it, turned round, is one of the bench. */
export const mirrored = (p: Problem): Problem => ({
  ...p,
  before: p.behind,
  behind: p.before,
  order: [...p.order].reverse(),
})

/** Units of time from the start of each task to the end of all that must come behind it, itself included. */
export function tailsOf(p: Problem): Int32Array {
  const tail = new Int32Array(p.count)
  for (let k = p.count - 1; k >= 0; k--) {
    const i = p.order[k]!
    let longest = 0
    for (const next of p.behind[i]!) longest = Math.max(longest, tail[next]!)
    tail[i] = longest + p.length[i]!
  }
  return tail
}
