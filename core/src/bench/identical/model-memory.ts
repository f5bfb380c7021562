import { byText } from '../../base/order'
import { BUILT_IN, caseOfLog, lastAnswers, openComplaints, type Knowledge } from '../../diagnosis'
import { familyKey, modelKey } from '../../drives/models'
import { ladderOf, RUNG_IDS, type RungId } from '../../proof'
import type { DriveFacts } from '../../log'
import { complaintsOf } from '../case'
import type { LoggedDrive } from './compare'

/** How closely two drives are the same: one model and revision, or one model of another revision. */
export type Likeness = 'identical' | 'another revision'

/** Whether another drive is of the same model; null where it is not, or where a model is not known. */
export function likenessOf(drive: DriveFacts, other: DriveFacts): Likeness | null {
  if (other.id === drive.id || modelKey(drive) === null) return null
  if (modelKey(other) === modelKey(drive)) return 'identical'
  return familyKey(other) === familyKey(drive) ? 'another revision' : null
}

/** From this level on a drive works well enough to be compared with. */
const ENOUGH = RUNG_IDS.indexOf('own')

/**
 * Whether a drive was shown to work, so that its values are those of one that does: it reads its own writing, or
 * nothing is complained of it and all that was read of it last was read whole.
 */
export function isShownToWork({ drive, log }: LoggedDrive, stands = levelOf({ drive, log })): boolean {
  if (stands !== null && RUNG_IDS.indexOf(stands) >= ENOUGH) return true
  const c = caseOfLog(drive, log)
  if (openComplaints(c).length) return false
  const read = [...lastAnswers(c)].filter(([check]) => check.startsWith('read.'))
  return read.length > 0 && read.every(([, last]) => last.good)
}

/** What a drive of a model turned out to have. */
export interface WhatItWas {
  readonly tag: string
  readonly complaint: string
  readonly cause: string
  readonly cure: string
  /** ISO 8601, UTC. */
  readonly at: string
}

/** What drives of a model turned out to have, the latest first. */
export function whatItWas(drives: readonly LoggedDrive[], knowledge: Knowledge = BUILT_IN): WhatItWas[] {
  return drives
    .flatMap(({ drive, log }) =>
      complaintsOf(drive, log, knowledge).flatMap(s =>
        s.state === 'cured' && s.cause
          ? [
              {
                tag: drive.tag,
                complaint: s.label,
                cause: s.cause.label,
                cure: s.cure?.title ?? '',
                at: s.closed?.at ?? '',
              },
            ]
          : [],
      ),
    )
    .sort((a, b) => byText(b.at, a.at))
}

/** The highest level that a drive has reached; null for none. */
export const levelOf = ({ drive, log }: LoggedDrive): RungId | null => ladderOf(drive, log).stands
