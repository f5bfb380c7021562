export { beforeAfterSum, claimSum } from './claim-sum'
export { loadCyclesSum } from './load-cycles-sum'
export { soakSum } from './soak-sum'
export { warmUpSum } from './warm-up-sum'
