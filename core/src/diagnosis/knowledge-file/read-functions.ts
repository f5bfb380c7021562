import type { JSONPath } from 'jsonc-parser'
import { CHECKS } from '../knowledge/knowledge'
import { LANES, type DriveFunction, type Lane, type Mode } from '../knowledge/types'
import { readCondition } from './read-condition'
import type { Reader } from './reading'

type Entry = { readonly entry: Record<string, unknown>; readonly path: JSONPath }

/** Functions that checks of the program see, with the modes by which they see them. */
function seen(): Map<string, Set<string>> {
  const out = new Map<string, Set<string>>()
  for (const { sees } of CHECKS)
    if (sees) out.set(sees.function, new Set([...(out.get(sees.function) ?? []), ...Object.keys(sees.by)]))
  return out
}

/**
 * Functions of a file, what stands first in the chain first.
 * @throws InputError with line and reason: a function that needs itself, one that checks see and that is missing
 */
export function readFunctions(r: Reader, value: unknown, path: JSONPath): DriveFunction[] {
  const all = r.entries(value, path, 'function')
  const ids = all.map(e => e.entry.id as string)
  for (const [id, modes] of seen()) {
    const i = ids.indexOf(id)
    if (i < 0) r.refuse(path, `the function ${id} is missing`, 'every function that a check sees')
    const has = Object.keys(r.object(all[i]!.entry.modes, [...all[i]!.path, 'modes'], `modes of ${id}`))
    const lacks = [...modes].find(m => !has.includes(m))
    if (lacks) r.refuse([...all[i]!.path, 'modes'], `${id} has no mode ${lacks}`, 'every mode that a check sees')
  }
  const modesOf = new Map(all.map(({ entry }) => [entry.id as string, Object.keys(entry.modes as object)]))
  return inOrder(
    r,
    all.map(e => functionOf(r, e, ids, modesOf)),
    all,
  )
}

function functionOf(
  r: Reader,
  { entry, path }: Entry,
  ids: readonly string[],
  modesOf: ReadonlyMap<string, readonly string[]>,
): DriveFunction {
  const id = entry.id as string
  const modes: Record<string, Mode> = {}
  for (const [name, value] of Object.entries(r.object(entry.modes, [...path, 'modes'], `modes of ${id}`)))
    modes[name] = modeOf(r, value, [...path, 'modes', name], ids, modesOf)
  return {
    id,
    label: r.words(entry.label, [...path, 'label'], `the label of ${id}`),
    // Files written before there was a map with rows name none.
    lane: entry.lane === undefined ? 'result' : (r.id(entry.lane, [...path, 'lane'], 'row', LANES) as Lane),
    needs: r.chances(entry.needs, [...path, 'needs'], 'function', ids),
    ...(entry.when === undefined ? {} : { when: readCondition(r, entry.when, [...path, 'when']) }),
    modes,
  }
}

function modeOf(
  r: Reader,
  value: unknown,
  path: JSONPath,
  ids: readonly string[],
  modesOf: ReadonlyMap<string, readonly string[]>,
): Mode {
  const mode = r.object(value, path, 'a mode')
  const then: Record<string, Record<string, number>> = {}
  if (mode.then !== undefined)
    for (const [id, chances] of Object.entries(r.object(mode.then, [...path, 'then'], 'what follows'))) {
      r.id(id, [...path, 'then', id], 'function', ids)
      then[id] = r.chances(chances, [...path, 'then', id], 'mode', modesOf.get(id)!)
    }
  return {
    label: r.words(mode.label, [...path, 'label'], 'the label of a mode'),
    blocks: r.chance(mode.blocks, [...path, 'blocks'], 'how much it blocks'),
    ...(mode.slight === undefined
      ? {}
      : { slight: r.chance(mode.slight, [...path, 'slight'], 'how often it is slight') }),
    ...(mode.then === undefined ? {} : { then }),
  }
}

/** Each behind those that it needs. */
function inOrder(r: Reader, functions: readonly DriveFunction[], entries: readonly Entry[]): DriveFunction[] {
  const out: DriveFunction[] = []
  const placed = new Set<string>()
  const place = (f: DriveFunction, trail: readonly string[]): void => {
    if (placed.has(f.id)) return
    if (trail.includes(f.id)) {
      const loop = [...trail.slice(trail.indexOf(f.id)), f.id].join(' needs ')
      const { path } = entries[functions.indexOf(f)]!
      r.refuse([...path, 'needs'], `a function needs itself: ${loop}`, 'a chain without a loop')
    }
    for (const need of Object.keys(f.needs))
      place(
        functions.find(o => o.id === need)!,
        [...trail, f.id],
      )
    placed.add(f.id)
    out.push(f)
  }
  for (const f of functions) place(f, [])
  return out
}
