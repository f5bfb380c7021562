import type { MechanismId } from '@wobrin/core/drives'
import type { Likeness, WhatItWas } from '@wobrin/core/bench/identical'
import type { Outcome } from '@wobrin/core/log'
import type { RungId } from '@wobrin/core/proof'
import type { ModelSheet } from '@wobrin/core/drives/models'

/** A drive that another may be compared with. */
export interface IdenticalDrive {
  readonly id: string
  readonly tag: string
  readonly mechanism: MechanismId
  readonly maker: string
  readonly model: string
  readonly likeness: Likeness
  /** The highest level that it has reached; null for none. */
  readonly level: RungId | null
  /** It was shown to read its own writing. */
  readonly works: boolean
  readonly outcome: Outcome | null
}

/** What this workshop knows of a drive's model. */
export interface ModelView {
  /** Null while nothing was written on it. */
  readonly sheet: { readonly id: string; readonly sheet: ModelSheet } | null
  /** Identical ones first, those that work before others. */
  readonly drives: readonly IdenticalDrive[]
  readonly was: readonly WhatItWas[]
}
