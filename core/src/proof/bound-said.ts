import { errorBound, oneIn } from '../base/numbers'

/** Confidence of what is claimed of counts. */
export const CONFIDENCE = 0.95

/** What so many without an error allow to be said, as the end of a sentence. */
export const boundSaid = (trials: number): string =>
  `fewer than ${oneIn(errorBound(0, trials, CONFIDENCE))} fail (${CONFIDENCE * 100} % sure)`
