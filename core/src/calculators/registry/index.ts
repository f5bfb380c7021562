export { CALCULATORS, findCalculator, calculatorGroups } from './calculators'
