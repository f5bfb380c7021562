export { driveDay, SUPPLY, type DayDrive, type DayTask, type DriveDay, type HeldBack } from './day-tasks'
