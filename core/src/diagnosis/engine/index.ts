export { afterAnswer, answerBits, entropyOf, worthOf, type CheckWorth } from './information'
export type { CheckModel, DiagnosisModel, Hypothesis, PairBounds, Posterior } from './model'
export { weighFaults } from './posterior'
export { repairPlan, type Repair, type RepairPlan } from './repair-order'
