export {
  callOnBench,
  caseMinutes,
  LOOK_MINUTES,
  driveCase,
  hasComplaint,
  wantedBy,
  type DriveCase,
  type KnownBeside,
} from './drive-case'
export { PROCEDURES, stepsOf } from './procedures'
export { complaintsOf, triedOn, type ComplaintState, type ComplaintStory, type Tried } from './story'
