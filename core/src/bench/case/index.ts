export { carriedComplaints, type Carried } from './carried'
export {
  behindLooks,
  callOnBench,
  caseMinutes,
  LOOK_MINUTES,
  driveCase,
  hasComplaint,
  wantedBy,
  whySettled,
  type DriveCase,
  type KnownBeside,
} from './drive-case'
export { fittedUntold, type FittedUntold } from './fitted-untold'
export { PROCEDURES, stepsOf } from './procedures'
export { complaintsOf, triedOn, type ComplaintState, type ComplaintStory, type Tried } from './story'
