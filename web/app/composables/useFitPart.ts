import { proveAgain, findPart } from '@wobrin/core/parts'
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

/** Fits a part: on the log of the drive that gets it, and of the one that gives it. */
export function useFitPart() {
  const { post } = useLogPost()
  const fit = ({ offer, as }: Fitting, driveId: string, remark: string) =>
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
  const again = (as: string) => proveAgain(findPart(as)?.again ?? [])
  return { fit, again }
}
