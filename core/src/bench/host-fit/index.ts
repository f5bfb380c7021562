export { compareCost, costOf, type Cost, type Setting } from './evaluate'
export { needText, proveImpossible, wantText, type Impossible } from './impossible'
export { judgeFit, type HostFit, type Noticed, type PinRow } from './judge-fit'
export { settingsOf, solveFit, type Solution } from './solve'
