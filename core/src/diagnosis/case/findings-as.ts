import type { Answer } from '../drive/evidence'

const a = (check: string, answer: string): Answer => ({ check, answer })

/** Findings that tell what a drive does, as answers of the checks that see it. */
export const FINDINGS_AS: Readonly<Record<string, readonly Answer[]>> = {
  'power.good': [a('see.spin', 'yes'), a('see.lamp', 'normal'), a('see.home', 'found')],
  'power.smoke': [a('see.hot', 'hot')],
  'power.spins': [a('see.motor-off', 'runs on')],
  'power.dead': [a('see.lamp', 'none'), a('see.spin', 'no')],
  'power.stop': [a('see.home', 'knocks')],
  'sacrifice.whole': [a('see.marks', 'clean'), a('see.load', 'goes')],
  'sacrifice.marked': [a('see.marks', 'marked')],
  'sacrifice.stuck': [a('see.eject', 'no')],
  'protect.both': [a('see.protect', 'both')],
  'protect.never': [a('see.protect', 'never')],
  'protect.always': [a('see.protect', 'always')],
  'closed.same': [a('covers', 'same')],
  'closed.worse': [a('covers', 'off only')],
  'history.none': [a('history.inside', 'no')],
  'history.opened': [a('history.inside', 'yes')],
  'history.repaired': [a('history.inside', 'yes')],
  'click.steady': [a('see.click', 'yes'), a('noise', 'click')],
  'click.none': [a('see.click', 'no')],
  'seconddisk.good': [a('disks.share', 'some')],
  'seconddisk.same': [a('after.another.disk', 'same')],
  'rattle.found': [a('noise', 'rattle')],
  'rattle.loose': [a('noise', 'rattle')],
  'disk.stuck': [a('see.eject', 'no')],
  'evidence.both': [a('read.both-same', 'yes')],
  'evidence.foreign': [a('see.header', 'other')],
}
