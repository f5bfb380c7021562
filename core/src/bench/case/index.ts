export { driveCase, hasComplaint, wantedBy, type DriveCase, type KnownBeside } from './drive-case'
