import { logSum } from '../../base/numbers'
import { logLikelihood, SOFT } from './edge'
import { readingRanges, type Beforehand, type Tried } from './window'

/** A try with the side that the position was come to from. */
export interface SidedTry extends Tried {
  readonly side: 'below' | 'above'
}

/** Slacks that are weighed, shares of the range. */
const SHARES = [0, 0.01, 0.02, 0.03, 0.045, 0.06, 0.08, 0.1, 0.13] as const

/** Slack that a worn adjuster usually has, share of the range (from memory). */
const USUAL = 0.012

export interface Slack {
  /**
   * How much further an adjuster has to go when it is come to from above, in its own unit; 0 where both sides agree.
   */
  readonly slack: number
  /** Tries with the slack taken off, as if all were come to from below. */
  readonly tried: readonly Tried[]
}

/**
 * Play between an adjuster and what it moves: positions come to from above stand, in effect, higher than their mark
 * says. What was come to
 * from below tells the window; of several slacks the one under which the rest agree with it best is taken, where it
 * does clearly better
 * than none.
 * @param range of the sweep @param before what is known of the window
 */
export function slackOf(tried: readonly SidedTry[], range: readonly [number, number], before: Beforehand = {}): Slack {
  const [below, above] = [tried.filter(t => t.side === 'below'), tried.filter(t => t.side === 'above')]
  if (above.length === 0 || below.length < 2) return { slack: 0, tried }
  const span = range[1] - range[0]
  const likely = readingRanges(below, range, before).filter(w => w.weight > 1e-3)
  const soft = before.soft?.[0] ?? SOFT[1]
  const options = SHARES.map(share => {
    const logs = likely.map(
      w =>
        Math.log(w.weight) +
        above.reduce(
          (l, t) =>
            l +
            (t.named ? 0 : logLikelihood(t.position + share * span, t.good, t.expected - t.good, w.from, w.to, soft)),
          0,
        ),
    )
    return { slack: share * span, fits: logSum(logs) }
  })
  const best = options.reduce((m, o) => (o.fits > m.fits ? o : m))
  // Until it is sure, what can be expected of it comes off; it is said only where it does clearly better than none:
  // three sectors' worth.
  const weighed = options.map(o => ({ ...o, weight: Math.exp(o.fits - best.fits - o.slack / span / USUAL) }))
  const mean = weighed.reduce((n, o) => n + o.weight * o.slack, 0) / weighed.reduce((n, o) => n + o.weight, 0)
  return {
    slack: best.fits < options[0]!.fits + 3 ? 0 : best.slack,
    tried: tried.map(t => (t.side === 'above' ? { ...t, position: t.position + mean } : t)),
  }
}
