import type { MechanismId } from '../types'

/** What a workshop remembers of a model, beside its test points and its plugs. */
export const MEMORY_TOPICS = {
  opening: 'How it opens',
  latches: 'Hidden latches',
  screws: 'Screws',
  belt: 'Belt',
  parts: 'Parts and values',
  traps: 'What to watch for',
} as const
export type MemoryTopic = keyof typeof MEMORY_TOPICS
export const MEMORY_TOPIC_IDS = Object.keys(MEMORY_TOPICS) as readonly MemoryTopic[]

/** Units in which a test point is read; none where it is a word, such as a colour. */
export const POINT_UNITS = ['V', 'mV', 'mA', 'Ω', 'kΩ', 'µF', 'nF', 'mm', 'ms', ''] as const
export type PointUnit = (typeof POINT_UNITS)[number]

/** A place at which every drive of a model can be measured. */
export interface ModelPoint {
  /** Letters, digits and hyphens; the key of its readings is `point.` and this. */
  readonly id: string
  /** “IC3 pin 4”, “R12”, “wire from P2 pin 3”. */
  readonly name: string
  /** What the drive does meanwhile: “motor on, disk in”. */
  readonly state: string
  readonly unit: PointUnit
  /** Part of the diagnosis that it tells of; null where nobody said. */
  readonly part: string | null
  /** What it should be, and where that is from; null where nobody knows. */
  readonly expected: { readonly value: number | string; readonly from: string } | null
}

/** What stands on a pin of a plug. */
export interface ModelPin {
  readonly plug: string
  readonly pin: string
  readonly signal: string
  readonly from: string
}

export interface ModelMemory {
  readonly topic: MemoryTopic
  readonly text: string
  /** Where it is from: a drive's tag, a file, a person's own look. */
  readonly from: string
}

/** What is known of one model, by all drives of it that were here; exchanged as JSON. */
export interface ModelSheet {
  readonly format: 'wobrin-model-sheet'
  readonly version: 1
  readonly mechanism: MechanismId
  readonly maker: string
  readonly model: string
  readonly points: readonly ModelPoint[]
  readonly pins: readonly ModelPin[]
  readonly memory: readonly ModelMemory[]
}

type Named = Pick<ModelSheet, 'mechanism' | 'maker' | 'model'>

export const emptySheet = ({ mechanism, maker, model }: Named): ModelSheet => ({
  format: 'wobrin-model-sheet',
  version: 1,
  mechanism,
  maker,
  model,
  points: [],
  pins: [],
  memory: [],
})

const plain = (text: string): string => text.toLowerCase().replace(/[\s._/-]+/g, '')

/** One key for all drives of a maker, model and revision; null where no model is known. */
export const modelKey = ({ mechanism, maker, model }: Named): string | null =>
  plain(model) === '' ? null : `${mechanism} ${plain(maker)} ${plain(model)}`

/** The same without a revision, which makers write as one or two letters behind the digits. */
export const familyKey = (d: Named): string | null => modelKey(d)?.replace(/(\d)[a-z]{1,2}$/, '$1') ?? null

/** Id of a test point by its name. */
export const pointId = (name: string, state: string): string =>
  `${name} ${state}`
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 50)

/**
 * Two sheets of one model as one: what both name is taken from the first, an expected value from whichever has one.
 */
export function mergedSheets(mine: ModelSheet, other: ModelSheet): ModelSheet {
  const known = new Map(mine.points.map(p => [p.id, p]))
  for (const p of other.points) {
    const own = known.get(p.id)
    known.set(p.id, own ? { ...own, part: own.part ?? p.part, expected: own.expected ?? p.expected } : p)
  }
  const both = <T>(a: readonly T[], b: readonly T[], key: (x: T) => string): T[] => [
    ...new Map([...b, ...a].map(x => [key(x), x])).values(),
  ]
  return {
    ...mine,
    points: [...known.values()],
    pins: both(mine.pins, other.pins, p => `${plain(p.plug)} ${plain(p.pin)}`),
    memory: both(mine.memory, other.memory, m => `${m.topic} ${plain(m.text)}`),
  }
}
