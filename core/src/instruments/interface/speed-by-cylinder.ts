import { addTo } from '../../base/order'
import { median } from '../../base/numbers'
import { plain, type Call } from '../../base/observations'
import { findMechanism } from '../../drives'
import { speedZoneOf } from '../../signals/codes'
import type { RawTrack } from './track-reading'

/** The speed on one cylinder. */
export interface CylinderSpeed {
  readonly cylinder: number
  readonly rpm: number
  /** By index pulses; or by the rate of the data, taken as written at the zone's own speed. */
  readonly by: 'index' | 'data'
  /** Speed that belongs to the cylinder on a drive with a speed for each zone, r/min. */
  readonly zoneRpm: number
}

export interface SpeedByCylinder {
  readonly rows: readonly CylinderSpeed[]
  /** Whether the speed goes with the cylinder. */
  readonly zoned: boolean
  readonly call: Call
}

/** Cylinders that are enough to say whether the speed goes with them. */
const ENOUGH = 3
/** Speeds further apart than this are different ones, a share: the zones lie 9 % apart. */
const APART = 0.03
/** Wide band of the 3.5-inch drives, a share (from memory). */
const WIDE = findMechanism('3.5in-eject').speed.wide!.value / 100

/**
 * Speed against cylinder, of the tracks of a recording: by the index, else by the rate at which the data come.
 * @returns null where fewer than three cylinders tell their speed
 */
export function speedByCylinder(tracks: readonly RawTrack[]): SpeedByCylinder | null {
  const byCylinder = new Map<number, CylinderSpeed[]>()
  for (const t of tracks) {
    const speed = t.cylinder === null ? null : speedOf(t, t.cylinder)
    if (speed) addTo(byCylinder, speed.cylinder, speed)
  }
  const rows = [...byCylinder.values()]
    .map(own => ({ ...own[0]!, rpm: median(own.map(o => o.rpm)) }))
    .sort((a, b) => a.cylinder - b.cylinder)
  if (rows.length < ENOUGH) return null
  const speeds = rows.map(r => r.rpm)
  const zoned = Math.max(...speeds) / Math.min(...speeds) - 1 > APART
  return { rows, zoned, call: zoned ? zonedCall(rows) : evenCall(speeds, rows.length) }
}

function speedOf(t: RawTrack, cylinder: number): CylinderSpeed | null {
  const zoneRpm = speedZoneOf(cylinder).rpm
  const marks = (t.index ?? new Float64Array()).filter(at => at >= t.fromS && at <= t.toS)
  const turns = [...marks.slice(1)].map((at, i) => at - marks[i]!)
  if (turns.length) return { cylinder, rpm: 60 / median(turns), by: 'index', zoneRpm }
  return t.read?.format.code === 'zoned 6-and-2' && Number.isFinite(t.read.rateOff)
    ? { cylinder, rpm: zoneRpm * (1 + t.read.rateOff), by: 'data', zoneRpm }
    : null
}

const evenCall = (speeds: readonly number[], cylinders: number): Call => ({
  kind: 'leave',
  reasons: [`The same speed on ${cylinders} cylinders: ${plain(Number(median(speeds).toFixed(2)))} r/min.`],
  next: 'Judge that speed by the Speed instrument.',
})

function zonedCall(rows: readonly CylinderSpeed[]): Call {
  const wrong = rows.filter(r => Math.abs(r.rpm / r.zoneRpm - 1) > WIDE)
  if (wrong.length === 0) {
    const seen = new Set(rows.map(r => r.zoneRpm))
    return {
      kind: 'leave',
      reasons: [`The speed goes with the cylinder, and each of ${seen.size} zones has its own within ${WIDE * 100} %.`],
      next: 'Leave the speed as it is.',
    }
  }
  const [first] = wrong
  return {
    kind: 'mend',
    reasons: [
      `On cylinder ${first!.cylinder} the disk turns at ${plain(Number(first!.rpm.toFixed(1)))} r/min; ${first!.zoneRpm} r/min belong there.`,
      ...(wrong.length > 1 ? [`${wrong.length} of ${rows.length} cylinders are off.`] : []),
    ],
    next: 'Look at the tachometer and the motor board; a crystal or the host sets the speed, no trimmer does.',
  }
}
