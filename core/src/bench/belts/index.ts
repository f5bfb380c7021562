export {
  beltNeed,
  isBeltCalculator,
  orderBelts,
  rankBelts,
  serveFromShelf,
  sistersOf,
  type BeltNeed,
  type BeltOrder,
  type RankedBelt,
  type ShelfBelt,
} from './belt-shelf'
