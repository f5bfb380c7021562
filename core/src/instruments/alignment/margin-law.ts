/**
 * How a timing margin goes with the place in the window. The margin lost is noise over signal, and the signal falls
 * evenly with the
 * offset, so that one over the loss falls evenly too: from its value in the middle to that at the edge, where
 * sectors begin to fail.
 */

/**
 * Margin lost where half of the sectors fail, share of half the window: 0.55 to 0.65 for MFM, where a hundredth of the
 * transitions stands well outside (fitted to our simulation). Group codes jitter less, and fail sooner by the
 * comparator: `edgeLoss` works theirs out.
 */
export const EDGE_LOSS = 0.6
/**
 * Uncertainty of a margin as read, share of half the window: its scatter from read to read, and what the law leaves
 * out.
 */
const MARGIN_SD = 0.045

export interface MarginAt {
  readonly position: number
  readonly margin: number
}

/**
 * Log likelihood of margins for a window; the margin in the middle is fitted. Margins beyond the edge say nothing more.
 * @param edge margin lost where half of the sectors fail
 * @returns 0 where no margin lies inside
 */
export function marginLikelihood(margins: readonly MarginAt[], from: number, to: number, edge = EDGE_LOSS): number {
  const [centre, half] = [(from + to) / 2, (to - from) / 2]
  let [top, bottom] = [0, 0]
  for (const m of margins) {
    const x = Math.abs(m.position - centre) / half
    if (x > 1) continue
    const y = 1 / Math.max(0.05, 1 - m.margin)
    top += (1 - x) * (y - x / edge)
    bottom += (1 - x) * (1 - x)
  }
  // No head is better than this in the middle, nor worse than the edge.
  const middle = Math.min(6, Math.max(1 / edge + 0.05, bottom > 1e-9 ? top / bottom : 3))
  let sum = 0
  for (const m of margins) {
    const x = Math.abs(m.position - centre) / half
    const loss = x > 1.15 ? 1 : 1 / Math.max(1, middle - x * (middle - 1 / edge))
    const off = (1 - m.margin - loss) / MARGIN_SD
    // Long tails: one margin that a bad spot spoils must not carry a window away.
    sum -= Math.log1p((off * off) / 6) * 3
  }
  return sum
}
