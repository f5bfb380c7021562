import type { MechanismId } from '@wobrin/core/drives'
import type { StationId } from '@wobrin/core/log'

/** What was found: drives by what they are, log entries by their words. */
export interface Finds {
  readonly drives: readonly {
    readonly id: string
    readonly tag: string
    readonly mechanism: MechanismId
    readonly maker: string
    readonly model: string
    readonly serial: string
    readonly host: string
    readonly ownerWords: string
  }[]
  readonly entries: readonly {
    readonly id: string
    readonly driveId: string
    readonly tag: string
    readonly station: StationId
    readonly at: string
    readonly title: string
    readonly detail: string
  }[]
}
