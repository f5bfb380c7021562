export { proveAgain, type ProveAgain } from './prove-again'
export { findPart, IN_DRIVES, PART_TREE, partsOn, piecesOf, withAssembly, withPieces } from './tree'
export { debtDoubts } from './debt-doubts'
export { lentOut, partsThere, SUSPECTED, type CaseOfParts, type LentPart, type PartThere } from './there'
export type { PartNode } from './types'
export {
  compareShapes,
  readMeasures,
  SHAPE_IDS,
  shapeOf,
  toldMeasures,
  type Measure,
  type Measures,
  type Shape,
  type ShapeFit,
  type ShapeId,
} from './shapes'
export {
  assign,
  driveNamed,
  fitOf,
  LIKELY,
  matchWants,
  orderParts,
  PLACES,
  wantsOf,
  type DriveNamed,
  type Fit,
  type MatchedWant,
  type Offer,
  type OrderItem,
  type PartOrder,
  type PlaceId,
  type Suited,
  type Want,
} from './wants'
