import { findCheck, findFault } from '../../diagnosis'
import { findPart } from '../../parts'
import type { LogEntry } from '../../log'

/** A part that was fitted, of which nobody said yet what came of it. */
export interface FittedUntold {
  /** The check that its outcome answers. */
  readonly check: string
  readonly label: string
}

/**
 * The part that was fitted last while something is complained of: what came of it tells more than anything else.
 * @param entries those that still hold, oldest first
 * @returns null where nothing was fitted, it was said already, or no check asks for it
 */
export function fittedUntold(entries: readonly LogEntry[]): FittedUntold | null {
  for (const { seq, data } of [...entries].reverse()) {
    if (data?.type !== 'part-fitted' && data?.type !== 'part-used') continue
    const node = findPart(data.part)
    const check = node?.cures?.map(f => `swap.${findFault(f)?.part ?? ''}`).find(id => findCheck(id))
    if (!node || !check) return null
    const said = entries.some(e => {
      if (e.seq < seq || e.data?.type !== 'reading') return false
      // Whoever said that the complaint is gone, or still there, has told it as well.
      return e.data.key === check || e.data.key.startsWith('complaint.') || e.data.value === 'cures'
    })
    return said ? null : { check, label: node.label }
  }
  return null
}
