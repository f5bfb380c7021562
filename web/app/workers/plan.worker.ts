import { expose } from 'comlink'
import { planBench, type BenchPlan, type PlanBench } from '@wobrin/core/bench/plan'

/** A plan is there after this time at most; what is longer in coming is said to be open. */
const PATIENCE_MS = 300

const worker = {
  plan(bench: PlanBench): BenchPlan {
    const until = performance.now() + PATIENCE_MS
    return planBench(bench, { goOn: () => performance.now() < until })
  },
}

export type PlanWorker = typeof worker

expose(worker)
