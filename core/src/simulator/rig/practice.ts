import { findMechanism } from '../../drives'
import { Random } from '../random'
import { drawDrive, type Hidden } from './draw'
import { RIG_FAULTS } from './faults'
import { measure } from './measure'
import { mendFault, outcomeOf, problemsOf, tryOut } from './mend'
import { operate } from './operate'

/** A drive to practise on: its faults hang on its number alone. One in three has two. */
export const practiceDrive = (seed: number): Hidden => drawDrive(seed, seed % 3 === 0 ? 2 : 1)

/** Mixes the number of a drive with how much was done to it, so that a look may be repeated and come out alike. */
const AFTER = 7919

/** Whether something that is said to have been done changes the drive. */
const isDone = (check: string): boolean => /^(?:after|swap)\./.test(check)

/** Whoever tries a drive again does so more than once: one odd sector condemns nothing. */
function worksMostly({ rig }: Hidden, random: Random): boolean {
  const good = [1, 2, 3].filter(() => problemsOf(rig, random).size === 0)
  return good.length >= 2
}

/** Does something to the drive: a treatment as its physics has it, a swap as a sound part. */
function act(hidden: Hidden, check: string, random: Random): string {
  const part = check.startsWith('swap.') ? check.slice('swap.'.length) : null
  const own = RIG_FAULTS.filter(f => f.id.split('.')[0] === part)
  if (own.length === 0) return tryOut(hidden.rig, check, random) ?? 'same'
  let changed = false
  const outcome = outcomeOf(
    hidden.rig,
    () => (changed = own.map(f => mendFault(hidden.rig, f.id, random)).some(Boolean)),
    random,
  )
  // A fault that comes and goes may not show at this moment: what counts is that something was there to mend.
  if (!changed) return 'same'
  return worksMostly(hidden, random) ? 'cures' : outcome === 'cures' ? 'better' : outcome
}

/** The practice drive after what was done to it. */
function after(seed: number, done: readonly string[]) {
  const hidden = practiceDrive(seed)
  const random = new Random(seed + AFTER * (1 + done.length))
  for (const before of done) act(hidden, before, random)
  return { hidden, random }
}

/** Speed of the practice drive, r/min; null while it does not turn. */
export function practiceSpeed(seed: number, done: readonly string[]): number | null {
  const { hidden, random } = after(seed, done)
  const { speed } = operate(hidden.rig, random)
  const [nominal] = findMechanism(hidden.mechanism).speed.nominal
  return speed < 0.1 ? null : Number((speed * nominal!.value).toFixed(1))
}

/**
 * What the practice drive answers to a check, after what was done to it so far; null where its physics does not reach.
 * @param done treatments and swaps on its log, in order
 */
export function practiceAnswer(seed: number, done: readonly string[], check: string): string | null {
  const { hidden, random } = after(seed, done)
  if (isDone(check)) return act(hidden, check, random)
  if (check === 'drive.elsewhere' || check === 'host.other-drive') return tryOut(hidden.rig, check, random)
  return measure(hidden.rig, check, random)
}
