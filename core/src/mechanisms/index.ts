export { anatomyOf, type Anatomy, type AnatomyPart, type Shape } from './anatomy'
export { MECHANISMS, findMechanism, isMechanismId } from './catalogue'
export { ALIGNMENT_LIMITS, type AlignmentLimits } from './alignment-limits'
export { LAYOUTS, layoutsOf, type Layout } from './layouts'
export { fluxPerRadian, innermostFluxPerInch, trackRadiusMm } from './flux-density'
export { commonPractice, describeSource, fromMemory, sourced, standard, type Source, type Sourced } from './provenance'
export { pitchUm, radiusMm, RECORDING_GEOMETRY, SOUND_NOISE, type RecordingGeometry } from './recording-geometry'
export { nearestNominal, speedBands, type SpeedBand } from './speed-bands'
export { MECHANISM_IDS } from './types'
export type {
  Geometry,
  Mechanism,
  MechanismId,
  RecordingFormat,
  SpeedLimits,
  SpindleDrive,
  TrimmerPresence,
} from './types'
export {
  FEATURE_RANGES,
  FEATURE_TAGS,
  NO_FEATURES,
  possibleFeatures,
  type FeatureRange,
  type Features,
  type FeatureTag,
} from './features'
