export { expectedReading, sectorReads, type Expected } from './expected-margin'
export { layCells, type LaidTrack } from './lay-cells'
export {
  afterAzimuth,
  afterSpacing,
  jitterOf,
  offTrack,
  residue,
  wavelengthUm,
  type OffTrack,
  type Strip,
} from './losses'
export { crowdedHeight, peakShift, pushBy } from './peak-shift'
export { extraCrossings } from './shoulders'
export { THRESHOLD, viewOf, type HeadState, type HeadView } from './under-head'
