import { addTo } from '../../base/order'
import { median } from '../../base/numbers'
import type { MeasuredSector } from './read-track'

/** What became of a sector over all turns. */
export type SectorState = 'good' | 'weak' | 'bad-data' | 'no-data' | 'bad-header' | 'foreign'

/** The states in words. */
export const STATES: Readonly<Record<SectorState, { readonly label: string; readonly means: string }>> = {
  good: { label: 'good', means: 'read without error in every revolution, with the same data' },
  weak: { label: 'unstable', means: 'read without error, but not in every revolution, or with different data' },
  'bad-data': { label: 'data check failed', means: 'its header is there, its data never passed their check' },
  'no-data': { label: 'header without data', means: 'its header is there, no data follow' },
  'bad-header': { label: 'header check failed', means: 'something is there whose header never passed its check' },
  foreign: { label: 'of another cylinder', means: 'its header names another cylinder than the heads stand on' },
}

/** A sector over all the turns in which it was found. */
export interface MergedSector {
  readonly cylinder: number
  readonly head: number
  /** −1 where no header was ever readable and nothing tells which it is. */
  readonly sector: number
  readonly size: number
  readonly state: SectorState
  /** Its data where they were whole; the last try otherwise, never to be passed off as data. */
  readonly data: Uint8Array | null
  readonly whole: number
  readonly seen: number
  /** Least margin of its tries. */
  readonly margin: number
  /** Bytes that differ between its tries. */
  readonly weakBytes: number
}

/** Headers closer than this share of a turn are the same one. */
const SAME_PLACE = 0.01

/**
 * Sectors of a track from several turns, in order of cylinder, head and number.
 * @param cylinder that the heads stand on; by most headers otherwise
 */
export function mergeTurns(found: readonly MeasuredSector[], cylinder?: number | null): MergedSector[] {
  const known = found.filter(s => s.status !== 'header check failed')
  const here = cylinder ?? mostNamed(known)
  const groups = new Map<string, MeasuredSector[]>()
  for (const s of known) {
    const key = `${s.cylinder} ${s.head} ${s.sector} ${s.size}`
    addTo(groups, key, s)
  }
  const lost = lostHeaders(found, groups, here)
  return [...[...groups.values()].map(tries => merged(tries, here)), ...lost].sort(
    (a, b) => a.cylinder - b.cylinder || a.head - b.head || a.sector - b.sector || a.size - b.size,
  )
}

/** The cylinder that most headers name; undefined without any. */
export function mostNamed(sectors: readonly { readonly cylinder: number }[]): number | undefined {
  const votes = new Map<number, number>()
  for (const s of sectors) votes.set(s.cylinder, (votes.get(s.cylinder) ?? 0) + 1)
  return [...votes].sort((a, b) => b[1] - a[1])[0]?.[0]
}

function merged(tries: readonly MeasuredSector[], here: number | undefined): MergedSector {
  const [first] = tries
  const whole = tries.filter(t => t.status === 'good')
  const weakBytes = differing(tries)
  const same = whole.every(t => equal(t.data!, whole[0]!.data!))
  const own: SectorState =
    whole.length === 0
      ? tries.some(t => t.data || t.status === 'data check failed')
        ? 'bad-data'
        : 'no-data'
      : same && whole.length === tries.length
        ? 'good'
        : 'weak'
  return {
    cylinder: first!.cylinder,
    head: first!.head,
    sector: first!.sector,
    size: first!.size,
    state: first!.cylinder === here ? own : 'foreign',
    data: (whole[0] ?? tries.findLast(t => t.data))?.data ?? null,
    whole: whole.length,
    seen: tries.length,
    margin: Math.min(...tries.map(t => t.margin)),
    weakBytes,
  }
}

/**
 * Headers that failed their check name nothing. One that stands where a known sector stands in another turn is that
 * sector's; what is
 * left is gathered by its place in the turn, and takes a number that is missing from the row where there are as many
 * as places.
 */
function lostHeaders(
  found: readonly MeasuredSector[],
  groups: ReadonlyMap<string, readonly MeasuredSector[]>,
  here: number | undefined,
): MergedSector[] {
  const failed = found.filter(s => s.status === 'header check failed')
  if (failed.length === 0) return []
  const repeats = [...groups.values()].flatMap(g => g.slice(1).map((s, i) => s.atS - g[i]!.atS)).filter(t => t > 0)
  const turn = repeats.length ? median(repeats) : 0.2
  const near = (a: number, b: number) => {
    const apart = ((((a - b) % turn) + turn) % turn) / turn
    return Math.min(apart, 1 - apart) < SAME_PLACE
  }
  const standing = [...groups.values()].map(g => g[0]!.atS)
  const places: MeasuredSector[][] = []
  for (const f of failed) {
    if (standing.some(t => near(t, f.atS))) continue
    const place = places.find(p => near(p[0]!.atS, f.atS))
    if (place) place.push(f)
    else places.push([f])
  }
  const numbers = new Set([...groups.values()].filter(g => g[0]!.cylinder === here).map(g => g[0]!.sector))
  const [least, most] = [numbers.size ? Math.min(1, ...numbers) : 1, Math.max(...numbers, 0)]
  const missing = Array.from({ length: Math.max(0, most - least + 1) }, (_, i) => least + i).filter(
    n => !numbers.has(n),
  )
  places.sort((a, b) => (a[0]!.atS % turn) - (b[0]!.atS % turn))
  const size = [...groups.values()][0]?.[0]!.size ?? 0
  const head = [...groups.values()][0]?.[0]!.head ?? 0
  return places.map((p, i): MergedSector => ({
    cylinder: here ?? 0,
    head,
    sector: missing.length === places.length ? missing[i]! : -1,
    size,
    state: 'bad-header',
    data: null,
    whole: 0,
    seen: p.length,
    margin: Math.min(...p.map(t => t.margin)),
    weakBytes: 0,
  }))
}

/** Places at which the tries' data are not all the same. */
function differing(tries: readonly MeasuredSector[]): number {
  const datas = tries.flatMap(t => (t.data ? [t.data] : []))
  const [first, ...rest] = datas
  if (!first || rest.length === 0) return 0
  let n = 0
  for (let i = 0; i < first.length; i++) if (rest.some(d => d[i] !== first[i])) n++
  return n
}

const equal = (a: Uint8Array, b: Uint8Array) => a.length === b.length && a.every((x, i) => x === b[i])
