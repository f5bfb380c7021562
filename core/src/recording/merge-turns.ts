import type { MeasuredSector } from './read-track'

/** A sector over all the turns in which its header was read. */
export interface MergedSector {
  readonly cylinder: number
  readonly head: number
  readonly sector: number
  readonly size: number
  /** good: read whole at least once; weak: whole, but not every time, or with different data; bad: never whole; missing: header only. */
  readonly status: 'good' | 'weak' | 'bad' | 'missing'
  /** Its data where they were whole; the last try otherwise, never to be passed off as data. */
  readonly data: Uint8Array | null
  readonly whole: number
  readonly seen: number
  /** Least margin of its tries. */
  readonly margin: number
  /** Its header names another cylinder than most do: a neighbour track is picked up. */
  readonly foreign: boolean
}

/** Sectors of a track from several turns, in order of cylinder, head and number. Headers that failed their check name nothing and are left out. */
export function mergeTurns(found: readonly MeasuredSector[]): MergedSector[] {
  const known = found.filter(s => s.status !== 'header check failed')
  const votes = new Map<number, number>()
  for (const s of known) votes.set(s.cylinder, (votes.get(s.cylinder) ?? 0) + 1)
  const cylinder = [...votes].sort((a, b) => b[1] - a[1])[0]?.[0]
  const groups = new Map<string, MeasuredSector[]>()
  for (const s of known) {
    const key = `${s.cylinder} ${s.head} ${s.sector} ${s.size}`
    const group = groups.get(key)
    if (group) group.push(s)
    else groups.set(key, [s])
  }
  return [...groups.values()].map((tries): MergedSector => {
    const [first] = tries
    const whole = tries.filter(t => t.status === 'good')
    const same = whole.every(t => equal(t.data!, whole[0]!.data!))
    const status = whole.length === 0 ? (tries.some(t => t.data) ? 'bad' : 'missing') : same && whole.length === tries.length ? 'good' : 'weak'
    return {
      cylinder: first!.cylinder, head: first!.head, sector: first!.sector, size: first!.size, status, data: (whole[0] ?? tries.findLast(t => t.data))?.data ?? null,
      whole: whole.length, seen: tries.length, margin: Math.min(...tries.map(t => t.margin)), foreign: first!.cylinder !== cylinder,
    }
  }).sort((a, b) => a.cylinder - b.cylinder || a.head - b.head || a.sector - b.sector || a.size - b.size)
}

const equal = (a: Uint8Array, b: Uint8Array) => a.length === b.length && a.every((x, i) => x === b[i])
