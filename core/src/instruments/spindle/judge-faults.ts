import type { PartialCall, SpeedCase } from './speed-case'

/** This far above every nominal speed the motor's control is lost. */
const RUNAWAY = 1.25
/** No motor reaches so many times its nominal speed: the recording was read wrongly (from memory). */
const NO_MOTOR = 4
/** No trimmer reaches this far: something slips or the wrong part is fitted. */
const OUT_OF_REACH = 0.12
/** A servo this far off, as a share, is not locked. */
const SERVO_OFF = 0.01
/** A servo hunting this deep, %, may tear a disk. */
const SERVO_HUNTING = 2

const percent = (x: number) => `${x.toFixed(x < 0.1 ? 2 : 1)} %`

function grave({ m, nominal, mechanism }: SpeedCase): PartialCall {
  if (!(m.rpm.mean < nominal * NO_MOTOR)) {
    return {
      kind: 'unknown',
      reasons: [
        `The recording gives more than ${Math.round(nominal * NO_MOTOR)} r/min, which no such motor reaches: its sample rate, or the pulses in a revolution, are wrong.`,
      ],
      next: 'Check the sample rate and the number of pulses in a revolution, then read the recording again.',
    }
  }
  if (m.rpm.mean > nominal * RUNAWAY) {
    return {
      kind: 'stop',
      reasons: [
        `${m.rpm.mean.toFixed(0)} r/min is ${Math.round(100 * (m.rpm.mean / nominal - 1))} % above ${nominal}: the motor runs away, or the pulses in a revolution are miscounted.`,
      ],
      next: 'Take the disk out and switch off; check the number of pulses a revolution first, then the tachometer line and the motor driver.',
    }
  }
  if (mechanism.id === 'cartridge' && m.variation.peakPercent > SERVO_HUNTING) {
    return {
      kind: 'stop',
      reasons: [
        `The spindle hunts by ${percent(m.variation.peakPercent)}: a servo that does not hold can tear a disk.`,
      ],
      next: 'Load nothing into it; quarantine the drive until motor and servo board are verified.',
    }
  }
  return null
}

function unsteady({ m, mechanism }: SpeedCase): PartialCall {
  const limit = mechanism.speed.variation.value
  const strongest = m.components[0]
  const deep = strongest && strongest.peakPercent > limit
  if (m.variation.peakPercent <= limit && !deep) return null
  const where =
    strongest && strongest.peakPercent > 0.3 * m.variation.peakPercent
      ? `, most of it ${percent(strongest.peakPercent)} at ${strongest.hz.toFixed(2)} Hz${strongest.likely ? ` (${strongest.likely})` : ''}`
      : ', without a period'
  const part = strongest?.likely ?? ''
  const next = part.startsWith('belt')
    ? 'Look at the belt for a seam, a flat spot, decay or slip; clean both pulleys dry and fit a new belt.'
    : part.startsWith('motor')
      ? 'Look at the motor pulley and its shaft: residue, a bent shaft, worn bearings or brushes.'
      : part.startsWith('spindle')
        ? 'Look at the hub, the flywheel and their bearing: residue, a bent rim, a disk clamped off centre.'
        : 'Turn it by hand with power off: belt, pulleys, bearings and head load come before any electronics.'
  return {
    kind: 'mend',
    reasons: [
      `The speed varies by ${percent(Math.max(m.variation.peakPercent, deep ? strongest.peakPercent : 0))} (limit ${limit} %)${where}. No trimmer cures that.`,
    ],
    next,
  }
}

function servo({ m, nominal, mechanism }: SpeedCase): PartialCall {
  if (mechanism.speed.wide) return null
  const off = m.rpm.mean / nominal - 1
  if (Math.abs(off) <= SERVO_OFF) return null
  return {
    kind: 'mend',
    reasons: [
      `${m.rpm.mean.toFixed(0)} r/min is ${percent(Math.abs(100 * off))} ${off > 0 ? 'above' : 'below'} ${nominal}: the servo has not locked.`,
    ],
    next: 'Nothing here is adjustable: check the supply under load, the motor and its connector; load no good cartridge meanwhile.',
  }
}

/** Pulleys of an a.c. drive fit one mains frequency: with the other, the speed is off by 6:5 or 5:6. */
function wrongMains({ m, nominal, mechanism, context }: SpeedCase): PartialCall {
  if (mechanism.id !== '8in' || context.motor === 'dc') return null
  const ratio = m.rpm.mean / nominal
  const mixed = [
    [5 / 6, 50, 60],
    [6 / 5, 60, 50],
  ] as const
  const wrong = mixed.find(([r]) => Math.abs(ratio / r - 1) < 0.03)
  if (!wrong) return null
  return {
    kind: 'mend',
    reasons: [
      `${m.rpm.mean.toFixed(0)} r/min is ${wrong[1]}/${wrong[2]} of ${nominal}: an a.c. motor with the pulley for ${wrong[2]} Hz on ${wrong[1]} Hz mains does that.`,
    ],
    next: `Fit the pulley and belt for ${wrong[1]} Hz; a motor rated for one frequency only may also run hot on the other.`,
  }
}

function outOfReach({ m, nominal, mechanism, trimmer }: SpeedCase): PartialCall {
  const off = m.rpm.mean / nominal - 1
  if (trimmer === 'no' || Math.abs(off) <= OUT_OF_REACH) return null
  const belt = mechanism.drives.includes('belt')
  return {
    kind: 'mend',
    reasons: [
      `${percent(Math.abs(100 * off))} ${off > 0 ? 'fast' : 'slow'} is further than a trimmer should have to reach.`,
    ],
    next:
      off < 0
        ? belt
          ? 'Look for a slipping belt, residue on the pulleys or a stiff spindle before touching the trimmer.'
          : 'Look for a stiff spindle or a weak motor before touching the trimmer.'
        : 'Check the number of pulses a revolution, then whether pulley or motor are the original ones.',
  }
}

function trimmerFault({ context, narrow, m }: SpeedCase): PartialCall {
  const inside = narrow && m.rpm.mean >= narrow.low && m.rpm.mean <= narrow.high
  if (inside || !context.trimmer) return null
  if (context.trimmer.answer === 'dead') {
    return {
      kind: 'mend',
      reasons: ['The trimmer no longer answers: it was turned and the speed stayed.'],
      next: 'Do not force it: look for a broken track or shaft, a dry joint, or a motor already at its limit.',
    }
  }
  if (context.trimmer.answer === 'erratic') {
    return {
      kind: 'mend',
      reasons: ['The trimmer answers one way and then the other: its track is worn or dirty.'],
      next: 'With power off work it to and fro over its whole travel, then measure again; replace it if it stays so.',
    }
  }
  return null
}

/** Faults that no adjustment cures: the grave ones are asked about first, the others once the reading is sure. */
export function judgeFaults(c: SpeedCase, which: 'grave' | 'other'): PartialCall {
  if (which === 'grave') return c.m.revolutions >= 3 ? grave(c) : null
  return unsteady(c) ?? servo(c) ?? wrongMains(c) ?? trimmerFault(c) ?? outOfReach(c)
}
