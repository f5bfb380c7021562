import { supportingEntries, type LogEntry } from '../../log'
import { zoneOfCylinder } from '../../drives'
import type { BlameRead } from './reads'

/**
 * Reads of named disks on a drive's log that still hold: read tests by their cylinders, and those that were counted
 * by a person. Of the simulated drive only where the drive on file is one.
 */
export function readsOnLog(
  drive: { readonly id: string; readonly simulated: boolean },
  log: readonly LogEntry[],
): BlameRead[] {
  return supportingEntries(log, drive).flatMap((e): BlameRead[] => {
    const { data } = e
    const source = e.evidence?.source ?? 'host'
    if (data?.type === 'cross-read')
      return data.places.map(place => ({ disk: data.disk, drive: drive.id, ...place, source }))
    if (data?.type !== 'read-test' || !data.disk) return []
    const cylinders = Math.max(...data.bars.map(b => b.cylinder)) + 1
    const sums = new Map<string, BlameRead>()
    for (const b of data.bars) {
      const zone = zoneOfCylinder(b.cylinder, cylinders)
      const key = `${b.head} ${zone}`
      const before = sums.get(key) ?? { good: 0, sectors: 0 }
      sums.set(key, {
        disk: data.disk,
        drive: drive.id,
        head: b.head,
        zone,
        good: before.good + b.good,
        sectors: before.sectors + b.good + b.bad + b.missing,
        source,
      })
    }
    return [...sums.values()]
  })
}
