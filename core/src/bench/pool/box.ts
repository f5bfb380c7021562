import { addTo } from '../../base/order'
/** What is known of a part: one that nobody tested is not counted on. */
export type PartCondition = 'good' | 'bad' | 'unknown'

/** A drive in the box, with its parts. */
export interface BoxDrive {
  readonly id: string
  readonly mechanism: string
  readonly model: string
  /** What it is worth once it works, in any one unit. */
  readonly value: number
  /** In use: nothing is taken from it unless that is allowed. */
  readonly inUse: boolean
  readonly parts: Readonly<Record<string, PartCondition>>
}

/** Drives whose parts may be put together. Parts fit among drives of the same model. */
export interface Box {
  readonly drives: readonly BoxDrive[]
  /** Ids of drives in use from which parts may be taken nevertheless. */
  readonly mayTakeFromUsed: readonly string[]
  /** Minutes that moving a part takes, of each kind. */
  readonly moves: Readonly<Record<string, number>>
  /** What moving a part risks, as minutes that it may cost; where it is given, work and risk come before few moves. */
  readonly risks?: Readonly<Record<string, number>>
}

/** A drive that works in the end, and where those of its parts come from that are not its own. */
export interface PooledDrive {
  readonly drive: string
  readonly from: Readonly<Record<string, string>>
}

export interface Pool {
  readonly works: readonly PooledDrive[]
  /** Value of the drives that work. */
  readonly value: number
  /** Minutes of moving parts. */
  readonly minutes: number
  /** Drives from which parts are taken. */
  readonly donors: readonly string[]
  /** Drives that do not work, and from which nothing is taken: their good parts stay for another time. */
  readonly left: readonly string[]
  /** No other choice is better. */
  readonly proved: boolean
  /** The same in sentences. */
  readonly says: string
}

/** Whether parts may be taken from a drive. */
export const mayGive = (drive: BoxDrive, { mayTakeFromUsed }: Pick<Box, 'mayTakeFromUsed'>): boolean =>
  !drive.inUse || mayTakeFromUsed.includes(drive.id)

/** Parts of a drive that are not known to be good, and have to come from another one. */
export const lacking = (drive: BoxDrive): string[] => Object.keys(drive.parts).filter(p => drive.parts[p] !== 'good')

/** Drives whose parts fit each other. */
export function sameModel(drives: readonly BoxDrive[]): BoxDrive[][] {
  const by = new Map<string, BoxDrive[]>()
  for (const d of drives) {
    const key = JSON.stringify([d.mechanism, d.model])
    addTo(by, key, d)
  }
  return [...by.values()]
}
