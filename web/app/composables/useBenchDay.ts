import { useIntervalFn, useStorage, watchDebounced } from '@vueuse/core'
import type { BenchPlan, PlannedTask } from '@wobrin/core/bench/plan'
import { SUPPLY, type DayTask } from '@wobrin/core/bench/day'
import type { BenchDay } from '../../shared/day'
import type { PlanWorker } from '~/workers/plan.worker'

/** A task with its time, minutes from now. */
export interface TimedTask extends DayTask {
  readonly start: number
  readonly end: number
}

/** How hands and bench are for a piece of work, in words. */
export const SETTINGS = { messy: 'dirty hands', dark: 'lights off', clean: 'clean hands' } as const
const WANTED = { minutes: 90, hands: 1, supplies: 1 }
/** Minutes from which on a wait is told of. */
const LONG_WAIT = 30
export const DAY_LIMITS = {
  minutes: { least: 5, most: 1440, label: 'Minutes today' },
  hands: { least: 1, most: 9, label: 'People' },
  supplies: { least: 1, most: 99, label: 'Power supplies' },
} as const
export type DayField = keyof typeof DAY_LIMITS
export const DAY_FIELDS = Object.keys(DAY_LIMITS) as DayField[]

/** The plan of a bench day: worked out beside the page, anew whenever something is entered or asked for. */
export function useBenchDay() {
  const { data, error, refresh } = useFetch<BenchDay>('/api/day', { server: false, lazy: true })
  const wanted = useStorage('wobrin-day', { ...WANTED }, undefined, { mergeDefaults: true })
  const worker = useWorker<PlanWorker>(
    () => new Worker(new URL('../workers/plan.worker.ts', import.meta.url), { type: 'module' }),
  )
  const plan = shallowRef<BenchPlan | null>(null)
  /** The day for which the plan was made: names of its tasks may mean others in a later one. */
  const planned = shallowRef<BenchDay | null>(null)
  const from = ref(new Date())
  const problems = computed(() =>
    Object.fromEntries(
      DAY_FIELDS.map(f => {
        const { least, most } = DAY_LIMITS[f]
        const n = wanted.value[f]
        return [f, Number.isInteger(n) && n >= least && n <= most ? undefined : `a whole number ${least} to ${most}`]
      }),
    ),
  )
  const planning = latestOnly()
  watchDebounced(
    [data, wanted],
    async () => {
      const day = data.value
      if (!day || DAY_FIELDS.some(f => problems.value[f])) return
      const counts = planning.ask()
      const { minutes, hands, supplies } = wanted.value
      const tasks = day.tasks.map(({ id, tag, minutes: m, attended, after, needs, priority, setting, chance }) => ({
        id,
        drive: tag,
        minutes: m,
        attended,
        priority,
        setting,
        chance,
        after: [...after],
        needs: [...needs],
      }))
      const made = await worker().plan({ hands, minutes, resources: { [SUPPLY]: supplies }, tasks })
      if (!counts()) return
      plan.value = made
      planned.value = day
      from.value = new Date()
    },
    { deep: true, debounce: 150, immediate: true },
  )
  // Waits run down, and others enter what they did.
  useIntervalFn(() => refresh(), 30_000)

  const timed = (list: readonly PlannedTask[]): TimedTask[] => {
    const of = new Map(planned.value?.tasks.map(t => [t.id, t]))
    return list.flatMap(({ id, start, end }) => {
      const task = of.get(id)
      return task ? [{ ...task, start, end }] : []
    })
  }
  const sitting = computed(() => (plan.value?.sitting ? timed(plan.value.sitting.schedule) : []))
  /** What is done, and the long waits that are begun; those that run already are no news. */
  const todo = computed(() => sitting.value.filter(t => t.attended || (t.after.length > 0 && t.minutes >= LONG_WAIT)))
  const runsOn = computed(() => sitting.value.filter(t => plan.value!.sitting!.runsOn.includes(t.id)))
  const clock = (minute: number) => clockAfter(from.value, minute)
  return { day: data, error, refresh, wanted, problems, plan, sitting, todo, runsOn, clock, from }
}
