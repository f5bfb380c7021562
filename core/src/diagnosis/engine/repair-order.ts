/** A repair that is tried and tested at once. */
export interface Repair {
  readonly id: number
  /** Chance that it is the one that is needed, 0 to 1. */
  readonly probability: number
  /** Minutes, its risk included. */
  readonly cost: number
}

/** Repairs in the order in which they are tried, and what that is expected to cost. */
export interface RepairPlan {
  readonly order: readonly Repair[]
  readonly expected: number
}

/**
 * The order of least expected cost, probability over cost falling (Heckerman, Breese and Rommelse, Communications of
 * the ACM 38, 1995). It is best where there is one fault, each repair is tested at once and cures what it is for, and
 * costs do not depend on the order.
 * @param otherwise cost where none of them was it
 */
export function repairPlan(repairs: readonly Repair[], otherwise = 0): RepairPlan {
  const order = [...repairs].sort((a, b) => b.probability * a.cost - a.probability * b.cost)
  let [left, expected] = [1, 0]
  for (const r of order) {
    expected += left * r.cost
    left -= r.probability
  }
  return { order, expected: expected + Math.max(0, left) * otherwise }
}
