import type { JSONPath } from 'jsonc-parser'
import { nearestIds } from '../nearest'
import type { Located } from './located'

/** Reads values out of a knowledge file, each refused with its line and the reason. */
export class Reader {
  constructor(private readonly json: Located) {}

  refuse(path: JSONPath, problem: string, expected: string): never {
    return this.json.refuse(path, problem, expected)
  }

  object(value: unknown, path: JSONPath, what: string): Record<string, unknown> {
    if (typeof value !== 'object' || value === null || Array.isArray(value))
      this.refuse(path, `${what} is not an object`, 'an object in braces')
    return value as Record<string, unknown>
  }

  list(value: unknown, path: JSONPath, what: string): readonly unknown[] {
    if (!Array.isArray(value)) this.refuse(path, `${what} is not a list`, 'a list in brackets')
    return value as readonly unknown[]
  }

  words(value: unknown, path: JSONPath, what: string): string {
    if (typeof value !== 'string' || value.trim() === '') this.refuse(path, `${what} is missing`, 'some words')
    return value as string
  }

  number(value: unknown, path: JSONPath, what: string, least: number, most: number): number {
    if (typeof value !== 'number' || !Number.isFinite(value) || value < least || value > most)
      this.refuse(path, `${what} is ${JSON.stringify(value)}`, `a number from ${least} to ${most}`)
    return value as number
  }

  chance(value: unknown, path: JSONPath, what: string): number {
    return this.number(value, path, what, 0, 1)
  }

  /** An id of something that exists. */
  id(value: unknown, path: JSONPath, what: string, known: readonly string[]): string {
    if (typeof value !== 'string' || !known.includes(value))
      this.refuse(
        path,
        `there is no ${what} ${JSON.stringify(value)}`,
        `one such as ${nearestIds(String(value), known).join(', ')}`,
      )
    return value as string
  }

  /** Chances by the ids of things that exist. */
  chances(value: unknown, path: JSONPath, what: string, known: readonly string[]): Record<string, number> {
    const out: Record<string, number> = {}
    for (const [id, chance] of Object.entries(this.object(value, path, what))) {
      this.id(id, [...path, id], what, known)
      out[id] = this.chance(chance, [...path, id], `the chance of ${id}`)
    }
    return out
  }

  /** Entries of a list, each an object with an id that no other has. */
  entries(value: unknown, path: JSONPath, what: string): readonly { entry: Record<string, unknown>; path: JSONPath }[] {
    const seen = new Set<string>()
    return this.list(value, path, `the list of ${what}s`).map((item, i) => {
      const at = [...path, i]
      const entry = this.object(item, at, `a ${what}`)
      const id = this.words(entry.id, [...at, 'id'], `the id of a ${what}`)
      if (seen.has(id)) this.refuse([...at, 'id'], `the ${what} ${id} stands there twice`, 'each once')
      seen.add(id)
      return { entry, path: at }
    })
  }
}

/** Shares of one thing, which no rounding brings over 1. */
export const ALL = 1.001
