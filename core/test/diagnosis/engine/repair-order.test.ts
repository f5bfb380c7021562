import { describe, expect, it } from 'vitest'
import { Random } from '../../../src/simulator'
import { repairPlan, type Repair } from '../../../src/diagnosis/engine'

/**
 * Repair order by probability over cost (Heckerman, Breese and Rommelse, “Decision-theoretic troubleshooting”,
 * Communications of the ACM 38, 1995), held against every order.
 */
function everyOrder<T>(items: readonly T[]): T[][] {
  if (items.length < 2) return [[...items]]
  return items.flatMap((item, i) => everyOrder(items.filter((_, k) => k !== i)).map(rest => [item, ...rest]))
}

/** Expected cost by enumeration: each fault in turn is the one, repairs are tried until it is gone. */
function costOf(order: readonly Repair[], otherwise: number): number {
  const total = (found: number) => order.slice(0, found + 1).reduce((s, r) => s + r.cost, 0)
  const known = order.reduce((s, r) => s + r.probability, 0)
  return order.reduce((s, r, i) => s + r.probability * total(i), 0) + (1 - known) * (total(order.length) + otherwise)
}

describe('repair order', () => {
  it('is the cheapest of all orders, and costs what enumeration says', () => {
    const random = new Random(5)
    for (let k = 0; k < 60; k++) {
      const n = 2 + Math.floor(random.next() * 5)
      const weights = Array.from({ length: n + 1 }, () => random.next() ** 2 + 0.01)
      const sum = weights.reduce((s, w) => s + w, 0)
      const repairs = Array.from({ length: n }, (_, id) => ({
        id,
        probability: weights[id]! / sum,
        cost: 1 + random.next() * 60,
      }))
      const otherwise = random.next() * 200
      const plan = repairPlan(repairs, otherwise)
      expect(plan.expected).toBeCloseTo(costOf(plan.order, otherwise), 8)
      const cheapest = Math.min(...everyOrder(repairs).map(o => costOf(o, otherwise)))
      expect(plan.expected).toBeCloseTo(cheapest, 8)
    }
  })
  it('a likely and cheap repair comes first, a dear one last', () => {
    const order = repairPlan([
      { id: 1, probability: 0.5, cost: 60 },
      { id: 2, probability: 0.2, cost: 5 },
      { id: 3, probability: 0.3, cost: 20 },
    ]).order
    expect(order.map(r => r.id)).toEqual([2, 3, 1])
  })
})
