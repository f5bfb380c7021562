import { asFoundRecord, type RecordedItem } from '../../findings'
import type { DriveRef, LogEntry, NewEntry } from '../../log'
import { ParameterError } from '../../base/errors'
import type { OnFile } from './may-replace'

const bare = { call: null, observations: [], evidence: null, takesBack: null, detail: '' } as const

/**
 * What was noted on a drive and belongs to its machine.
 * @param passOn ids of as-found entries
 * @throws ParameterError where one of them is not on the record
 */
export function passedOn({ drive, log }: OnFile, passOn: readonly string[]): RecordedItem[] {
  const record = asFoundRecord(log)
  if (passOn.some(id => !record.some(r => r.entry.id === id)))
    throw new ParameterError(
      'what is passed on is not on the as-found record',
      `things that were noted on ${drive.tag}`,
      { field: 'passOn' },
    )
  return record.filter(r => passOn.includes(r.entry.id))
}

/**
 * The same noted on the drive that goes in, with the photos that show it, and undone: it is to be put back there.
 * @param log of the drive that comes out
 */
export function notedAgain(
  passed: readonly RecordedItem[],
  log: readonly LogEntry[],
  from: DriveRef,
  to: DriveRef,
  at: string,
  newId: () => string,
): NewEntry[] {
  /** New ids by the old ones. */
  const ids = new Map(passed.map(r => [r.entry.id, newId()]))
  const shown = new Set(passed.flatMap(r => r.item.mark?.photo ?? []))
  const photos = log.flatMap((e): NewEntry[] => {
    if (!shown.has(e.id) || e.data?.type !== 'photo' || e.data.sha === null) return []
    const id = newId()
    ids.set(e.id, id)
    const { sha, width, height } = e.data
    const { station, title } = e
    return [
      { ...bare, id, driveId: to.id, at, kind: 'photo', station, title, data: { type: 'photo', sha, width, height } },
    ]
  })
  return [...photos, ...passed.flatMap(r => itemAgain(r, ids, from, to, at, newId))]
}

function itemAgain(
  { item, entry, notedOn, putBack, broke }: RecordedItem,
  ids: ReadonlyMap<string, string>,
  from: DriveRef,
  to: DriveRef,
  at: string,
  newId: () => string,
): NewEntry[] {
  const id = ids.get(entry.id)!
  const photo = item.mark && ids.get(item.mark.photo)
  const mark = item.mark && photo ? { ...item.mark, photo } : null
  const behind = item.behind === null ? null : (ids.get(item.behind) ?? null)
  // What was noted on the drive itself comes home.
  const first = notedOn ?? from.tag
  const elsewhere = first === to.tag ? {} : { notedOn: first }
  const { station, title, detail } = entry
  const common = { ...bare, driveId: to.id, at, station }
  return [
    {
      ...common,
      id,
      kind: 'as-found',
      title,
      detail,
      data: { type: 'as-found', item: { ...item, mark, behind }, ...elsewhere },
    },
    {
      ...common,
      id: newId(),
      kind: 'undone',
      title: `Undone with ${from.tag}: ${item.name}`,
      data: { type: 'undone', item: id, broke: putBack ? null : broke },
    },
  ]
}
