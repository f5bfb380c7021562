import type { Check, CheckNeed, Opens } from './types'

interface ReadingInput extends Partial<Pick<Check, 'when' | 'sees' | 'unit' | 'bands' | 'source' | 'ask' | 'kind'>> {
  readonly minutes?: number
  readonly needs?: readonly CheckNeed[]
  readonly opens?: Opens
}

/** A check whose answers are mostly one value where nothing is at fault. */
export function reading(
  id: string,
  title: string,
  base: Readonly<Record<string, number>>,
  input: ReadingInput = {},
): Check {
  const seen = Object.values(input.sees?.by ?? {}).flatMap(Object.keys)
  return {
    id,
    title,
    answers: [...new Set([...Object.keys(base), ...seen])],
    base,
    kind: 'reading',
    minutes: 3,
    needs: ['power', 'open'],
    source: 'hand',
    ...input,
  }
}

/** How a reading by meter, or by probe, is taken. */
export const METER = { source: 'meter', needs: ['open'] } as const
export const PROBE = { source: 'probe', needs: ['power', 'open'], minutes: 3 } as const
