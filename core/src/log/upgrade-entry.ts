import type { Evidence, Observation } from '../base/observations'
import type { EntryData, SurfaceBar, SurfaceFacts } from './entry-data'

/** What an entry of an earlier version holds, as far as it is changed here. */
export interface EarlierEntry {
  readonly kind: string
  readonly data: unknown
  readonly observations: readonly Observation[]
  readonly evidence?: Evidence | null
}

type Fields = Readonly<Record<string, unknown>>

/**
 * Brings an entry to today's form: measurements get their source, tracks and places become named fields, and what a
 * surface says beside its tracks is taken from its observations, where alone it stood. An entry of today stays as it
 * is.
 * @returns data and evidence as they are kept now
 */
export function upgradeEntry(entry: EarlierEntry): { data: EntryData | null; evidence: Evidence | null } {
  const data = isFields(entry.data) ? entry.data : null
  return {
    data: data ? (upgradeData(data, entry.observations) as unknown as EntryData) : null,
    evidence: entry.evidence ?? (data ? evidenceOf(data) : null),
  }
}

const isFields = (x: unknown): x is Fields => typeof x === 'object' && x !== null && !Array.isArray(x)

function evidenceOf(data: Fields): Evidence | null {
  const recording = typeof data.captureSha === 'string' ? data.captureSha : null
  const simulated = Boolean(data.simulated)
  switch (data.type) {
    case 'speed':
    case 'read-test':
      return {
        source: simulated ? 'simulated' : 'recording',
        by: data.type === 'speed' ? 'Speed' : 'Read test',
        recording,
      }
    case 'sweep':
      return { source: simulated ? 'simulated' : 'host', by: '', recording: null }
    case 'sum':
    case 'host-fit':
      return { source: 'instrument', by: '', recording: null }
    case 'proof':
    case 'write-test':
    case 'cross-read':
      return { source: 'host', by: '', recording: null }
    case 'finding':
      return { source: 'hand', by: '', recording: null }
    default:
      return null
  }
}

function upgradeData(data: Fields, observations: readonly Observation[]): Fields {
  if (data.type === 'read-test' && Array.isArray(data.bars)) {
    const surface = isFields(data.surface) ? data.surface : factsOf(observations)
    return { ...data, bars: data.bars.map(barOf), surface }
  }
  if (data.type === 'cross-read' && Array.isArray(data.places)) return { ...data, places: data.places.map(placeOf) }
  return data
}

/** Cylinder, head, margin in percent (below 0 for none), sectors good, bad, missing, of another cylinder. */
function barOf(bar: unknown): unknown {
  if (!Array.isArray(bar)) return bar
  const [cylinder, head, percent, good, bad, missing, wrongCylinder] = bar as number[]
  const margin = percent! < 0 ? null : percent! / 100
  return { cylinder, head, margin, good, bad, missing, wrongCylinder } as SurfaceBar
}

/** Head, zone, sectors good, sectors in all. */
function placeOf(place: unknown): unknown {
  if (!Array.isArray(place)) return place
  const [head, zone, good, sectors] = place as unknown[]
  return { head, zone, good, sectors }
}

function factsOf(observations: readonly Observation[]): SurfaceFacts {
  const of = (key: string) => observations.find(o => o.key === key && typeof o.value === 'number')
  const value = (key: string) => (of(key)?.value as number | undefined) ?? null
  const swing = (head: string) => {
    const o = of(`surface.swing.${head}`)
    // They stood in percent there, and the uncertainty as the half-width of the 95 % interval.
    return o ? { size: (o.value as number) / 100, sd: (o.uncertainty ?? 1) / 196 } : null
  }
  const rate = value('surface.rate')
  return {
    homeOff: value('surface.home') ?? 0,
    rateOff: rate === null ? null : rate / 100,
    swings: [swing('lower'), swing('upper')],
  }
}
