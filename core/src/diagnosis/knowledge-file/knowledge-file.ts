import { BUILT_IN } from '../knowledge/knowledge'
import type { Knowledge } from '../knowledge/types'
import { locatedJson } from './located'
import { readFaults, readLampCodes, readParts } from './read-faults'
import { readFunctions } from './read-functions'
import { Reader } from './reading'

const FORMAT = 'wobrin-knowledge'
const VERSION = 1

/** Functions, parts, faults and lamp codes as a plain file, to be read, edited and taken in. */
export const writeKnowledge = (knowledge: Knowledge = BUILT_IN): string =>
  `${JSON.stringify({ format: FORMAT, version: VERSION, ...knowledge }, null, 2)}\n`

/**
 * Knowledge of a file that somebody may have edited.
 * @throws InputError that names line, field and reason; nothing of the file is taken then
 */
export function readKnowledge(text: string, file: string): Knowledge {
  const json = locatedJson(text.replace(/^\uFEFF/, ''), file)
  const r = new Reader(json)
  const root = r.object(json.value, [], 'the file')
  if (root.format !== FORMAT) r.refuse(['format'], 'this is not a knowledge file', `"format": "${FORMAT}"`)
  if (root.version !== VERSION)
    r.refuse(['version'], `its version is ${JSON.stringify(root.version)}`, `version ${VERSION}`)
  const functions = readFunctions(r, root.functions, ['functions'])
  const parts = readParts(r, root.parts, ['parts'])
  const faults = readFaults(r, root.faults, ['faults'], functions, parts)
  if (faults.length === 0) r.refuse(['faults'], 'no fault is left', 'at least one')
  return { functions, parts, faults, lampCodes: readLampCodes(r, root.lampCodes, ['lampCodes'], faults) }
}
