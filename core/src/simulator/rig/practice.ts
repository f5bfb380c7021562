import type { MechanismId } from '../../drives'
import { Random } from '../random'
import { drawDrive, type Hidden } from './draw'
import { RIG_FAULTS } from './faults'
import { measure } from './measure'
import { mendFault, problemsOf, tryOut } from './mend'

/** A drive to practise on: its faults hang on its number alone. One in three has two. */
export const practiceDrive = (seed: number, mechanism?: MechanismId): Hidden =>
  drawDrive(seed, seed % 3 === 0 ? 2 : 1, mechanism)

/** Mixes the number of a drive with how much was done to it, so that a look may be repeated and come out alike. */
const AFTER = 7919

/** Whether something that is said to have been done changes the drive. */
const isDone = (check: string): boolean => /^(?:after|swap)\./.test(check)

/** Does something to the drive: a treatment as its physics has it, a swap as a sound part. */
function act(hidden: Hidden, check: string, random: Random): string {
  const part = check.startsWith('swap.') ? check.slice('swap.'.length) : null
  const own = RIG_FAULTS.filter(f => f.id.split('.')[0] === part)
  if (own.length === 0) return tryOut(hidden.rig, check, random) ?? 'same'
  const before = problemsOf(hidden.rig, random).size
  for (const f of own) mendFault(hidden.rig, f.id, random)
  return before > 0 && problemsOf(hidden.rig, random).size === 0 ? 'cures' : 'same'
}

/**
 * What the practice drive answers to a check, after what was done to it so far; null where its physics does not reach.
 * @param done treatments and swaps on its log, in order
 */
export function practiceAnswer(
  seed: number,
  mechanism: MechanismId,
  done: readonly string[],
  check: string,
): string | null {
  const hidden = practiceDrive(seed, mechanism)
  const random = new Random(seed + AFTER * (1 + done.length))
  for (const before of done) act(hidden, before, random)
  if (isDone(check)) return act(hidden, check, random)
  if (check === 'drive.elsewhere' || check === 'host.other-drive') return tryOut(hidden.rig, check, random)
  return measure(hidden.rig, check, random)
}
