export {
  ADJUSTER_IDS,
  ADJUSTER_MOVES,
  ADJUSTER_NAMES,
  ADJUSTER_PLACES,
  SCALES,
  type AdjusterId,
  type ScaleId,
} from './adjusters'
export { ALIGNMENT_LIMITS } from './alignment-limits'
export { type AlignmentLimits } from './limits'
export { anatomyOf, type Anatomy, type AnatomyPart, type Shape } from './anatomy'
export { MECHANISMS, byMechanism, findMechanism, isMechanismId } from './catalogue'
export { certainFeatures, FEATURE_RANGES, headsOf, possibleFeatures } from './features'
export { FEATURE_TAGS, NO_FEATURES, type FeatureRange, type FeatureTag, type Features } from './feature-range'
export { fluxPerRadian, innermostFluxPerInch, trackRadiusMm } from './flux-density'
export { LAYOUTS, layoutsOf, rpmAt, speedShare, type Layout } from './layouts'
export { commonPractice, describeSource, fromMemory, sourced, standard, type Source, type Sourced } from './provenance'
export { openBeltLength, turningParts, type Pulleys, type TurningPart } from './pulleys'
export { RECORDING_GEOMETRY, SOUND_NOISE, pitchUm, pulseShare, radiusMm } from './recording-geometry'
export { type RecordingGeometry } from './recording'
export { nearestNominal, nominalFor, speedBands, zoneAt, zoneSays, type SpeedBand } from './speed-bands'
export {
  MECHANISM_IDS,
  type Geometry,
  type Mechanism,
  type MechanismId,
  type OwnPart,
  type RecordingFormat,
  type SpeedLimits,
  type SpindleDrive,
  type TrimmerPresence,
} from './types'
export { ZONES, zoneOfCylinder, type Zone } from './zones'
export { MATERIALS, SOILS, isMaterial, isSoil, type Material, type Soil } from './materials'
export type { Closes, Front, HeightSeen, PlugSeen } from './front'
export { KIND_LOOKS, recognise, type KindAnswers, type KindFit, type KindLook } from './recognise'
