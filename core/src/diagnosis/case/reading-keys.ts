import { COMPLAINTS } from '../knowledge/complaints'
import { CHECKS } from '../knowledge/knowledge'
import { WORDS_AS } from '../drive/readings-as'

/** Words of a complaint as a reading: whether it shows here, and what became of it. */
export const COMPLAINT_STATES = ['seen', 'not seen', 'cured', 'now and then'] as const

const SENSORS = ['index', 'track-0', 'protect'] as const

/** Lines whose level stands long enough for a meter. */
export const METERED_LINES = ['ready', 'track-0', 'write-protect', 'change', 'select', 'motor'] as const

/** Every key under which a reading is taken. */
export const READING_KEYS: readonly string[] = [
  ...new Set([
    ...CHECKS.filter(c => c.kind !== 'finding').map(c => c.id),
    ...SENSORS.flatMap(s => [`sensor.${s}.lit`, `sensor.${s}.shaded`]),
    ...METERED_LINES.flatMap(l => [`level.${l}.active`, `level.${l}.idle`]),
    ...Object.keys(WORDS_AS),
    ...COMPLAINTS.map(c => `complaint.${c.id}`),
    'disks.tried',
    'disks.read',
    'disks.one-writer',
    'disk.marked',
    'disk.formatted',
    'speed.variation.peak',
  ]),
]
