import type Database from 'better-sqlite3'
import { setImmediate } from 'node:timers/promises'
import { SLICE_MS } from '../breaks'

/** What happens between two transactions of a long piece of work. */
export type Between = () => Promise<unknown>

/**
 * Does a long piece of work in short transactions: others are let in between them. Within a transaction nothing is
 * waited for, so that nobody else's writing becomes part of it.
 * @param work yields wherever it may be interrupted @param between in which others are let in
 */
export async function inSlices(
  client: Database.Database,
  work: Iterator<void>,
  between: Between = setImmediate,
): Promise<void> {
  const slice = client.transaction((): boolean => {
    const begun = performance.now()
    while (performance.now() - begun < SLICE_MS) if (work.next().done) return true
    return false
  })
  while (!slice.immediate()) await between()
}
