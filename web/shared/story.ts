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
  readonly moved: readonly RateMove[]
}
