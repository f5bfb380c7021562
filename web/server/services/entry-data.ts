import { ParameterError } from '@wobrin/core/errors'
import type { EntryData, EntryKind, LogEntry, Outcome } from '@wobrin/core/observations'

/** What an entry may bring beside its words. */
export interface EntryExtras {
  readonly step?: string
  readonly outcome?: Outcome
  readonly minutes?: number
  readonly wait?: string
  readonly photo?: { readonly sha: string, readonly width: number, readonly height: number }
}

/**
 * The data that an entry of a kind keeps.
 * @throws ParameterError where the kind needs something that was not sent
 */
export function entryData(kind: EntryKind, extras: EntryExtras, log: readonly LogEntry[]): EntryData | null {
  switch (kind) {
    case 'released':
      if (!extras.outcome) throw new ParameterError('the release does not say how', 'released, parts, quarantined or returned', { field: 'outcome' })
      return { type: 'release', outcome: extras.outcome }
    case 'wait':
      if (!extras.minutes) throw new ParameterError('the wait does not say how long', 'a number of minutes', { field: 'minutes' })
      return { type: 'wait', minutes: extras.minutes }
    case 'wait-ended':
      if (!log.some(e => e.id === extras.wait && e.data?.type === 'wait')) throw new ParameterError('there is no such wait on this drive', 'the id of one', { field: 'wait' })
      return { type: 'wait-ended', wait: extras.wait! }
    case 'photo':
      if (!extras.photo) throw new ParameterError('the photo is missing', 'its SHA-256, width and height', { field: 'photo' })
      return { type: 'photo', ...extras.photo }
    case 'step':
      return extras.step ? { type: 'step', step: extras.step } : null
    default:
      return null
  }
}
