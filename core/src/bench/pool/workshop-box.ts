import { findMechanism } from '../../drives'
import { modelKey } from '../../drives/models'
import type { DriveFacts, LogEntry } from '../../log'
import { partsOf } from '../../proof'
import { lowerFirst } from '../../base/observations'
import type { Box, PartCondition, Pool } from './box'
import { poolParts } from './pool-parts'

/** A drive of the workshop whose parts may be put together with those of others. */
export interface PoolDrive {
  readonly drive: DriveFacts
  readonly log: readonly LogEntry[]
  /** Ids of parts that are in another drive by now. */
  readonly gone: ReadonlySet<string>
}

/** A part of which nobody knows whether it is good. */
export interface UntestedPart {
  readonly tag: string
  readonly part: string
}

/** Drives of one model, and what can be made of them. */
export interface ModelPool {
  readonly name: string
  readonly drives: readonly { readonly id: string; readonly tag: string }[]
  readonly pool: Pool
  /** Parts that nobody looked at or tested, and on which this counts: they are to be tested first. */
  readonly countsOn: readonly UntestedPart[]
}

/** Minutes that taking a part out of one drive and fitting it to another takes (from memory, rough). */
const MOVE_MINUTES: Readonly<Record<string, number>> = {
  heads: 90,
  motor: 40,
  spindle: 60,
  carriage: 60,
  board: 20,
  index: 20,
  zero: 30,
  protect: 20,
  pin: 5,
  arm: 10,
  gears: 30,
  loading: 30,
  pad: 10,
  case: 10,
}

/**
 * Which parts of drives of one model would make others work: by what their logs say of their parts. A part that nobody
 * tested is counted on, and named: testing it costs less than replacing it. Models of which no part would be moved are
 * left out, and drives of which nobody knows the model, as nobody knows what fits them.
 */
export function poolWorkshop(drives: readonly PoolDrive[]): ModelPool[] {
  const models = new Map<string, PoolDrive[]>()
  for (const d of drives) {
    const key = modelKey(d.drive)
    if (key !== null) models.set(key, [...(models.get(key) ?? []), d])
  }
  return [...models]
    .flatMap(([model, list]) => (list.length > 1 ? [poolModel(model, list)] : []))
    .filter(m => m.pool.works.length > 0)
}

function poolModel(model: string, list: readonly PoolDrive[]): ModelPool {
  const untested: UntestedPart[] = []
  const moves: Record<string, number> = {}
  const drives = list.map(({ drive, log, gone }) => ({
    id: drive.tag,
    mechanism: drive.mechanism,
    model,
    value: Math.max(0, drive.account?.working ?? 1),
    inUse: false,
    parts: Object.fromEntries(
      partsOf(drive, log).map((p): [string, PartCondition] => {
        const name = lowerFirst(p.label)
        moves[name] = MOVE_MINUTES[p.id] ?? 0
        if (gone.has(p.id) || !p.good) return [name, 'bad']
        if (p.state === 'not known') untested.push({ tag: drive.tag, part: name })
        return [name, 'good']
      }),
    ),
  }))
  const box: Box = { drives, mayTakeFromUsed: [], moves }
  const whole = poolParts(box)
  // Of the others the logs say no more than that no part was found bad.
  const pool = { ...whole, works: whole.works.filter(w => Object.keys(w.from).length > 0) }
  /** Where each part of the drives that would work is now. */
  const used = new Set(
    pool.works.flatMap(({ drive: tag, from }) =>
      Object.keys(drives.find(d => d.id === tag)!.parts).map(part => `${from[part] ?? tag}\n${part}`),
    ),
  )
  const first = list[0]!.drive
  return {
    name: `${findMechanism(first.mechanism).label}, ${`${first.maker} ${first.model}`.trim()}`,
    drives: list.map(({ drive: { id, tag } }) => ({ id, tag })),
    pool,
    countsOn: untested.filter(u => used.has(`${u.tag}\n${u.part}`)),
  }
}
