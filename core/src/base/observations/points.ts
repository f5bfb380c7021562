import type { Call, CallKind } from './call'

/** One thing that is amiss. */
export interface Point {
  readonly kind: CallKind
  readonly says: string
  readonly next: string
}

/** Calls by how much they weigh: what stops before what mends before what nudges. */
export const GRAVITY: readonly CallKind[] = ['stop', 'mend', 'nudge', 'unknown', 'leave']

/** The gravest of several calls, with the reasons of all; what to do next is the gravest one's. */
export function gravestOf(points: readonly Point[], otherwise: Call): Call {
  const sorted = [...points].sort((a, b) => GRAVITY.indexOf(a.kind) - GRAVITY.indexOf(b.kind))
  const first = sorted[0]
  return first ? { kind: first.kind, reasons: sorted.map(p => p.says), next: first.next } : otherwise
}

/** A sentence's beginning. */
export const upperFirst = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1)

/** A word or sentence as it stands inside another one. */
export const lowerFirst = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1)

/** A number as a sentence has it: three digits, no zeros to fill. */
export const plain = (x: number): string => Number(x.toPrecision(3)).toString().replace('-', '−')
