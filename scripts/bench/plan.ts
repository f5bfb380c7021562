import { planBench, type PlanBench, type PlanTask } from '@wobrin/core/bench/plan'
import { Random } from '@wobrin/core/simulator'
import { JOB_SHOPS, jobShop } from '../../core/test/bench/plan/job-shops'

/** An evening's bench: steps one behind the other on each drive, some of them waits, some of them at the one supply. */
export function evening(drives: number, steps: number, seed: number): PlanBench {
  const random = new Random(seed)
  const tasks = Array.from({ length: drives }, (_, d) =>
    Array.from({ length: steps }, (_, k): PlanTask => {
      const waits = random.next() < 0.12
      return {
        id: `${d}.${k}`,
        drive: `SK-${d}`,
        minutes: waits ? [10, 30, 240, 720][Math.floor(random.next() * 4)]! : 1 + Math.floor(random.next() * 12),
        attended: !waits,
        after: k ? [`${d}.${k - 1}`] : [],
        needs: !waits && random.next() < 0.3 ? [['supply', 'reference disk'][Math.floor(random.next() * 2)]!] : [],
      }
    }),
  ).flat()
  return { hands: 1 + (seed % 2), tasks, resources: {}, minutes: null }
}

/** One drive after another, as they are listed: what hands do without a plan. */
function oneAfterAnother({ tasks, hands, resources }: PlanBench): number {
  const end = new Map<string, number>()
  const free = new Map<string, number[]>()
  const tracks = (name: string, count: number) => {
    if (!free.has(name)) free.set(name, Array<number>(count).fill(0))
    return free.get(name)!
  }
  const left = new Set(tasks)
  while (left.size) {
    for (const t of left) {
      if (t.after.some(b => !end.has(b))) continue
      const needs = [...(t.attended ? [tracks('hands', hands)] : []), ...t.needs.map(n => tracks(n, resources[n] ?? 1))]
      const start = Math.max(0, ...t.after.map(b => end.get(b)!), ...needs.map(n => Math.min(...n)))
      for (const n of needs) n[n.indexOf(Math.min(...n))] = start + t.minutes
      end.set(t.id, start + t.minutes)
      left.delete(t)
    }
  }
  return Math.max(...end.values())
}

const SECONDS = 10

/** The bench day: how long it takes to plan, and how far a plan is from what is possible. */
export function planning(): void {
  for (const [drives, steps] of [
    [3, 8],
    [12, 25],
  ] as const) {
    const rows = Array.from({ length: 10 }, (_, seed) => {
      const bench = evening(drives, steps, seed)
      const begun = performance.now()
      const { makespanMinutes, bound, proved } = planBench(bench, { goOn: () => performance.now() < begun + 150 })
      return {
        ms: performance.now() - begun,
        gap: makespanMinutes / bound - 1,
        proved,
        saved: 1 - makespanMinutes / oneAfterAnother(bench),
      }
    })
    const ms = rows.map(r => r.ms).sort((a, b) => a - b)
    const percent = (xs: number[]) => `${((100 * xs.reduce((a, b) => a + b, 0)) / xs.length).toFixed(1)} %`
    console.log(
      `Planning ${drives} drives × ${steps} steps: median ${ms[5]!.toFixed(0)} ms, at most ${ms.at(-1)!.toFixed(0)} ms; ` +
        `proved ${rows.filter(r => r.proved).length} of ${rows.length}, mean gap to the bound ${percent(rows.map(r => r.gap))}; ` +
        `shorter than one drive after another by ${percent(rows.map(r => r.saved))}`,
    )
  }
  for (const [name, shortest] of [
    ['FT06', 55],
    ['LA01', 666],
    ['FT10', 930],
  ] as const) {
    const begun = performance.now()
    const answer = planBench(jobShop(JOB_SHOPS[name]), {
      tries: 1_000_000,
      goOn: () => performance.now() < begun + SECONDS * 1000,
    })
    const { makespanMinutes, bound, proved } = answer
    console.log(
      `Job shop ${name} (published shortest ${shortest}): ${makespanMinutes} in ${((performance.now() - begun) / 1000).toFixed(1)} s, ` +
        `bound ${bound}${proved ? ', proved' : `, gap ${(100 * (makespanMinutes / bound - 1)).toFixed(1)} %`}`,
    )
  }
}
