import { logLikelihood, SOFT } from './edge'
import { windowsOf, type Beforehand, type Tried } from './window'

/** A try with the side that the position was come to from. */
export interface SidedTry extends Tried { readonly side: 'below' | 'above' }

/** Slacks that are weighed, shares of the range. */
const SHARES = [0, 0.01, 0.02, 0.03, 0.045, 0.06, 0.08, 0.1, 0.13] as const

export interface Slack {
  /** How much further an adjuster has to go when it is come to from above, in its own unit; 0 where both sides agree. */
  readonly slack: number
  /** Tries with the slack taken off, as if all were come to from below. */
  readonly tried: readonly Tried[]
}

/**
 * Play between an adjuster and what it moves: positions come to from above stand, in effect, higher than their mark says. Of several
 * slacks the one that leaves the window most sharply known is taken, where it does clearly better than none.
 * @param range of the sweep @param before what is known of the window
 */
export function slackOf(tried: readonly SidedTry[], range: readonly [number, number], before: Beforehand = {}): Slack {
  const none = { slack: 0, tried }
  if (!tried.some(t => t.side === 'above') || !tried.some(t => t.side === 'below')) return none
  const span = range[1] - range[0]
  const options = SHARES.map((share) => {
    const moved = tried.map(t => t.side === 'above' ? { ...t, position: t.position + share * span } : t)
    const windows = windowsOf(moved, range, before)
    const best = windows.reduce((m, w) => w.weight > m.weight ? w : m)
    return { slack: share * span, tried: moved, fits: moved.reduce((l, t) => l + logLikelihood(t.position, t.good, t.expected - t.good, best.from, best.to, SOFT[1]), 0) }
  })
  const best = options.reduce((m, o) => o.fits > m.fits ? o : m)
  // What differs by less than three sectors' worth is chance.
  return best.fits > options[0]!.fits + 3 ? { slack: best.slack, tried: best.tried } : none
}
