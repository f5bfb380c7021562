export { beforeAfterCalculator, claimCalculator } from './claim-calculator'
export { loadCyclesCalculator } from './load-cycles-calculator'
export { soakCalculator } from './soak-calculator'
export { warmUpCalculator } from './warm-up-calculator'
