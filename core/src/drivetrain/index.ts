export { openBeltLength, turningParts, type Pulleys, type TurningPart } from './pulleys'
export { beltPath, type BeltPath, type PathPulley } from './belt-path'
export { beltLayout, beltRates, beltSum, insideLength, STRETCH, stretchOf, type BeltMaterial } from './belt-sum'
export { gearModule, gearSum } from './gear-sum'
export { motorSum } from './motor-sum'
export { optionsSum, repairOptions } from './options-sum'
export {
  beltNeed,
  orderBelts,
  rankBelts,
  serveFromShelf,
  sistersOf,
  type BeltNeed,
  type BeltOrder,
  type RankedBelt,
  type ShelfBelt,
} from './belt-shelf'
