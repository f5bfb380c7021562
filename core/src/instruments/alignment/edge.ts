import { failingAt, hasOffsetCost, offsetCost, usualHalfWindowUm } from '../../calculators/alignment'
import type { MechanismId } from '../../drives'

/** A sector that fails inside the window, or reads outside, for another reason. */
export const STRAY = 0.01

/**
 * How soft an edge may be, share of the window's width over which the odds of a sector change e-fold. By {@link
 * edgeSoftness} most drives lie between the first two.
 */
export const SOFT = [0.012, 0.022, 0.045] as const
/** Edges that come from steps of the carriage: sharp, but for the sensor's own uncertainty. */
export const SHARP = [0.004] as const

/** Resolution and reach of the tables, in steps of a softness. */
const PER_STEP = 8
const REACH = 14

/** Chance that a sector reads, by how many softnesses it is inside the edge. */
const LOGISTIC = Float64Array.from(
  { length: 2 * REACH * PER_STEP + 1 },
  (_, i) => STRAY + (1 - 2 * STRAY) / (1 + Math.exp(-(i / PER_STEP - REACH))),
)
const LOG_PASS = LOGISTIC.map(Math.log)
const LOG_FAIL = LOGISTIC.map(p => Math.log(1 - p))

const indexOf = (inside: number): number =>
  inside > REACH ? LOGISTIC.length - 1 : inside < -REACH ? 0 : Math.round((inside + REACH) * PER_STEP)

/** How far a position is inside the nearer edge of a window, in softnesses. */
const inside = (position: number, from: number, to: number, soft: number): number => {
  const [a, b] = [position - from, to - position]
  return (a < b ? a : b) / (soft * (to - from))
}

/** Chance of a sector at a position. */
export const chance = (position: number, from: number, to: number, soft: number): number =>
  LOGISTIC[indexOf(inside(position, from, to, soft))]!

/** Log likelihood of so many sectors of so many at a position. */
export function logLikelihood(
  position: number,
  good: number,
  bad: number,
  from: number,
  to: number,
  soft: number,
): number {
  const i = indexOf(inside(position, from, to, soft))
  return good * LOG_PASS[i]! + bad * LOG_FAIL[i]!
}

const known = new Map<MechanismId, number>()

/**
 * Softness of the edge of a class by the physics of its heads, share of the width of its window: where 12 % of the
 * sectors fail, and where 88 %, are four softnesses apart.
 */
export function edgeSoftness(mechanism: MechanismId): number {
  let soft = known.get(mechanism)
  if (soft === undefined) known.set(mechanism, (soft = workedOut(mechanism)))
  return soft
}

const losses = new Map<MechanismId, number>()

/** Margin lost where half of a drive type’s sectors fail, share of half the timing window, by {@link offsetCost}. */
export function edgeLoss(mechanism: MechanismId): number {
  let loss = losses.get(mechanism)
  if (loss === undefined) {
    const at = { offsetUm: usualHalfWindowUm(mechanism), cylinder: 0 }
    losses.set(mechanism, (loss = 1 - offsetCost(mechanism, at).margin))
  }
  return loss
}

function workedOut(mechanism: MechanismId): number {
  if (!hasOffsetCost(mechanism)) return SOFT[1]
  const half = usualHalfWindowUm(mechanism)
  const at = (share: number) => {
    let [low, high] = [half * 0.6, half * 1.3]
    for (let i = 0; i < 20; i++) {
      const middle = (low + high) / 2
      if (failingAt(mechanism, { offsetUm: middle, cylinder: 0 }) < share) low = middle
      else high = middle
    }
    return low
  }
  return (at(0.88) - at(0.12)) / 4 / (2 * half)
}
