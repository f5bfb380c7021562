export { planBench, type BenchPlan, type PlannedSitting, type PlannedTask, type PlanOptions } from './plan-bench'
export { type PlanBench, type PlanTask } from './problem'
export { readBench } from './read-bench'
