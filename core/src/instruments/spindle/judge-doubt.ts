import type { PartialCall, SpeedCase } from './speed-case'

/** Fewer turns than this decide nothing. */
const FEWEST_TURNS = 10
/** From this many turns on, a mean on the very edge of a band is taken as it stands. */
const PLENTY_OF_TURNS = 600
/** More than this share of pulses set aside, and the pickup is not to be trusted. */
const UNTRUSTED = 0.2

const seconds = (s: number) => (s < 1 ? 'one second' : s < 90 ? `${Math.ceil(s)} s` : `${Math.ceil(s / 60)} minutes`)

/** The edges at which this school's answer changes. */
function decisiveEdges({ narrow, wide, context, trimmer }: SpeedCase): number[] {
  const band = context.school === 'dial-in' && trimmer !== 'no' ? narrow : wide
  return band ? [band.low, band.high] : []
}

/** Says when what was measured cannot decide, and how much more would. */
export function judgeDoubt(c: SpeedCase): PartialCall {
  const { m } = c
  const turnS = 60 / m.rpm.mean
  if (m.faultShare > UNTRUSTED && m.discarded.length > 2) {
    return {
      kind: 'unknown',
      reasons: [
        `The pickup is unsure: ${Math.round(100 * m.faultShare)} % of the intervals had a pulse missing or one too many, so their average is not evidence.`,
      ],
      next: 'Clean the index sensor or move the pickup nearer, check its supply, and record again.',
    }
  }
  const turns = m.revolutions
  if (turns < FEWEST_TURNS) {
    return {
      kind: 'unknown',
      reasons: [
        `Only ${turns} whole ${turns === 1 ? 'turn was' : 'turns were'} recorded; at least ${FEWEST_TURNS} are needed.`,
      ],
      next: `Record ${seconds((FEWEST_TURNS - turns) * turnS)} more than this, better ten seconds in all.`,
    }
  }
  const { low95, high95, mean } = m.rpm
  if (low95 === null || high95 === null) return null
  const crossed = decisiveEdges(c).find(edge => low95 < edge && edge < high95)
  if (crossed !== undefined && turns < PLENTY_OF_TURNS) {
    const half = (high95 - low95) / 2
    const needed = Math.min(
      PLENTY_OF_TURNS,
      Math.ceil(turns * (half / Math.max(Math.abs(mean - crossed), half / 5)) ** 2 * 1.1) + 1,
    )
    return {
      kind: 'unknown',
      reasons: [`The mean is within its own uncertainty of ${crossed.toFixed(1)} r/min, where the answer changes.`],
      next: `Record ${seconds(Math.max(2, (needed - turns) * turnS))} more and judge again.`,
    }
  }
  const warming =
    m.drift.significant &&
    c.narrow &&
    Math.abs(m.drift.endRpmPerMinute) > (c.narrow.high - c.narrow.low) / 2 &&
    m.spanS > 5
  if (warming && decisiveEdges(c).some(edge => Math.abs(mean - edge) < 2 * Math.abs(m.drift.endRpmPerMinute))) {
    return {
      kind: 'unknown',
      reasons: [
        `The speed is still moving by ${m.drift.endRpmPerMinute.toFixed(1)} r/min each minute, towards or away from the edge of its band.`,
      ],
      next: 'Let it run two more minutes with a disk in, then measure again.',
    }
  }
  return null
}
