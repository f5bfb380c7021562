import type { CallKind } from '@wobrin/core/base/observations'
import type { PartThere } from '@wobrin/core/parts'

/** How the condition of a part is shown: the mark of the call that it comes to, and its word. */
export const PART_CONDITIONS: Readonly<
  Record<PartThere['condition'], { readonly mark: CallKind; readonly word: string }>
> = {
  good: { mark: 'leave', word: 'good' },
  'not known': { mark: 'unknown', word: 'not known' },
  suspected: { mark: 'nudge', word: 'suspected' },
  bad: { mark: 'mend', word: 'bad' },
  lent: { mark: 'unknown', word: 'lent' },
}
