import type { Check, LampCode } from './types'

/** What a lamp's code tells on one model, as a check: its answers are counts of flashes. */
export interface LampCheck {
  readonly check: Check
  /** By fault: the counts that it shows, with their chances. */
  readonly shows: Readonly<Record<string, Readonly<Record<string, number>>>>
}

/** How surely a drive that finds its own fault tells it by its code (from memory). */
const TELLS = 0.9
const NONE = 'none'
export const LAMP_CODE = 'lamp.code'
/** Counts of flashes that can be typed. */
export const MOST_FLASHES = 20

/** Whether two models are one: letters of any size, spaces left out. */
export const sameModel = (a: string, b: string): boolean =>
  a.replace(/\s+/g, '').toLowerCase() === b.replace(/\s+/g, '').toLowerCase()

const COUNTS = Array.from({ length: MOST_FLASHES }, (_, i) => String(i + 1))

/** Counting the flashes: asked for where the codes of the model are known, taken everywhere. */
export const LAMP_CHECK: Check = {
  id: LAMP_CODE,
  title: 'Count the flashes of the lamp between two pauses',
  answers: [NONE, ...COUNTS],
  kind: 'reading',
  minutes: 1,
  needs: ['power'],
  source: 'hand',
  base: { [NONE]: 0.96, ...Object.fromEntries(COUNTS.map(c => [c, 0.04 / COUNTS.length])) },
  opens: { kind: 'reading', id: LAMP_CODE },
  ask: false,
}

/** The check of a model whose lamp codes are known; null where none are. */
export function lampCheck(codes: readonly LampCode[], model: string | undefined): LampCheck | null {
  const own = model ? codes.filter(c => sameModel(c.model, model)) : []
  if (own.length === 0) return null
  const shows: Record<string, Record<string, number>> = {}
  for (const { fault, flashes } of own) {
    const of = own.filter(c => c.fault === fault).length
    shows[fault] = { ...shows[fault], [String(flashes)]: TELLS / of }
  }
  return { shows, check: { ...LAMP_CHECK, ask: true } }
}
