import { etagOf } from '../../shared/etag'

/** Headers that say what whoever saves has seen, so that a second writer is told. */
export const ifMatch = (seen: unknown): Record<string, string> => ({
  'if-match': etagOf(JSON.parse(JSON.stringify(seen))),
})

/** Whether something was not saved because somebody else changed it meanwhile. */
export const changedMeanwhile = (error: unknown): boolean =>
  (error as { statusCode?: number } | null)?.statusCode === 412
