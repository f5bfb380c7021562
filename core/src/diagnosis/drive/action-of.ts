import type { CompiledCheck, DriveModel } from './compile'
import type { Evidence } from './evidence'

/** The treatment or swap that a piece of evidence is the outcome of; null where it only looked at the drive. */
export function actionOf(e: Evidence, drive: DriveModel): CompiledCheck | null {
  const check = drive.checks.get(e.any[0]?.[0]?.check ?? '')
  return check?.check.changes ? check : null
}
