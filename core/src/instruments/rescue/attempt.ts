import type { RawTrack } from '../interface'
import type { SoftRead } from '../../signals/codes'

/** What is known of an attempt beside its recording. */
export interface AttemptFacts {
  /** Which drive read the disk. */
  readonly drive?: string
  /** Where its heads were set, in words or a number of the adjuster's scale. */
  readonly position?: string
  /** Whether heads and disk were cleaned before it. */
  readonly cleaned?: boolean
  /** Whether the spindle was set slower for it. */
  readonly slower?: boolean
}

/** A track of the disk as one attempt read it, by the disk's own cylinder. */
export type AttemptTrack = RawTrack & { readonly cylinder: number }

/** One recording of the disk, read. */
export interface Attempt extends AttemptFacts {
  readonly file: string
  readonly tracks: readonly AttemptTrack[]
  /** Readings of sectors that were whole in no revolution of this attempt, by {@link sectorKey}. */
  readonly soft: ReadonlyMap<string, readonly SoftRead[]>
}

/** Key of a sector of the disk. */
export const sectorKey = (cylinder: number, head: number, id: number, bytes: number): string =>
  `${cylinder} ${head} ${id} ${bytes}`

/** The drive of an attempt in words. */
export const driveOf = (a: AttemptFacts): string => a.drive ?? 'the drive'
