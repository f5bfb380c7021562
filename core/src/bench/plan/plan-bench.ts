import { leastEnd } from './bounds'
import { shortPlan } from './improve'
import { problemOf, type PlanBench } from './problem'
import { leastThatFits, prove, type Proof } from './prove'
import { reworked } from './rework'
import { grouped, turnsIn } from './settings'
import type { Timing } from './serial'
import { bestSitting } from './sitting'

/** When a task is done, minutes from now. */
export interface PlannedTask {
  readonly id: string
  readonly start: number
  readonly end: number
}

export interface BenchPlan {
  /** Minutes until all is done. */
  readonly makespanMinutes: number
  /** Minutes below which no plan can end. */
  readonly bound: number
  /** No plan is shorter. */
  readonly proved: boolean
  /** What changing between settings costs in it: 1 for each change, 2 for going from clean work back to messy work. */
  readonly turns: number
  /** Every task, the first first. */
  readonly schedule: readonly PlannedTask[]
  /** What is best done in the minutes that were asked for; null where none were. */
  readonly sitting: PlannedSitting | null
}

/** A sitting: what fits into it, and what runs on by itself afterwards. */
export interface PlannedSitting {
  readonly minutes: number
  readonly schedule: readonly PlannedTask[]
  /** Waits that are begun and end after it. */
  readonly runsOn: readonly string[]
  /** Minutes that all the rest takes at least in later sittings, waits that run on being over by then. */
  readonly leftMinutes: number
  /** Minutes of hands’ work that are left: all of it, and as much as is expected to be needed. */
  readonly handsLeftMinutes: number
  readonly handsExpectedMinutes: number
}

export interface PlanOptions {
  /** Plans that are tried at most. */
  readonly tries?: number
  /** Choices that a proof looks at, at most. */
  readonly nodes?: number
  readonly seed?: number
  /** Asked now and then whether to go on; what is there then is the answer. */
  readonly goOn?: () => boolean
}

/** So many tasks are proved at most: more are planned, and the gap to the bound is said. */
const MOST_PROVED = 150
const FIRST_TRIES = 50
const SITTING_TRIES = 300
const GROUP_TRIES = 200
const USUAL = { tries: 400, nodes: 5_000 }

/**
 * What hands do when, so that all is done soonest: waits run beside the work, and nobody waits for what somebody else
 * uses. Exact for small benches; `proved` says whether it is.
 * @param bench checked already, as `readBench` does
 */
export function planBench(bench: PlanBench, options: PlanOptions = {}): BenchPlan {
  const { tries, nodes, seed, goOn } = { ...USUAL, ...options }
  const p = problemOf(bench)
  const least = leastEnd(p)
  // It is what is asked for: the plan of all has what time is left.
  const sitting =
    bench.minutes === null
      ? null
      : sittingOf(bench, bench.minutes, p.unit, { tries: Math.min(tries, SITTING_TRIES), seed, goOn })
  const search = { seed, goOn, least }
  // A first look finds most plans; what remains is proved, and only where that does not end is more tried.
  let best = shortPlan(p, { ...search, tries: Math.min(tries, FIRST_TRIES) })
  let proof: Proof = { best, proved: best.end <= least, least }
  if (!proof.proved && p.count <= MOST_PROVED) {
    const fits = leastThatFits(p, least, best.end)
    proof = prove(p, best, fits, { nodes, goOn })
    if (!proof.proved) {
      best = reworked(p, proof.best, { rounds: tries, seed, goOn, enough: fits })
      proof = { best, proved: best.end <= fits, least: fits }
    }
  } else if (!proof.proved) {
    best = shortPlan(p, { ...search, tries })
    proof = { best, proved: best.end <= least, least }
  }
  const plan = grouped(p, bench.tasks, proof.best, { tries: Math.min(tries, GROUP_TRIES), seed, goOn })
  return {
    makespanMinutes: inMinutes(proof.best.end, p.unit),
    bound: inMinutes(proof.proved ? proof.best.end : proof.least, p.unit),
    proved: proof.proved,
    turns: turnsIn(bench.tasks, plan.start),
    schedule: scheduled(bench, plan.start, p.unit),
    sitting,
  }
}

function sittingOf(
  bench: PlanBench,
  minutes: number,
  unit: number,
  search: Parameters<typeof bestSitting>[2],
): PlannedSitting {
  const { start, rest, hands, expected } = bestSitting(bench, minutes, search)
  const schedule = scheduled(bench, start, unit)
  return {
    minutes,
    schedule,
    runsOn: schedule.filter(t => t.end > minutes).map(t => t.id),
    leftMinutes: inMinutes(rest, unit),
    handsLeftMinutes: inMinutes(hands, unit),
    handsExpectedMinutes: inMinutes(expected, unit),
  }
}

const inMinutes = (units: number, unit: number): number => Math.round(units * unit * 1000) / 1000

/** Tasks with their times, the first first; those that do not begin are left out. */
function scheduled(bench: PlanBench, start: Timing['start'], unit: number): PlannedTask[] {
  return bench.tasks
    .flatMap((t, i) =>
      start[i]! < 0
        ? []
        : [
            {
              id: t.id,
              start: inMinutes(start[i]!, unit),
              end: inMinutes(start[i]! + Math.round(t.minutes / unit), unit),
            },
          ],
    )
    .sort((a, b) => a.start - b.start || a.end - b.end)
}
