import type { Material } from '../../drives'

/** What can be glued: the usual materials of tabs, pads, housings and flags. */
export const GLUED = ['plastic', 'metal', 'felt', 'glass'] as const
export type Glued = (typeof GLUED)[number]

/** A glue with how long it takes before it may be moved, and before it holds. */
export interface Glue {
  readonly id: string
  readonly label: string
  readonly joins: readonly Glued[]
  /** Minutes until it may be handled, and until it holds its load (from memory; the tube says it better). */
  readonly handleMinutes: number
  readonly cureMinutes: number
  readonly why: string
  /** What it must not come near. */
  readonly never: Partial<Record<Material, string>>
}

/** Glues for small parts (common practice; times from memory). */
export const GLUES: readonly Glue[] = [
  {
    id: 'epoxy',
    label: 'Epoxy, two parts, slow',
    joins: ['plastic', 'metal', 'glass'],
    handleMinutes: 240,
    cureMinutes: 1440,
    why: 'It fills gaps, hardly shrinks, and leaves time to set the height.',
    never: {},
  },
  {
    id: 'quick-epoxy',
    label: 'Epoxy, two parts, five minutes',
    joins: ['plastic', 'metal', 'glass'],
    handleMinutes: 30,
    cureMinutes: 480,
    why: 'It holds soon, and is weaker in warmth than the slow one.',
    never: {},
  },
  {
    id: 'contact',
    label: 'Contact adhesive, thin',
    joins: ['felt', 'plastic', 'metal'],
    handleMinutes: 15,
    cureMinutes: 1440,
    why: 'It stays soft and does not soak through a felt pad.',
    never: { polystyrene: 'its solvent dissolves polystyrene' },
  },
  {
    id: 'cyanoacrylate',
    label: 'Instant glue',
    joins: ['plastic', 'metal'],
    handleMinutes: 2,
    cureMinutes: 1440,
    why: 'It holds at once, is brittle, and its vapour leaves a white film.',
    never: {
      head: 'its vapour settles on the head',
      window: 'its vapour fogs an optical window',
      acrylic: 'its vapour fogs clear plastic',
      polycarbonate: 'its vapour fogs clear plastic',
    },
  },
]

/**
 * Glues that join something, the strongest first; those that must not come near what is close by are left out.
 * @param nearby materials close to the joint
 */
export const gluesFor = (what: Glued, nearby: readonly Material[] = []): Glue[] =>
  GLUES.filter(g => g.joins.includes(what) && nearby.every(m => g.never[m] === undefined))
