import type { LogEntry } from '@wobrin/core/log'
import type { Obtainable } from '../../shared/parts'

/** A part that is about to be fitted, and where it goes. */
export interface Fitting {
  readonly offer: Obtainable
  /** What it is called where it goes in. */
  readonly as: string
  /** Drive that it goes into; null where that is still to be chosen. */
  readonly into: { readonly id: string; readonly tag: string } | null
  /** What to compare before it goes in; empty where it fits as it is. */
  readonly compare: string
}

/** Whether the part leaves a debt where it is taken from. */
export const isLent = ({ offer }: Fitting): boolean => offer.release === null && offer.spare === null

/** A part that is fitted as it is, into a drive that is still to be chosen. */
export const fittingOf = (offer: Obtainable): Fitting => ({ offer, as: offer.part, into: null, compare: '' })

/** The part that a page is about to fit; afterwards the page is told what was done. @param refresh fetches anew */
export function useFitting(refresh: () => Promise<unknown>) {
  const notices = useNotices()
  const fitting = shallowRef<Fitting | null>(null)
  async function fitted(entry: LogEntry): Promise<void> {
    fitting.value = null
    notices.done(`${entry.title}.`)
    await refresh()
  }
  return { fitting, fitted }
}

/** Fits a part: on the log of the drive that gets it, and of the one that gives it. */
export function useFitPart() {
  const { post } = useLogPost()
  return ({ offer, as }: Fitting, driveId: string, remark: string) =>
    post(driveId, 'parts', {
      part: offer.part,
      as,
      remark,
      ...(offer.release
        ? { release: offer.release }
        : offer.spare
          ? { spare: offer.spare }
          : { drive: offer.drive!.id }),
    })
}
