import type { Capture, CaptureChannel } from './capture'

/** Names that a pulse once a turn, or several a turn, goes by. */
const NAMES: readonly (readonly [RegExp, number])[] = [
  [/^(?:n?index|idx|nidx|index[_-]?n)$/i, 6],
  [/index|\bidx\b|\bix\b/i, 5],
  [/tach|hall|\brev\b|spindle|turn|pickup|photo|mark|strobe/i, 4],
  [/sector|hole|pulse|sound|left/i, 2],
  [/read|rdata|step|dir|side|select|motor|write|wgate|track|change|density/i, -6],
]

function nameScore(name: string): number {
  for (const [pattern, score] of NAMES) if (pattern.test(name)) return score
  return 0
}

/** How evenly spaced every other edge is: 3 for a clock, 0 for traffic. Only the first thousand edges are looked at. */
function regularity(channel: CaptureChannel): number {
  const times = channel.edges?.times
  if (!times || times.length < 6) return 0
  const gaps: number[] = []
  for (let i = 2; i < Math.min(times.length, 1000); i += 2) gaps.push(times[i]! - times[i - 2]!)
  gaps.sort((a, b) => a - b)
  const middle = gaps[gaps.length >> 1]!
  const even = gaps.filter(g => Math.abs(g - middle) < middle * 0.15).length / gaps.length
  return 3 * even
}

/** Pulses a second that a spindle can give: from one a turn at 150 r/min to 400 marks at 360 r/min. */
function rateScore(channel: CaptureChannel, durationS: number): number {
  if (channel.edges === null || channel.edgeCount < 2) return -10
  const rate = channel.edgeCount / 2 / durationS
  if (rate < 1 || rate > 3000) return -4
  return rate >= 2.5 && rate <= 60 ? 3 : 1
}

/**
 * The channel most likely to carry the spindle's pulses, by name, rate and regularity; null where no channel
 * has edges. The guess is only that: the caller offers all names.
 */
export function guessSpindleChannel(capture: Capture): CaptureChannel | null {
  let best: CaptureChannel | null = null
  let bestScore = Number.NEGATIVE_INFINITY
  for (const channel of capture.channels) {
    if (channel.edges === null || channel.edgeCount === 0) continue
    const score = nameScore(channel.name) + rateScore(channel, capture.durationS || 1) + regularity(channel)
    if (score > bestScore) {
      best = channel
      bestScore = score
    }
  }
  return best
}
