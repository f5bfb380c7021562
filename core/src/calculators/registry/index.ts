export { CALCULATORS, findCalculator, calculatorGroups } from './calculators'
export { ASKED_FOR, type AskedFor } from './asked-for'
