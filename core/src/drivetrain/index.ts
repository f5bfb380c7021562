export { openBeltLength, turningParts, type Pulleys, type TurningPart } from './pulleys'
export { beltPath, type BeltPath, type PathPulley } from './belt-path'
export { beltLayout, beltRates, beltSum, insideLength, STRETCH, stretchOf, type BeltMaterial } from './belt-sum'
