/** Drives of this workshop, as the lists expected them and as they were. */
export interface Pace {
  /** Minutes that the lists expected, and that the logs show. */
  readonly expected: number
  readonly taken: number
  readonly drives: number
}

/** How drives of one type ended in this workshop. */
export interface Endings {
  readonly working: number
  readonly all: number
}

/** A repair of this workshop whose cause is known. */
export interface Repair {
  readonly tag: string
  /** Minutes of hands from arrival to the cure. */
  readonly minutes: number
}

/** The lists count as so many minutes of own work (a guess): a few drives move them little. */
const LISTS_COUNT = 600
/** What is known of a type beforehand counts as so many drives, and of a repair as so many repairs (guesses). */
const KNOWN_BEFORE = 8
const ONE_REPAIR = 2

/** How many times as long as the lists say things take here. */
export const paceOf = ({ expected, taken }: Pick<Pace, 'expected' | 'taken'>): number =>
  (taken + LISTS_COUNT) / (expected + LISTS_COUNT)

/** Chance of a type after the drives of this workshop (the mean of a Beta distribution). */
export const chanceHere = (usual: number, { working, all }: Endings): number =>
  (usual * KNOWN_BEFORE + working) / (KNOWN_BEFORE + all)

/** Minutes that a repair takes after those of its kind in this workshop. */
export const minutesHere = (expected: number, repairs: readonly Repair[]): number =>
  (expected * ONE_REPAIR + repairs.reduce((s, r) => s + r.minutes, 0)) / (ONE_REPAIR + repairs.length)
