import type { Fault, KnowledgeSource, Part } from './types'

interface FaultInput extends Partial<Omit<Fault, 'id' | 'part' | 'label' | 'odds' | 'ways' | 'cure'>> {
  /** Chance of each way, and the mode of each function that it breaks. */
  readonly ways: readonly (readonly [number, Readonly<Record<string, string>>])[]
  /** What to do, minutes of hands, and minutes that its risk may cost. */
  readonly cure: readonly [string, number, number?]
  readonly source?: KnowledgeSource
}

/** A fault as data: its part stands before the dot of its id. */
export function fault(id: string, label: string, odds: number, input: FaultInput): Fault {
  const { ways, cure, source = 'from memory', shows = {}, ...more } = input
  return {
    ...more,
    id,
    part: id.split('.')[0]!,
    label,
    odds,
    source,
    shows,
    ways: ways.map(([chance, breaks]) => ({ chance, breaks })),
    cure: { says: cure[0], minutes: cure[1], ...(cure[2] ? { risk: cure[2] } : {}) },
  }
}

export const part = (id: string, label: string): Part => ({ id, label })
