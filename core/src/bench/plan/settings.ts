import { addTo } from '../../base/order'
import { Random } from '../../simulator'
import type { PlanTask, Problem } from './problem'
import { orderBy, serialPlan, type Timing } from './serial'

/** How hands and bench are for a piece of work: dirty, clean, or with the lights off. Files may name others. */
export const SETTINGS = ['messy', 'dark', 'clean'] as const

/** Going from clean work back to messy work is worse than any other change: everything is washed twice. */
const BACK = 2

function costOf(from: string | null, to: string): number {
  if (from === null || from === to) return 0
  return from === 'clean' && to === 'messy' ? BACK : 1
}

/** What the settings of attended tasks cost in the order of their starts; work of no setting changes nothing. */
export function turnsIn(tasks: readonly PlanTask[], start: ArrayLike<number>): number {
  let cost = 0
  let last: string | null = null
  const order = tasks
    .flatMap((t, i) => (t.attended && t.setting && start[i]! >= 0 ? [i] : []))
    .sort((a, b) => start[a]! - start[b]! || a - b)
  for (const i of order) {
    const { setting } = tasks[i]!
    cost += costOf(last, setting!)
    last = setting!
  }
  return cost
}

export interface GroupOptions {
  readonly tries: number
  readonly seed?: number
  readonly goOn?: () => boolean
}

/**
 * A plan that ends as soon, with work of one setting together: tasks are moved beside others of their setting as long
 * as that makes nothing later.
 */
export function grouped(
  p: Problem,
  tasks: readonly PlanTask[],
  timing: Timing,
  { tries, seed = 1, goOn = () => true }: GroupOptions,
): Timing {
  const bySetting = new Map<string, number[]>()
  tasks.forEach((t, i) => {
    if (t.attended && t.setting) addTo(bySetting, t.setting, i)
  })
  if (bySetting.size < 2) return timing
  const movable = [...bySetting.values()].filter(list => list.length > 1).flat()
  const random = new Random(seed)
  let [best, cost] = [timing, turnsIn(tasks, timing.start)]
  const take = (made: Timing): void => {
    const its = turnsIn(tasks, made.start)
    if (made.end > timing.end || its > cost) return
    best = made
    cost = its
  }
  // First all of one setting after the other, as far as the order of the work lets them.
  const rank = (i: number) => (SETTINGS as readonly string[]).indexOf(tasks[i]!.setting ?? '')
  take(
    serialPlan(
      p,
      orderBy(
        p,
        Array.from(timing.start, (s, i) => s + rank(i) * (timing.end + 1)),
      ),
    ),
  )
  for (let n = 0; n < tries && cost > 0 && movable.length > 0; n++) {
    if (n % 16 === 0 && !goOn()) break
    const i = movable[Math.floor(random.next() * movable.length)]!
    const like = bySetting.get(tasks[i]!.setting!)!
    const beside = like[Math.floor(random.next() * like.length)]!
    const keys = Float64Array.from(best.start)
    keys[i] = best.start[beside]! + (random.next() < 0.5 ? -0.5 : 0.5)
    take(serialPlan(p, orderBy(p, keys)))
  }
  return best
}
