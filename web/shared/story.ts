import type { ComplaintStory, Tried } from '@wobrin/core/bench/case'
import type { DriveFacts } from '@wobrin/core/log'
import type { RateMove } from './knowledge'

/** The story of a drive's case, on one page. */
export interface DriveStory {
  readonly workshop: string
  readonly drive: DriveFacts
  readonly mechanism: string
  readonly complaints: readonly ComplaintStory[]
  readonly tried: readonly Tried[]
  /** Minutes of hands by the times of the log, and what the lists expected for the same. */
  readonly spent: { readonly minutes: number; readonly sittings: number; readonly expected: number }
  readonly moved: readonly RateMove[]
}
