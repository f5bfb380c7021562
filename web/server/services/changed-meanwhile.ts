import { isDeepStrictEqual } from 'node:util'

/** Somebody else changed the same thing while it was being changed here. */
export class ChangedMeanwhile extends Error {
  override readonly name = 'ChangedMeanwhile'

  /** @param field that both changed @param status of the answer: 412 where the asker said what it had seen */
  constructor(
    message: string,
    readonly field: string,
    readonly status: 409 | 412 = 409,
  ) {
    super(message)
  }
}

/**
 * What is left to change where others may have changed the same thing since: a field that only they changed stays as
 * they left it.
 * @param change what is wanted @param before what the form began with @param now what stands there
 * @returns fields that are to be written, and the first one that both changed to different things
 */
export function mergeChange<T extends object>(
  change: Partial<T>,
  before: Partial<T>,
  now: T,
): { readonly change: Partial<T>; readonly clash: (keyof T & string) | null } {
  const left: Partial<T> = {}
  let clash: (keyof T & string) | null = null
  for (const key of Object.keys(change) as (keyof T & string)[]) {
    const wanted = change[key]
    const moved = key in before && !isDeepStrictEqual(before[key] ?? null, now[key] ?? null)
    const touched = !(key in before) || !isDeepStrictEqual(before[key] ?? null, wanted ?? null)
    if (moved && touched && !isDeepStrictEqual(wanted ?? null, now[key] ?? null)) clash ??= key
    else if (!moved || touched) left[key] = wanted
  }
  return { change: left, clash }
}
