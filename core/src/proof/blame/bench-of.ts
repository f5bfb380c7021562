import { findingsAmong, sealsOf } from '../../findings'
import { findMechanism, MECHANISM_IDS, MECHANISMS, RECORDING_GEOMETRY, type MechanismId } from '../../drives'
import { lastSpeed, supportingEntries, type LogEntry } from '../../log'
import type { ReferenceDisk } from '../reference-disks'
import { readsOnLog } from './from-log'
import type { BlameDisk, BlameDrive } from './reads'
import type { BlameTable } from './read-csv'

/** Families of disks, in the order of the catalogue. */
export const DISK_FAMILIES: readonly string[] = [...new Set(MECHANISMS.map(m => m.family))]
/** Family of disks that a class of drive takes. */
export const familyOf = (mechanism: string): string => findMechanism(mechanism).family
export const classesOf = (family: string): readonly MechanismId[] =>
  DISK_FAMILIES.includes(family) ? MECHANISMS.filter(m => m.family === family).map(m => m.id) : MECHANISM_IDS

export interface DriveOnBench {
  readonly id: string
  readonly tag: string
  readonly mechanism: MechanismId
  readonly simulated: boolean
  readonly heads?: 1 | 2 | null
  /** Whether its safety gates let a good disk in. */
  readonly mayLoad?: boolean
  /** Whether a disk that was in it may have been hurt. */
  readonly hurts?: boolean
  readonly log: readonly LogEntry[]
}

/**
 * The bench of one family of disks: its disks with their writers, its drives with what their logs say of their speed
 * and heads, and every
 * read of one of the disks that still holds.
 * @param trusted whether a disk is trusted
 */
export function blameBench(
  disks: readonly ReferenceDisk[],
  drives: readonly DriveOnBench[],
  trusted: (disk: string) => boolean,
): BlameTable {
  const here = new Set(drives.map(d => d.id))
  const hurting = new Set(drives.filter(d => d.hurts).map(d => d.id))
  const reads = drives.flatMap(d => readsOnLog(d, d.log))
  return {
    disks: disks.map((d): BlameDisk => ({
      id: d.id,
      name: d.name,
      writer: d.writtenBy && here.has(d.writtenBy) ? d.writtenBy : d.writer.trim() || null,
      trusted: trusted(d.id),
      lookFirst: hurting.has(d.writtenBy ?? '') || reads.some(r => r.disk === d.id && hurting.has(r.drive)),
    })),
    drives: drives.map((d): BlameDrive => ({
      id: d.id,
      name: d.tag,
      heads: reads.some(r => r.drive === d.id && r.head === 1) ? 2 : (d.heads ?? 2),
      mayLoad: d.mayLoad ?? true,
      trackUm: RECORDING_GEOMETRY[d.mechanism]?.trackUm.value ?? null,
      ...saidOf(d),
    })),
    reads: reads.filter(r => disks.some(d => d.id === r.disk)),
  }
}

/** What the log says of the speed, and whether a swab came away clean from the heads. */
function saidOf(drive: DriveOnBench): Pick<BlameDrive, 'speed' | 'clean' | 'seals'> {
  const standing = supportingEntries(drive.log, drive)
  const findings = findingsAmong(standing)
  const call = lastSpeed(standing)?.entry.call?.kind
  return {
    speed: call === 'leave' ? 'right' : call === 'nudge' || call === 'mend' ? 'off' : null,
    clean: findings.some(f => f.finding.id === 'headclean.clean'),
    seals: sealsOf(findings),
  }
}
