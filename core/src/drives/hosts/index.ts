export { DRIVES } from './preset-drives'
export { HOSTS } from './preset-hosts'
export {
  foundPosition,
  isWanted,
  type Cable,
  type Choice,
  type DriveProfile,
  type Effects,
  type HostProfile,
  type Line,
  type Need,
  type Position,
  type Want,
  type Way,
} from './profile'
export { checkProfile, readProfile } from './read-profile'
export { MODES, MODE_IDS, SIGNALS, SIGNAL_IDS, valueLabel, valuesOf, type Mode, type Signal } from './signals'
