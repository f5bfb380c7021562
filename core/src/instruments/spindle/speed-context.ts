import type { SpeedContext, SpeedSchool } from './speed-case'
import type { DriveFacts } from '../../log'

/** What a drive's speed is judged by: its facts and the workshop's school. */
export function speedContextOf(drive: DriveFacts, school: SpeedSchool): SpeedContext {
  return {
    mechanism: drive.mechanism,
    school,
    nominalRpm: drive.nominalRpm ?? undefined,
    hasTrimmer: drive.hasTrimmer ?? undefined,
    motor: drive.motor ?? undefined,
  }
}
