import type { TrackReading } from '../interface'

/**
 * Sectors whose header no reading had, under the numbers that their track lacks: those that most tracks of the same
 * code and sector size have. An image needs each sector in its place; which of several it is cannot be told, and does
 * not matter while none has data.
 */
export function nameMissing(tracks: readonly TrackReading[]): TrackReading[] {
  return tracks.map(t => {
    const unnamed = t.sectors.filter(s => s.id < 0).length
    if (unnamed === 0) return t
    const lacking = usualIds(t, tracks).filter(id => !t.sectors.some(s => s.id === id && s.state !== 'foreign'))
    let given = 0
    const sectors = t.sectors.map(s => (s.id < 0 && given < lacking.length ? { ...s, id: lacking[given++]! } : s))
    return { ...t, sectors: sectors.sort((a, b) => a.id - b.id) }
  })
}

/** Numbers that at least half of the tracks like this one have, rising. */
function usualIds(like: TrackReading, tracks: readonly TrackReading[]): number[] {
  const same = tracks.filter(
    t => t !== like && t.format?.code === like.format?.code && t.format?.rate === like.format?.rate,
  )
  const votes = new Map<number, number>()
  for (const t of same)
    for (const s of t.sectors) if (s.id >= 0 && s.state !== 'foreign') votes.set(s.id, (votes.get(s.id) ?? 0) + 1)
  return [...votes]
    .filter(([, n]) => n * 2 >= same.length)
    .map(([id]) => id)
    .sort((a, b) => a - b)
}
