export { closedCase } from './closed-case'
export { factorsOf, KNOWN_BEFORE, learnRates, type ClosedCase, type LearnedRate } from './learn'
export { readRates, writeRates } from './rates-file'
