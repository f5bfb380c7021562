export {
  STRETCH,
  beltLayout,
  beltRates,
  beltCalculator,
  insideLength,
  isMaterial,
  beltStretch,
  lengthRange,
  type BeltMaterial,
} from './belt-calculator'
export { beltRemainsCalculator, lengthByRemains, pathByThread } from './belt-remains-calculator'
export { beltPath, type BeltPath, type PathPulley } from './belt-path'
export { gearModule, gearCalculator, moduleFromSpans } from './gear-calculator'
export { motorCalculator } from './motor-calculator'
export { optionsCalculator, repairOptions } from './options-calculator'
