export {
  callOnBench,
  LOOK_MINUTES,
  driveCase,
  hasComplaint,
  wantedBy,
  type DriveCase,
  type KnownBeside,
} from './drive-case'
export { PROCEDURES, stepsOf } from './procedures'
export { triedOn, type Tried } from './story'
export { complaintsOf, type ComplaintState, type ComplaintStory } from './story'
