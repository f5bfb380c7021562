import type { SectorState } from './merge-turns'

/** A sector of a read disk, as an image needs it. */
export interface ReadSector {
  readonly cylinder: number
  readonly head: number
  readonly id: number
  readonly bytes: number
  readonly state: SectorState | 'missing'
  readonly data: Uint8Array | null
}

/** One sector's place in an image. */
export interface ImageSector {
  readonly cylinder: number
  readonly head: number
  readonly id: number
  readonly offset: number
  readonly bytes: number
  readonly state: SectorState | 'missing'
  /** False where the bytes there were never read whole and are only filling. */
  readonly read: boolean
}

export interface DiskImage {
  readonly bytes: Uint8Array
  readonly map: readonly ImageSector[]
  readonly filled: readonly ImageSector[]
}

/** What stands where nothing was read: no usual filling, so that it is known when met. */
const FILL = 0xa5

/**
 * A flat image: sectors in order of cylinder, head and id, each once. Data are only what passed their check at least
 * once; everything
 * else is filled and listed. A sector that was read on more than one visit is taken from the best of them.
 */
export function diskImage(sectors: readonly ReadSector[], fill = FILL): DiskImage {
  const best = new Map<string, ReadSector>()
  const rank = (s: ReadSector) => (isRead(s) ? (s.state === 'good' ? 2 : 1) : 0)
  for (const s of sectors) {
    if (s.id < 0) continue
    const key = `${s.cylinder} ${s.head} ${s.id}`
    const other = best.get(key)
    if (!other || rank(s) > rank(other)) best.set(key, s)
  }
  const order = [...best.values()].sort((a, b) => a.cylinder - b.cylinder || a.head - b.head || a.id - b.id)
  const bytes = new Uint8Array(order.reduce((n, s) => n + s.bytes, 0)).fill(fill)
  let offset = 0
  const map = order.map((s): ImageSector => {
    const read = isRead(s)
    if (read) bytes.set(s.data!, offset)
    const place = { cylinder: s.cylinder, head: s.head, id: s.id, offset, bytes: s.bytes, state: s.state, read }
    offset += s.bytes
    return place
  })
  return { bytes, map, filled: map.filter(m => !m.read) }
}

const isRead = (s: ReadSector) => s.data !== null && (s.state === 'good' || s.state === 'weak' || s.state === 'foreign')

/** The map of an image as a table for a CSV file. */
export const imageMapCsv = (
  image: DiskImage,
): { readonly columns: readonly string[]; readonly rows: readonly (readonly (string | number)[])[] } => ({
  columns: ['cylinder', 'head', 'id', 'offset', 'bytes', 'state', 'data'],
  rows: image.map.map(m => [m.cylinder, m.head, m.id, m.offset, m.bytes, m.state, m.read ? 'read' : 'filled']),
})
