import type { JSONPath } from 'jsonc-parser'
import { MATERIALS, type Material } from '../../drives'
import { locatedJson, readCondition, Reader } from '../../diagnosis/knowledge-file'
import { RESTS, type Rests } from '../../log'
import { PART_TREE } from '../../parts'
import { CAUTIONS, type CautionId } from '../stations'
import { GLUED, type Glued } from './glue'
import type { Procedure, ProcedureStep } from './procedure'
import { PROCEDURES } from './procedures'

const FORMAT = 'wobrin-procedures'
const VERSION = 1
const DAY = 24 * 60

/** How parts are changed, as a plain file, to be read, edited and taken in. */
export const writeProcedures = (procedures: readonly Procedure[] = PROCEDURES): string =>
  `${JSON.stringify({ format: FORMAT, version: VERSION, procedures }, null, 2)}\n`

/**
 * Procedures of a file that somebody may have edited.
 * @throws InputError that names line, field and reason; nothing of the file is taken then
 */
export function readProcedures(text: string, file: string): Procedure[] {
  const json = locatedJson(text.replace(/^\uFEFF/, ''), file)
  const r = new Reader(json)
  const root = r.object(json.value, [], 'the file')
  if (root.format !== FORMAT) r.refuse(['format'], 'this is not a file of procedures', `"format": "${FORMAT}"`)
  if (root.version !== VERSION)
    r.refuse(['version'], `its version is ${JSON.stringify(root.version)}`, `version ${VERSION}`)
  const parts = PART_TREE.map(n => n.id)
  const changed = new Set<string>()
  return r.entries(root.procedures, ['procedures'], 'procedure').map(({ entry, path }): Procedure => {
    const of = (key: string) => [...path, key]
    const its = r.list(entry.parts, of('parts'), 'the list of parts').map((x, i) => {
      const id = r.id(x, [...of('parts'), i], 'part', parts)
      if (changed.has(id)) r.refuse([...of('parts'), i], `${id} is changed by two procedures`, 'each part once')
      changed.add(id)
      return id
    })
    const steps = r.entries(entry.steps, of('steps'), 'step').map(s => readStep(r, s.entry, s.path))
    if (steps.length === 0) r.refuse(of('steps'), 'it has no step', 'at least one')
    return {
      id: String(entry.id),
      title: r.words(entry.title, of('title'), 'its title'),
      parts: its,
      compare: wordsIn(r, entry.compare ?? [], of('compare'), 'what is compared'),
      steps,
      ...when(r, entry.when, of('when')),
    }
  })
}

function readStep(r: Reader, entry: Record<string, unknown>, path: JSONPath): ProcedureStep {
  const of = (key: string) => [...path, key]
  const cautions = entry.cautions === undefined ? null : r.list(entry.cautions, of('cautions'), 'its cautions')
  return {
    id: String(entry.id),
    title: r.words(entry.title, of('title'), 'its title'),
    why: r.words(entry.why, of('why'), 'why it is done'),
    tools: wordsIn(r, entry.tools ?? [], of('tools'), 'a tool'),
    hands: r.number(entry.hands, of('hands'), 'its minutes of hands', 0.5, DAY),
    ...(entry.wait === undefined ? {} : { wait: readWait(r, entry.wait, of('wait')) }),
    ...(entry.glue === undefined ? {} : { glue: readGlue(r, entry.glue, of('glue')) }),
    ...(cautions && {
      cautions: cautions.map((x, i) => r.id(x, [...of('cautions'), i], 'caution', Object.keys(CAUTIONS)) as CautionId),
    }),
    ...when(r, entry.when, of('when')),
  }
}

function readWait(r: Reader, value: unknown, path: JSONPath): NonNullable<ProcedureStep['wait']> {
  const wait = r.object(value, path, 'its wait')
  const rests = r.list(wait.rests, [...path, 'rests'], 'what rests')
  return {
    what: r.words(wait.what, [...path, 'what'], 'what it waits for'),
    minutes: r.number(wait.minutes, [...path, 'minutes'], 'its minutes', 1, 60 * DAY),
    rests: rests.map((x, i) => r.id(x, [...path, 'rests', i], 'thing that rests', RESTS) as Rests),
  }
}

function readGlue(r: Reader, value: unknown, path: JSONPath): NonNullable<ProcedureStep['glue']> {
  const glue = r.object(value, path, 'its glue')
  const nearby = r.list(glue.nearby ?? [], [...path, 'nearby'], 'what is close by')
  return {
    joins: r.id(glue.joins, [...path, 'joins'], 'material that is glued', GLUED) as Glued,
    nearby: nearby.map((x, i) => r.id(x, [...path, 'nearby', i], 'material', Object.keys(MATERIALS)) as Material),
  }
}

const wordsIn = (r: Reader, value: unknown, path: JSONPath, what: string): string[] =>
  r.list(value, path, what).map((x, i) => r.words(x, [...path, i], what))

const when = (r: Reader, value: unknown, path: JSONPath) =>
  value === undefined ? {} : { when: readCondition(r, value, path) }
