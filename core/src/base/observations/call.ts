/** The five answers that every instrument gives. */
export type CallKind = 'leave' | 'nudge' | 'mend' | 'stop' | 'unknown'

/** An instrument's answer: the call, its reasons (the first stands alone as a sentence) and the next thing to do. */
export interface Call {
  readonly kind: CallKind
  /** Whole sentences, the most important first; never empty. */
  readonly reasons: readonly string[]
  /** What to do now, as an instruction of one sentence. */
  readonly next: string
}

/** The words for each call, as a person reads them. */
export const CALLS: Readonly<Record<CallKind, { readonly label: string; readonly means: string }>> = {
  leave: { label: 'Leave it', means: 'Inside what it should be; touching it can only do harm.' },
  nudge: { label: 'Nudge it', means: 'Off, and an adjustment cures it.' },
  mend: { label: 'Mend it', means: 'A fault that no adjustment cures.' },
  stop: { label: 'Stop', means: 'Going on would hurt a person, a disk or the drive.' },
  unknown: { label: 'Not known yet', means: 'What was measured cannot decide; more is needed.' },
}
