import { describe, expect, it } from 'vitest'
import { planBench, readBench } from '../../../src/bench/plan'
import { Random } from '../../../src/simulator'

interface Work {
  readonly id: string
  readonly minutes: number
  readonly setting: string | null
  readonly after: string[]
  readonly attended: boolean
}

/** A small bench of one pair of hands, drawn at random: work of three settings, some of it behind other work. */
function drawn(random: Random, count: number): Work[] {
  const kinds = ['messy', 'clean', 'dark', null]
  return Array.from({ length: count }, (_, i) => ({
    id: `t${i}`,
    minutes: 1 + Math.floor(random.next() * 9),
    setting: kinds[Math.floor(random.next() * 4)]!,
    after: i > 0 && random.next() < 0.3 ? [`t${Math.floor(random.next() * i)}`] : [],
    attended: true,
  }))
}

/** Fewest changes of all orders, written anew: with one pair of hands every order takes as long. */
function fewest(work: readonly Work[]): number {
  let best = Infinity
  const cost = (order: readonly Work[]) => {
    const kinds = order.flatMap(w => (w.setting ? [w.setting] : []))
    return kinds.slice(1).reduce((sum, k, i) => {
      const before = kinds[i]!
      return sum + (k === before ? 0 : before === 'clean' && k === 'messy' ? 2 : 1)
    }, 0)
  }
  const go = (order: Work[]): void => {
    if (order.length === work.length) {
      best = Math.min(best, cost(order))
      return
    }
    for (const w of work) if (!order.includes(w) && w.after.every(a => order.some(o => o.id === a))) go([...order, w])
  }
  go([])
  return best
}

describe('work of one setting together', () => {
  it('changes as seldom as any order does, nearly always, and never makes the day longer', () => {
    const random = new Random(7)
    let same = 0
    const runs = 40
    for (let k = 0; k < runs; k++) {
      const work = drawn(random, 6)
      const plan = planBench(readBench({ hands: 1, tasks: work }))
      const least = fewest(work)
      expect(plan.makespanMinutes).toBe(work.reduce((s, w) => s + w.minutes, 0))
      expect(plan.turns).toBeGreaterThanOrEqual(least)
      if (plan.turns === least) same++
    }
    expect(same).toBeGreaterThanOrEqual(runs * 0.9)
  })

  it('does the messy work of all drives before the clean work of any', () => {
    const tasks = ['A', 'B', 'C'].flatMap(drive => [
      { id: `${drive} scrub`, drive, minutes: 20, attended: true, setting: 'messy' },
      { id: `${drive} heads`, drive, minutes: 10, attended: true, setting: 'clean', after: [`${drive} scrub`] },
    ])
    const { schedule, turns } = planBench(readBench({ hands: 1, tasks }))
    expect(schedule.map(t => t.id.slice(2))).toEqual(['scrub', 'scrub', 'scrub', 'heads', 'heads', 'heads'])
    expect(turns).toBe(1)
    const { sitting } = planBench(readBench({ hands: 1, tasks, minutes: 90 }))
    expect(sitting!.schedule.map(t => t.id.slice(2))).toEqual(['scrub', 'scrub', 'scrub', 'heads', 'heads', 'heads'])
  })

  it('does not keep a wait from beginning early for the sake of clean hands', () => {
    const tasks = [
      { id: 'soak', minutes: 5, attended: true, setting: 'messy' },
      { id: 'wait', minutes: 600, attended: false, after: ['soak'] },
      { id: 'then', minutes: 5, attended: true, setting: 'clean', after: ['wait'] },
      { id: 'heads', minutes: 60, attended: true, setting: 'clean' },
    ]
    const { makespanMinutes, proved } = planBench(readBench({ hands: 1, tasks }))
    expect([makespanMinutes, proved]).toEqual([610, true])
  })
})

describe('work that may not be needed', () => {
  const two = (chance: number) => [
    { id: 'may be', minutes: 60, attended: true, priority: 1, chance },
    { id: 'must be', minutes: 60, attended: true, priority: 0.8, chance: 1 },
  ]
  it('is done after what is sure, and is not counted whole in what is left', () => {
    const first = (chance: number) => planBench(readBench({ hands: 1, tasks: two(chance), minutes: 60 })).sitting!
    expect(first(1).schedule.map(t => t.id)).toEqual(['may be'])
    expect(first(0.3).schedule.map(t => t.id)).toEqual(['must be'])
    // By hand: 60 minutes are left, of which 0.3 are expected to be needed.
    expect(first(0.3)).toMatchObject({ handsLeftMinutes: 60, handsExpectedMinutes: 18 })
  })
  it.each([
    [{ chance: 1.2 }, /chance/],
    [{ setting: 5 }, /setting/],
  ])('refuses %j', (wrong, says) => {
    expect(() => readBench({ hands: 1, tasks: [{ id: 'a', minutes: 1, attended: true, ...wrong }] })).toThrow(says)
  })
})
