import { standingEntries, type LogEntry } from '../../observations'
import { ZONE_NAMES, type BlameRead } from './reads'

/** Zone of a cylinder: thirds of those that were read. */
const zoneOf = (cylinder: number, cylinders: number) => ZONE_NAMES[Math.min(2, Math.floor((3 * cylinder) / cylinders))]!

/** Reads of named disks on a drive's log that still hold: read tests by their cylinders, and those that were counted by hand. Of the stand-in only where asked for. */
export function readsOnLog(drive: string, log: readonly LogEntry[], standIn = false): BlameRead[] {
  return standingEntries(log).flatMap((e): BlameRead[] => {
    const { data } = e
    if (data?.type === 'cross-read')
      return data.places.map(([head, zone, good, sectors]) => ({ disk: data.disk, drive, head, zone, good, sectors }))
    if (data?.type !== 'read-test' || !data.disk || (data.simulated && !standIn)) return []
    const cylinders = Math.max(...data.bars.map(b => b[0])) + 1
    const sums = new Map<string, { good: number; sectors: number }>()
    for (const [cylinder, head, , good, bad, missing] of data.bars) {
      const key = `${head} ${zoneOf(cylinder, cylinders)}`
      const sum = sums.get(key) ?? { good: 0, sectors: 0 }
      sums.set(key, { good: sum.good + good, sectors: sum.sectors + good + bad + missing })
    }
    return [...sums].map(([key, sum]) => {
      const [head, zone] = key.split(' ')
      return { disk: data.disk!, drive, head: Number(head) as 0 | 1, zone: zone as BlameRead['zone'], ...sum }
    })
  })
}
