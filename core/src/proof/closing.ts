import { findingsAmong } from '../findings'
import { speedOf, supportingEntries, type LogEntry } from '../log'
import type { Call } from '../base/observations'

/** What is done again, or only then, once the covers are on. */
export const CLOSING_CHECKS = [
  {
    id: 'speed',
    label: 'Speed',
    how: 'The Speed instrument again: a cover may press on a belt or a lead.',
    minutes: 5,
    needed: true,
  },
  {
    id: 'protect',
    label: 'Write protect',
    how: 'Both ways once more: the pin or the lever may have moved.',
    minutes: 3,
    needed: true,
  },
  {
    id: 'reads',
    label: 'Read a disk, both heads',
    how: 'A read test, or a read counted by hand.',
    minutes: 8,
    needed: true,
  },
  {
    id: 'wiggle',
    label: 'Wiggle',
    how: 'The wiggle test with the covers on: lead by lead at its plug, while it reads.',
    minutes: 10,
    needed: true,
  },
  {
    id: 'warm-up',
    label: 'Cold and warm',
    how: 'At once after a night off, and after half an hour.',
    minutes: 40,
    needed: false,
  },
  {
    id: 'soak',
    label: 'Soak',
    how: 'Four hours and ten starts are usual (common practice), longer for a drive that failed now and then.',
    minutes: 240,
    needed: false,
  },
] as const
export type ClosingCheck = (typeof CLOSING_CHECKS)[number]

export interface ClosingState {
  readonly check: ClosingCheck
  readonly state: 'passed' | 'failed' | 'not done'
  readonly says: string
  readonly entry: LogEntry | null
}

export interface Closing {
  /** When it was closed up; null while it is open. */
  readonly closed: LogEntry | null
  readonly checks: readonly ClosingState[]
  /** Whether the short proof with the covers on passed. */
  readonly proved: boolean
  readonly call: Call
}

/**
 * What the log says of the drive since it was closed up: nothing from before counts, as some drives fail only once
 * reassembled.
 */
export function closingOf(log: readonly LogEntry[], drive: { readonly simulated: boolean }): Closing {
  const standing = supportingEntries(log, drive)
  const closed = standing.findLast(e => e.data?.type === 'step' && e.data.step === 'prove.close') ?? null
  const since = closed ? standing.filter(e => e.seq > closed.seq) : []
  const checks = CLOSING_CHECKS.map((check): ClosingState => {
    const entry = since.findLast(e => concerns(check, e)) ?? null
    if (!entry) return { check, state: 'not done', says: check.how, entry }
    return {
      check,
      state: entry.call?.kind === 'leave' ? 'passed' : 'failed',
      says: entry.call?.reasons[0] ?? entry.title,
      entry,
    }
  })
  const needed = checks.filter(c => c.check.needed)
  const proved = needed.every(c => c.state === 'passed') && !checks.some(c => c.state === 'failed')
  return { closed, checks, proved, call: callOf() }

  function callOf(): Call {
    if (!closed)
      return {
        kind: 'unknown',
        reasons: ['Its covers are not on yet: all tests so far were made with covers off.'],
        next: 'Close it up by the put-back list, then test again.',
      }
    const failed = checks.find(c => c.state === 'failed')
    if (failed)
      return {
        kind: failed.entry?.call?.kind === 'stop' ? 'stop' : 'mend',
        reasons: [`Since its covers went on: ${failed.says}`],
        next: 'Two faults are common, and a cover moves leads. Open it, and go on from the station of what was found.',
      }
    const next = needed.find(c => c.state === 'not done')
    if (next)
      return {
        kind: 'unknown',
        reasons: [
          `${needed.filter(c => c.state === 'passed').length} of ${needed.length} checks passed with the covers on.`,
        ],
        next: next.check.how,
      }
    const more = checks.find(c => c.state === 'not done')
    return {
      kind: 'leave',
      reasons: ['The short proof passed with the covers on.'],
      next: more ? `If it is to run for long: ${more.check.label.toLowerCase()}.` : 'Release it.',
    }
  }
}

function concerns({ id }: ClosingCheck, e: LogEntry): boolean {
  const d = e.data
  if (!d) return false
  if (id === 'speed') return speedOf(e) !== null
  if (id === 'protect')
    return (d.type === 'finding' && findingsAmong([e])[0]?.question.id === 'protect') || d.type === 'write-test'
  if (id === 'reads')
    return d.type === 'read-test' || d.type === 'cross-read' || (d.type === 'proof' && d.test !== 'interchange')
  return d.type === 'sum' && d.instrument === id
}
