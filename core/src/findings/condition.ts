import { certainFeatures, possibleFeatures, type Features, type FeatureTag, type MechanismId } from '../drives'

/** When a step, question or condition of a gate applies: data, so that a test can walk it. */
export type Condition =
  | { readonly mechanism: readonly MechanismId[] }
  /** The drive has it, or nobody has said that it has not. */
  | { readonly has: FeatureTag }
  /** The drive has it: somebody said so, or all of its type have it. */
  | { readonly said: FeatureTag }
  /** One of these findings holds. */
  | { readonly found: readonly string[] }
  | { readonly all: readonly Condition[] }
  | { readonly any: readonly Condition[] }
  | { readonly not: Condition }

/** What conditions are decided by. */
export interface Situation {
  readonly mechanism: MechanismId
  readonly has: ReadonlySet<FeatureTag>
  /** What it surely has. */
  readonly said: ReadonlySet<FeatureTag>
  /** Ids of the findings that hold. */
  readonly found: ReadonlySet<string>
}

/**
 * A drive's kind and what was found on it, ready for conditions. A belt that was seen not to exist is not possible
 * any more.
 */
export function situationOf(
  drive: { readonly mechanism: MechanismId; readonly features?: Features | null },
  found: Iterable<string>,
): Situation {
  const has = possibleFeatures(drive.mechanism, drive.features ?? undefined)
  const ids = new Set(found)
  if (ids.has('belt.direct')) has.delete('belt')
  const said = certainFeatures(drive.mechanism, drive.features ?? undefined)
  return { mechanism: drive.mechanism, has, said, found: ids }
}

export function holds(condition: Condition | undefined, s: Situation): boolean {
  if (!condition) return true
  if ('mechanism' in condition) return condition.mechanism.includes(s.mechanism)
  if ('has' in condition) return s.has.has(condition.has)
  if ('said' in condition) return s.said.has(condition.said)
  if ('found' in condition) return condition.found.some(id => s.found.has(id))
  if ('all' in condition) return condition.all.every(c => holds(c, s))
  if ('any' in condition) return condition.any.some(c => holds(c, s))
  return !holds(condition.not, s)
}

/** Every finding that a condition speaks of. */
export function findingsNamed(condition: Condition | undefined): string[] {
  if (!condition) return []
  if ('found' in condition) return [...condition.found]
  if ('all' in condition) return condition.all.flatMap(findingsNamed)
  if ('any' in condition) return condition.any.flatMap(findingsNamed)
  if ('not' in condition) return findingsNamed(condition.not)
  return []
}
