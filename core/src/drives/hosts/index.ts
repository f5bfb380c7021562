export { compareCost, costOf, type Cable, type Cost, type Setting } from './evaluate'
export { needText, proveImpossible, wantText, type Impossible } from './impossible'
export { judgeFit, type HostFit, type Noticed, type PinRow } from './judge-fit'
export { DRIVES } from './preset-drives'
export { HOSTS } from './preset-hosts'
export {
  foundPosition,
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
export { MODE_IDS, MODES, SIGNAL_IDS, SIGNALS, valueLabel, valuesOf, type Mode, type Signal } from './signals'
export { settingsOf, solveFit, type Solution } from './solve'
