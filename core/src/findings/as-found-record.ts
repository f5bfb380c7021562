import { standingEntries, type AsFoundItem, type Breakage, type LogEntry } from '../log'

/** One marked thing and what has become of it. */
export interface RecordedItem {
  readonly entry: LogEntry
  /** Number on the photo and on the tape: in the order of recording, never given twice. */
  readonly number: number
  readonly item: AsFoundItem
  /** Tag of the drive that had this one's place in the machine when it was noted; null where it was this one. */
  readonly notedOn: string | null
  /** The entry that undid it last, or null while it was not touched. A loose part was undone when it was found. */
  readonly undone: LogEntry | null
  readonly broke: Breakage | null
  /** The entry that put it back, or left it off. */
  readonly putBack: LogEntry | null
  readonly leftOff: boolean
}

/**
 * Everything that was marked on a drive, in the order of recording. Numbers of things taken back stay vacant. What
 * belongs to the machine has gone on to the drive that sits in it now.
 */
export function asFoundRecord(log: readonly LogEntry[]): RecordedItem[] {
  const numbers = new Map<string, number>()
  for (const e of [...log].sort((a, b) => a.seq - b.seq))
    if (e.data?.type === 'as-found') numbers.set(e.id, numbers.size + 1)
  const items = new Map<string, RecordedItem>()
  for (const entry of standingEntries(log)) {
    const data = entry.data
    if (data?.type === 'as-found') {
      items.set(entry.id, {
        entry,
        number: numbers.get(entry.id)!,
        item: data.item,
        notedOn: data.notedOn ?? null,
        undone: data.item.kind === 'loose' ? entry : null,
        broke: null,
        putBack: null,
        leftOff: false,
      })
    } else if (data?.type === 'undone') {
      const old = items.get(data.item)
      if (old) items.set(data.item, { ...old, undone: entry, broke: data.broke, putBack: null, leftOff: false })
    } else if (data?.type === 'put-back') {
      const old = items.get(data.item)
      if (old) items.set(data.item, { ...old, putBack: entry, leftOff: data.leftOff })
    }
  }
  // Also where the drive is back in its machine: then they came back with it, noted anew.
  for (const { data } of log) if (data?.type === 'replaced') for (const id of data.passedOn) items.delete(id)
  return [...items.values()]
}
