export { azimuthByLoss, azimuthOf, azimuthSpread, azimuthCalculator } from './azimuth-calculator'
export { flagCalculator, slotUncertainty, switchesAt } from './flag-calculator'
export { homeMisses, homeCalculator } from './home-calculator'
export { indexBurstCalculator } from './index-burst-calculator'
export { lobeOffset, lobeReach, lobesCalculator } from './lobes-calculator'
export { READING_UNITS, offsetCalculator, offsetUm } from './offset-calculator'
export {
  failingAt,
  halfWindowUm,
  hasOffsetCost,
  offsetCost,
  type OffsetCost,
  type Standing,
  usualHalfWindowUm,
} from './offset-cost'
export { quickStartCalculator, turnsIn } from './quick-start-calculator'
export { tabCalculator, tripsSooner } from './tab-calculator'
export { writersCalculator } from './writers-calculator'
