import { findingsAmong } from '../../findings'
import { MECHANISM_IDS, RECORDING_GEOMETRY, type MechanismId } from '../../mechanisms'
import { standingEntries, type LogEntry } from '../../observations'
import type { ReferenceDisk } from '../reference-disks'
import { readsOnLog } from './from-log'
import type { BlameDisk, BlameDrive } from './reads'
import type { BlameTable } from './read-csv'

/** Classes whose drives take each other's disks. */
const FAMILIES: readonly { readonly label: string; readonly of: readonly MechanismId[] }[] = [
  { label: '3.5-inch', of: ['3.5in', '3.5in-eject'] },
  { label: '5.25-inch', of: ['5.25in-48', '5.25in-96'] },
  { label: '5.25-inch, group code', of: ['5.25in-serial'] },
  { label: '8-inch', of: ['8in'] },
  { label: '3-inch', of: ['3in'] },
  { label: 'Quick disk', of: ['quick-disk'] },
  { label: 'Cartridge', of: ['cartridge'] },
]
export const DISK_FAMILIES: readonly string[] = FAMILIES.map(f => f.label)
/** Family of disks that a class of drive takes. */
export const familyOf = (mechanism: string): string =>
  FAMILIES.find(f => (f.of as readonly string[]).includes(mechanism))!.label
export const classesOf = (family: string): readonly MechanismId[] =>
  FAMILIES.find(f => f.label === family)?.of ?? MECHANISM_IDS

export interface DriveOnBench {
  readonly id: string
  readonly tag: string
  readonly mechanism: MechanismId
  readonly heads?: 1 | 2 | null
  readonly log: readonly LogEntry[]
}

/**
 * The bench of one family of disks: its disks with their writers, its drives with what their logs say of their speed and heads, and every
 * read of one of the disks that still holds.
 * @param trusted whether a disk is trusted @param standIn whether reads of the simulated drive count, to learn by
 */
export function blameBench(
  disks: readonly ReferenceDisk[],
  drives: readonly DriveOnBench[],
  trusted: (disk: string) => boolean,
  standIn = false,
): BlameTable {
  const here = new Set(drives.map(d => d.id))
  const reads = drives.flatMap(d => readsOnLog(d.id, d.log, standIn))
  return {
    disks: disks.map((d): BlameDisk => ({
      id: d.id,
      name: d.name,
      writer: d.writtenBy && here.has(d.writtenBy) ? d.writtenBy : d.writer.trim() || null,
      trusted: trusted(d.id),
    })),
    drives: drives.map((d): BlameDrive => ({
      id: d.id,
      name: d.tag,
      heads: reads.some(r => r.drive === d.id && r.head === 1) ? 2 : (d.heads ?? 2),
      trackUm: RECORDING_GEOMETRY[d.mechanism]?.trackUm.value ?? null,
      ...saidOf(d.log),
    })),
    reads: reads.filter(r => disks.some(d => d.id === r.disk)),
  }
}

/** What the log says of the speed, and whether a swab came away clean from the heads. */
function saidOf(log: readonly LogEntry[]): Pick<BlameDrive, 'speed' | 'clean'> {
  const standing = standingEntries(log)
  const call = standing.findLast(e => e.data?.type === 'speed')?.call?.kind
  return {
    speed: call === 'leave' ? 'right' : call === 'nudge' || call === 'mend' ? 'off' : null,
    clean: findingsAmong(standing).some(f => f.finding.id === 'headclean.clean'),
  }
}
