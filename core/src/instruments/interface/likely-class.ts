import { isQuick } from '../../signals/codes'
import type { MechanismId } from '../../drives'
import type { TrackReading } from './track-reading'

/**
 * The class of drive that a recording most likely came from, by its tracks, speed and code; null where nothing tells.
 */
export function likelyClass(tracks: readonly TrackReading[], rpm: number | null): MechanismId | null {
  const read = tracks.filter(t => t.sectors.some(s => s.whole > 0))
  if (read.length === 0) return null
  const last = Math.max(...read.map(t => t.cylinder))
  const fast = rpm !== null && rpm > 340
  if (read.some(t => t.format && isQuick(t.format.code))) return 'quick-disk'
  if (read.some(t => t.format?.code === '4-to-5')) return '5.25in-serial'
  if (read.some(t => t.format?.code === 'zoned 6-and-2')) return '3.5in-eject'
  if (fast) return last > 77 ? '5.25in-96' : last > 45 ? '8in' : null
  return last > 45 ? '3.5in' : last > 20 ? '5.25in-48' : null
}
