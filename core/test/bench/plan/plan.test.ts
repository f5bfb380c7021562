import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planBench, readBench, type BenchPlan, type PlanBench, type PlanTask } from '../../../src/bench/plan'
import { JOB_SHOPS, jobShop } from './job-shops'

const task = (id: string, minutes: number, part: Partial<PlanTask> = {}): PlanTask => ({
  id,
  drive: 'SK-01',
  minutes,
  attended: true,
  after: [],
  needs: [],
  ...part,
})
const bench = (tasks: readonly PlanTask[], part: Partial<PlanBench> = {}): PlanBench => ({
  hands: 1,
  tasks,
  resources: {},
  minutes: null,
  ...part,
})

/** What is wrong with a plan, minute by minute: written from the rules, not from the planner. */
function faultsOf({ tasks, hands, resources }: PlanBench, schedule: BenchPlan['schedule'], all = true): string[] {
  const at = new Map(schedule.map(s => [s.id, s]))
  const of = new Map(tasks.map(t => [t.id, t]))
  const faults: string[] = []
  if (all && at.size !== tasks.length) faults.push('not every task is there')
  for (const { id, start, end } of schedule) {
    const t = of.get(id)!
    if (start < 0 || end - start !== t.minutes) faults.push(`${id} takes ${end - start}`)
    for (const b of t.after) if (!at.has(b) || at.get(b)!.end > start) faults.push(`${id} begins before ${b} ends`)
  }
  for (const { start: now } of schedule) {
    const running = schedule.filter(s => s.start <= now && now < s.end).map(s => of.get(s.id)!)
    if (running.filter(t => t.attended).length > hands) faults.push(`too few hands at ${now}`)
    for (const name of new Set(running.flatMap(t => t.needs)))
      if (running.filter(t => t.needs.includes(name)).length > (resources[name] ?? 1)) faults.push(`${name} at ${now}`)
  }
  return faults
}

/** The least end of any plan: every set of starts that an order can have, minute by minute. */
function bruteForce({ tasks, hands, resources }: PlanBench): number {
  const horizon = tasks.reduce((sum, t) => sum + t.minutes, 0)
  const start = new Map<string, number>()
  let best = horizon
  const free = (t: PlanTask, from: number) => {
    for (let m = from; m < from + t.minutes; m++) {
      const running = tasks.filter(o => start.has(o.id) && start.get(o.id)! <= m && m < start.get(o.id)! + o.minutes)
      if (t.attended && running.filter(o => o.attended).length >= hands) return false
      if (t.needs.some(n => running.filter(o => o.needs.includes(n)).length >= (resources[n] ?? 1))) return false
    }
    return true
  }
  const place = (end: number) => {
    if (start.size === tasks.length) best = Math.min(best, end)
    for (const t of tasks) {
      if (start.has(t.id) || t.after.some(b => !start.has(b))) continue
      let from = Math.max(0, ...t.after.map(b => start.get(b)! + tasks.find(o => o.id === b)!.minutes))
      while (!free(t, from)) from++
      start.set(t.id, from)
      place(Math.max(end, from + t.minutes))
      start.delete(t.id)
    }
  }
  place(0)
  return best
}

const benches = fc
  .record({
    tasks: fc.array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 9 }),
        attended: fc.boolean(),
        after: fc.array(fc.nat(5), { maxLength: 2 }),
        needs: fc.subarray(['supply', 'disk']),
      }),
      { minLength: 1, maxLength: 6 },
    ),
    hands: fc.integer({ min: 1, max: 2 }),
    supply: fc.integer({ min: 1, max: 2 }),
  })
  .map(({ tasks, hands, supply }) =>
    bench(
      tasks.map((t, i) => task(`t${i}`, t.minutes, { ...t, after: t.after.filter(b => b < i).map(b => `t${b}`) })),
      { hands, resources: { supply } },
    ),
  )

