import type { JSONPath } from 'jsonc-parser'
import { FEATURE_TAGS, MECHANISM_IDS } from '../../drives'
import { QUESTIONS, type Condition } from '../../findings'
import type { Reader } from './reading'

const FINDINGS = QUESTIONS.flatMap(q => q.findings.map(f => f.id))

/** When something applies, as data. @throws InputError with line and reason */
export function readCondition(r: Reader, value: unknown, path: JSONPath): Condition {
  const object = r.object(value, path, 'a condition')
  const [key, ...more] = Object.keys(object)
  const inner = object[key ?? '']
  const at = [...path, key ?? '']
  const ids = (what: string, known: readonly string[]) =>
    r.list(inner, at, what).map((x, i) => r.id(x, [...at, i], what, known))
  const conditions = () => r.list(inner, at, 'conditions').map((x, i) => readCondition(r, x, [...at, i]))
  if (more.length === 0) {
    if (key === 'mechanism') return { mechanism: ids('drive type', MECHANISM_IDS) } as Condition
    if (key === 'has' || key === 'said') return { [key]: r.id(inner, at, 'feature', FEATURE_TAGS) } as Condition
    if (key === 'found') return { found: ids('finding', FINDINGS) }
    if (key === 'all') return { all: conditions() }
    if (key === 'any') return { any: conditions() }
    if (key === 'not') return { not: readCondition(r, inner, at) }
  }
  return r.refuse(path, 'this is not a condition', 'one of mechanism, has, said, found, all, any, not')
}
