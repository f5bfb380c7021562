export { driveCase, hasComplaint, wantedBy, type DriveCase } from './drive-case'