describe('the plan of a bench', () => {
  it('is the shortest of all, against every order', () => {
    fc.assert(
      fc.property(benches, b => {
        const plan = planBench(b)
        expect(faultsOf(b, plan.schedule)).toEqual([])
        expect(plan).toMatchObject({ proved: true, bound: plan.makespanMinutes })
        expect(plan.makespanMinutes).toBe(bruteForce(b))
        expect(Math.max(...plan.schedule.map(s => s.end))).toBe(plan.makespanMinutes)
      }),
      { numRuns: 150 },
    )
  })

  it('proves the published shortest plans of two job shops', () => {
    for (const [name, shortest] of [
      ['FT06', 55],
      ['LA01', 666],
    ] as const) {
      const shop = jobShop(JOB_SHOPS[name])
      const plan = planBench(shop)
      expect(faultsOf(shop, plan.schedule), name).toEqual([])
      expect(plan, name).toMatchObject({ makespanMinutes: shortest, bound: shortest, proved: true })
    }
  })

  it('a hard one is planned without fault, and its bound stands on the right side of the published optimum', () => {
    const shop = jobShop(JOB_SHOPS.FT10)
    const plan = planBench(shop, { tries: 20, nodes: 100 })
    expect(faultsOf(shop, plan.schedule)).toEqual([])
    expect(plan.bound).toBeLessThanOrEqual(930)
    expect(plan.makespanMinutes).toBeGreaterThanOrEqual(930)
    expect(plan.proved).toBe(false)
  })

  it('works on one drive while another one dries, and never has two at the one supply', () => {
    const b = bench(
      [
        task('soak', 60, { attended: false, after: ['oil'] }),
        task('oil', 5),
        task('power', 20, { needs: ['supply'], after: ['soak'] }),
        task('other', 55, { drive: 'SK-02', needs: ['supply'] }),
      ],
      { hands: 2 },
    )
    const plan = planBench(b)
    expect(plan).toMatchObject({ makespanMinutes: 85, proved: true })
    expect(faultsOf(b, plan.schedule)).toEqual([])
  })

  it('keeps fractions of a minute', () => {
    expect(planBench(bench([task('a', 1.5), task('b', 0.25)]))).toMatchObject({ makespanMinutes: 1.75 })
  })
})

describe('a sitting', () => {
  it('begins what dries overnight before what could as well be done tomorrow', () => {
    const b = bench(
      [
        task('clean', 60),
        task('oil', 30),
        task('soak', 720, { attended: false, after: ['oil'] }),
        task('test', 30, { after: ['soak'] }),
      ],
      { minutes: 60 },
    )
    const { sitting } = planBench(b)
    expect(sitting!.schedule.map(s => s.id).slice(0, 2)).toEqual(['oil', 'soak'])
    expect(sitting).toMatchObject({ runsOn: ['soak'], handsLeftMinutes: 90, leftMinutes: 90 })
  })

  it('does first what must not be left, and rather what is preferred', () => {
    const tasks = [
      task('long', 40),
      task('rescue', 20, { priority: 10 }),
      task('one', 20),
      task('other', 20, { priority: 1 }),
    ]
    const { sitting } = planBench(bench(tasks, { minutes: 40 }))
    expect(sitting!.schedule).toEqual([
      { id: 'rescue', start: 0, end: 20 },
      { id: 'other', start: 20, end: 40 },
    ])
  })

  it('holds nothing where there is nothing to do', () => {
    expect(planBench(bench([], { minutes: 30 }))).toMatchObject({
      makespanMinutes: 0,
      proved: true,
      schedule: [],
      sitting: { schedule: [], leftMinutes: 0 },
    })
  })

  it('holds what fits, and nothing that is cut off', () => {
    fc.assert(
      fc.property(benches, fc.integer({ min: 0, max: 30 }), (b, minutes) => {
        const { sitting } = planBench({ ...b, minutes })
        expect(faultsOf(b, sitting!.schedule, false)).toEqual([])
        const attended = new Set(b.tasks.filter(t => t.attended).map(t => t.id))
        for (const s of sitting!.schedule)
          if (attended.has(s.id)) expect(s.end).toBeLessThanOrEqual(minutes)
          else expect(s.start).toBeLessThanOrEqual(minutes)
      }),
      { numRuns: 60 },
    )
  })
})

describe('a bench that cannot be planned', () => {
  const json = (part: object) => ({
    hands: 1,
    tasks: [task('clean', 5), task('test', 5, { after: ['clean'] })],
    ...part,
  })

  it('is refused in one sentence that says what holds it', () => {
    const said = (part: object) => {
      try {
        readBench(json(part))
        return null
      } catch (error) {
        return (error as Error).message
      }
    }
    expect(said({})).toBeNull()
    expect(said({ hands: 0 })).toContain('“clean”, “test” cannot be done without')
    expect(said({ resources: { supply: 0 }, tasks: [task('power', 5, { needs: ['supply'] })] })).toContain('no supply')
    expect(
      said({ tasks: [task('a', 1, { after: ['b'] }), task('b', 1, { after: ['c'] }), task('c', 1, { after: ['a'] })] }),
    ).toContain('“a”, “c”, “b”, “a”')
    expect(said({ tasks: [task('a', 1), task('a', 2)] })).toContain('there twice')
    expect(said({ tasks: [task('clean', 1), task('b', 1, { after: ['claen'] })] })).toContain('one such as clean')
    for (const strange of [
      null,
      [],
      'x',
      { tasks: {} },
      { tasks: [null] },
      { tasks: [{ ...task('a', 1), minutes: '5' }] },
    ])
      expect(() => readBench(strange)).toThrow(/expected/)
  })
})
