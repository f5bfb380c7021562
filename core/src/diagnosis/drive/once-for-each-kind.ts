import type { Knowledge } from '../knowledge/types'

/** Kinds of drives that are kept ready. */
const KEPT = 40

/**
 * For what is worked out once for each kind of drive under one knowledge.
 * @returns gives what is known of a kind, which it makes where it is not known yet
 */
export function onceForEachKind<T>(): (knowledge: Knowledge, kind: readonly unknown[], make: () => T) => T {
  const known = new WeakMap<Knowledge, Map<string, T>>()
  return (knowledge, kind, make) => {
    let kinds = known.get(knowledge)
    if (!kinds) known.set(knowledge, (kinds = new Map()))
    const key = JSON.stringify(kind)
    let one = kinds.get(key)
    if (one === undefined) {
      one = make()
      if (kinds.size > KEPT) kinds.clear()
      kinds.set(key, one)
    }
    return one
  }
}
