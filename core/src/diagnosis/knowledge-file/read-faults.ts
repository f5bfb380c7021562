import type { JSONPath } from 'jsonc-parser'
import { MECHANISM_IDS } from '../../drives'
import { TREATMENTS } from '../knowledge/actions'
import { CHECKS, findCheck } from '../knowledge/knowledge'
import { MOST_FLASHES } from '../knowledge/lamp-codes'
import type { Cure, DriveFunction, Fault, KnowledgeSource, LampCode, Part, Way } from '../knowledge/types'
import { readCondition } from './read-condition'
import { ALL, type Reader } from './reading'

const SOURCES: readonly KnowledgeSource[] = ['from memory', 'common practice', 'a guess']
const CHECK_IDS = CHECKS.map(c => c.id)
const TREATMENT_IDS = TREATMENTS.map(t => t.treatment)
/** Odds in a thousand drives, and minutes of hands. */
const MOST_ODDS = 1000
const MOST_MINUTES = 10_000
const COVERED = ['@covered', '@open']

/** Parts of a file. @throws InputError with line and reason */
export const readParts = (r: Reader, value: unknown, path: JSONPath): Part[] =>
  r.entries(value, path, 'part').map(({ entry, path: at }) => ({
    id: entry.id as string,
    label: r.words(entry.label, [...at, 'label'], `the label of ${String(entry.id)}`),
  }))

/** Faults of a file over its functions and parts. @throws InputError with line and reason */
export function readFaults(
  r: Reader,
  value: unknown,
  path: JSONPath,
  functions: readonly DriveFunction[],
  parts: readonly Part[],
): Fault[] {
  const all = r.entries(value, path, 'fault')
  const ids = all.map(e => e.entry.id as string)
  const partIds = parts.map(p => p.id)
  return all.map(({ entry, path: at }): Fault => {
    const id = entry.id as string
    const of = (key: string): JSONPath => [...at, key]
    return {
      id,
      part: r.id(entry.part, of('part'), 'part', partIds),
      label: r.words(entry.label, of('label'), `the label of ${id}`),
      odds: r.number(entry.odds, of('odds'), `how often ${id} is met, in a thousand drives,`, 0, MOST_ODDS),
      source: r.id(entry.source, of('source'), 'source', SOURCES) as KnowledgeSource,
      ...(entry.when === undefined ? {} : { when: readCondition(r, entry.when, of('when')) }),
      ...(entry.byType === undefined ? {} : { byType: byType(r, entry.byType, of('byType')) }),
      ...(entry.era === undefined ? {} : { era: erasOf(r, entry.era, of('era')) }),
      ways: waysOf(r, entry.ways, of('ways'), functions),
      shows: showsOf(r, entry.shows, of('shows')),
      ...(entry.treatments === undefined
        ? {}
        : { treatments: r.chances(entry.treatments, of('treatments'), 'treatment', TREATMENT_IDS) }),
      cure: cureOf(r, entry.cure, of('cure')),
      ...(entry.harms === undefined ? {} : { harms: r.chances(entry.harms, of('harms'), 'harm', ['power', 'disk']) }),
      ...(entry.brings === undefined ? {} : { brings: brought(r, entry.brings, of('brings'), ids) }),
      ...(entry.intermittent === true ? { intermittent: true } : {}),
    }
  })
}

function byType(r: Reader, value: unknown, path: JSONPath): Fault['byType'] {
  return Object.fromEntries(
    Object.entries(r.object(value, path, 'factors by drive type')).map(([id, factor]) => [
      r.id(id, [...path, id], 'drive type', MECHANISM_IDS),
      r.number(factor, [...path, id], `the factor for ${id}`, 0, 100),
    ]),
  )
}

const erasOf = (r: Reader, value: unknown, path: JSONPath): Fault['era'] =>
  r.list(value, path, 'the list of eras').map((item, i) => {
    const era = r.object(item, [...path, i], 'an era')
    const year = (key: string) => r.number(era[key], [...path, i, key], `the year “${key}”`, 1960, 2100)
    return {
      from: year('from'),
      to: year('to'),
      factor: r.number(era.factor, [...path, i, 'factor'], 'its factor', 0, 100),
    }
  })

function waysOf(r: Reader, value: unknown, path: JSONPath, functions: readonly DriveFunction[]): Way[] {
  const ids = functions.map(f => f.id)
  const ways = r.list(value, path, 'the list of ways').map((item, i): Way => {
    const way = r.object(item, [...path, i], 'a way')
    const breaks: Record<string, string> = {}
    const at = [...path, i, 'breaks']
    for (const [id, mode] of Object.entries(r.object(way.breaks, at, 'what it breaks'))) {
      r.id(id, [...at, id], 'function', ids)
      const modes = Object.keys(functions.find(f => f.id === id)!.modes)
      breaks[id] = r.id(mode, [...at, id], `mode of ${id}`, [...modes, ...COVERED])
    }
    return { chance: r.chance(way.chance, [...path, i, 'chance'], 'the chance of a way'), breaks }
  })
  const sum = ways.reduce((s, w) => s + w.chance, 0)
  if (sum > ALL) r.refuse(path, `the chances of its ways add up to ${sum.toFixed(3)}`, 'at most 1')
  return ways
}

function showsOf(r: Reader, value: unknown, path: JSONPath): Fault['shows'] {
  const shows: Record<string, Readonly<Record<string, number>>> = {}
  for (const [id, chances] of Object.entries(r.object(value ?? {}, path, 'what it shows'))) {
    r.id(id, [...path, id], 'check', CHECK_IDS)
    const check = findCheck(id)!
    shows[id] = r.chances(chances, [...path, id], `answer of ${id}`, check.answers)
    const sum = Object.values(shows[id]!).reduce((s, x) => s + x, 0)
    if (sum > ALL && !check.several)
      r.refuse([...path, id], `the chances of its answers add up to ${sum.toFixed(3)}`, 'at most 1')
  }
  return shows
}

function cureOf(r: Reader, value: unknown, path: JSONPath): Cure {
  const cure = r.object(value, path, 'the cure')
  return {
    says: r.words(cure.says, [...path, 'says'], 'what the cure is'),
    minutes: r.number(cure.minutes, [...path, 'minutes'], 'minutes of the cure', 0.5, MOST_MINUTES),
    ...(cure.risk === undefined
      ? {}
      : { risk: r.number(cure.risk, [...path, 'risk'], 'minutes that its risk may cost', 0, MOST_MINUTES) }),
  }
}

function brought(r: Reader, value: unknown, path: JSONPath, ids: readonly string[]): Fault['brings'] {
  return Object.fromEntries(
    Object.entries(r.object(value, path, 'what it brings')).map(([id, factor]) => [
      r.id(id, [...path, id], 'fault', ids),
      r.number(factor, [...path, id], `the factor for ${id}`, 0, 1000),
    ]),
  )
}

/** What lamps tell, by model. @throws InputError with line and reason */
export const readLampCodes = (r: Reader, value: unknown, path: JSONPath, faults: readonly Fault[]): LampCode[] =>
  r.list(value ?? [], path, 'the list of lamp codes').map((item, i) => {
    const code = r.object(item, [...path, i], 'a lamp code')
    return {
      model: r.words(code.model, [...path, i, 'model'], 'the model'),
      flashes: r.number(code.flashes, [...path, i, 'flashes'], 'the count of flashes', 1, MOST_FLASHES),
      fault: r.id(
        code.fault,
        [...path, i, 'fault'],
        'fault',
        faults.map(f => f.id),
      ),
    }
  })
