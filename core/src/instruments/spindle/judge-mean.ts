import { zoneSays } from '../../drives'
import type { PartialCall, SpeedCase } from './speed-case'
import { remainingMove } from './trimmer'

function offBy({ m, nominal }: SpeedCase): string {
  const off = 100 * (m.rpm.mean / nominal - 1)
  const size = Math.abs(off)
  if (size < 0.05) return `on ${nominal} r/min`
  return `${size.toFixed(size < 1 ? 2 : 1)} % ${off > 0 ? 'fast' : 'slow'}`
}

function nudge(c: SpeedCase): NonNullable<PartialCall> {
  const { m, nominal, context, trimmer } = c
  const ifAny = trimmer === 'perhaps' ? ' Without a trimmer on this drive, it is a fault to mend.' : ''
  const first = `The speed is ${offBy(c)} and steady, so the trimmer cures it.${ifAny}`
  const known = context.trimmer
  const move = known ? remainingMove(known, m.rpm.mean, nominal) : null
  if (move) {
    const learned = `One turn to the right changes the speed by about ${known!.rpmPerTurn! > 0 ? '+' : '−'}${Math.abs(known!.rpmPerTurn!).toFixed(0)} r/min, learned from ${known!.moves} ${known!.moves === 1 ? 'move' : 'moves'}.`
    return { kind: 'nudge', reasons: [first, learned], next: `Turn the trimmer ${move.words}, then measure again.` }
  }
  if (known?.answer === 'unclear') {
    return {
      kind: 'nudge',
      reasons: [first, 'The last move gave no clear answer.'],
      next: 'Turn the trimmer as far again the same way, note it, and measure again.',
    }
  }
  return {
    kind: 'nudge',
    reasons: [first],
    next: 'Turn the trimmer an eighth of a turn either way, note which, and measure again: that shows how it answers.',
  }
}

/** What a leave or a nudge cannot vouch for with the marks there were. */
function blindSpot({ m }: SpeedCase): string[] {
  return m.pulsesPerTurn > 1
    ? []
    : [`One pulse a revolution shows nothing that varies faster than ${m.highestHz.toFixed(1)} Hz.`]
}

/** Judges the mean speed of a spindle that is steady and surely measured. */
export function judgeMean(c: SpeedCase): NonNullable<PartialCall> {
  const finding = meanFinding(c)
  if (finding.kind === 'mend') return finding
  const zone = zoneSays(c.mechanism, c.m.rpm.mean)
  return { ...finding, reasons: [...finding.reasons, ...(zone ? [zone] : []), ...blindSpot(c)] }
}

function meanFinding(c: SpeedCase): NonNullable<PartialCall> {
  const { m, narrow, wide, context, trimmer } = c
  const mean = m.rpm.mean
  if (!narrow || !wide) {
    return {
      kind: 'leave',
      reasons: [`The servo holds ${mean.toFixed(1)} r/min, ${offBy(c)}.`],
      next: 'Nothing to set here; go on.',
    }
  }
  const within = (band: { low: number; high: number }) => mean >= band.low && mean <= band.high
  if (within(narrow)) {
    return {
      kind: 'leave',
      reasons: [
        `The speed is ${offBy(c)}, inside ${narrow.low.toFixed(1)} to ${narrow.high.toFixed(1)} r/min, and steady.`,
      ],
      next: 'Leave the trimmer alone; seal it if the seal was broken.',
    }
  }
  const band = `${wide.low.toFixed(1)} to ${wide.high.toFixed(1)} r/min`
  if (within(wide)) {
    if (context.school === 'dial-in' && trimmer !== 'no') return nudge(c)
    const why = trimmer === 'no' ? 'and there is no trimmer to better it' : 'and this workshop leaves that alone'
    return {
      kind: 'leave',
      reasons: [`The speed is ${offBy(c)}, inside ${band} and steady, ${why}.`],
      next: 'Leave it and go on.',
    }
  }
  if (trimmer !== 'no') return nudge(c)
  const ac = context.motor === 'ac'
  return {
    kind: 'mend',
    reasons: [
      `The speed is ${offBy(c)}, outside ${band}, and ${ac ? 'an a.c. motor follows the mains' : 'nothing on this drive adjusts it'}.`,
    ],
    next: ac
      ? 'Look for belt slip and a worn or wrong pulley; measure the mains frequency if it comes from an inverter.'
      : 'Look at the motor board: leaked capacitors, a wrong crystal or resonator, a dry bearing; check the 12 V or 5 V at the motor under load.',
  }
}
