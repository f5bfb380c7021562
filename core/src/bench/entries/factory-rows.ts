import { rowKey } from '../../calculators/calculator'
import { writersCalculator } from '../../calculators/alignment'
import type { MechanismId } from '../../drives'
import { sweepOnLog } from '../../instruments/alignment'
import { standingEntries, type LogEntry, type SweepEntryData } from '../../log'
import type { ReferenceDisk } from '../../proof'

/** What is known of a disk of the shelf: who wrote it. */
export type WrittenDisk = Pick<ReferenceDisk, 'id' | 'writer' | 'proof'>

/**
 * Sweeps of a log with factory-written disks, as rows of the calculator that weighs writers: where the middle of each
 * range lies from where the adjuster stands now. Those of the adjuster that was swept last count, on one scale, and
 * where it is known what a mark moves; a later sweep with a disk takes the place of an earlier one.
 */
export function factoryRows(
  log: readonly LogEntry[],
  disks: readonly WrittenDisk[],
  mechanism: MechanismId,
): Record<string, string> {
  const factory = new Map(disks.filter(d => d.proof === 'factory' && d.writer).map(d => [d.id, d.writer]))
  const all = standingEntries(log).flatMap(e => (e.data?.type === 'sweep' ? [e.data] : []))
  const last = all.at(-1)
  if (!last) return {}
  const like = all.filter(d => d.adjuster === last.adjuster && d.scale === last.scale)
  const now = like.findLast(d => d.setTo !== null)?.setTo ?? last.stood
  if (now === null) return {}
  const rows = new Map<string, Record<string, string>>()
  for (const d of like) {
    const writer = d.disk ? factory.get(d.disk) : undefined
    const row = writer === undefined ? null : rowOf(d, writer, now, mechanism)
    if (row) rows.set(d.disk!, row)
  }
  const { list } = writersCalculator
  return Object.fromEntries(
    [...rows.values()]
      .slice(-list!.most)
      .flatMap((row, i) => Object.entries(row).map(([field, value]) => [rowKey(list!, i, field), value])),
  )
}

function rowOf(
  data: SweepEntryData,
  writer: string,
  now: number,
  mechanism: MechanismId,
): Record<string, string> | null {
  const { common } = sweepOnLog(data, mechanism).result
  if (!common || data.umPerUnit === null) return null
  const um = (x: number) => String(Number((x * data.umPerUnit!).toFixed(1)))
  return { writer, middle: um(common.centre - now), within: um(Math.abs(common.uncertainty)) }
}
