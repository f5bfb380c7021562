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
  'turns.good': [a('see.spin', 'yes')],
  'turns.dead': [a('see.spin', 'no')],
  'turns.weak': [a('motor.pushed', 'starts')],
  'turns.sometimes': [a('see.spin', 'sometimes')],
  'turns.cuts': [a('see.spin', 'stops')],
  'turns.hums': [a('see.spin', 'no')],
  'turns.hot': [a('see.hot', 'hot')],
  'noise.quiet': [a('noise', 'quiet')],
  'noise.grinds': [a('noise', 'grinding')],
  'noise.squeals': [a('noise', 'squeal')],
  'noise.rattles': [a('noise', 'rattle')],
  'noise.clicks': [a('noise', 'click')],
  'noise.knocks': [a('see.home', 'knocks')],
  'lamp.follows': [a('see.lamp', 'normal')],
  'lamp.dark': [a('see.lamp', 'none')],
  'lamp.always': [a('see.lamp', 'always')],
  'lamp.flashes': [a('see.flash', 'yes')],
  'host.sees': [a('see.host', 'yes')],
  'host.unseen': [a('see.host', 'no')],
  'host.hangs': [a('see.host', 'hangs')],
  'host.dims': [a('see.draw', 'too much')],
  'host.notready': [a('see.ready', 'no')],
  'host.old-list': [a('see.change', 'last')],
  'volts.good': [a('supply.5v', 'right'), a('supply.12v', 'right')],
  'volts.no-5': [a('supply.5v', 'missing')],
  'volts.no-12': [a('supply.12v', 'missing')],
  'volts.sags-5': [a('supply.5v', 'low')],
  'volts.sags-12': [a('supply.12v', 'low')],
  'volts.noisy': [a('supply.5v.ripple', 'high')],
  'comes.chance': [a('see.steady', 'now and then')],
  'comes.warm': [a('warm.changes', 'worse')],
  'comes.cold': [a('warm.changes', 'better')],
  'comes.board': [a('press.board', 'changes')],
  'comes.plug': [a('press.connector', 'changes')],
  'comes.wire': [a('wiggle.wire', 'changes')],
  'comes.covers': [a('covers', 'off only')],
}

/** Contacts of a switch, by how it was found: any of these. One that sticks may be one that opens when pressed. */
const CONTACTS: Readonly<Record<string, readonly string[]>> = {
  'switch.follows': ['follows'],
  'switch.replaced': ['follows'],
  'switch.dirty': ['now and then'],
  'switch.never': ['stuck open'],
  'switch.always': ['stuck closed'],
  'switch.sticks': ['stuck closed', 'stuck open'],
  'switch.broken': ['stuck open', 'stuck closed'],
}
/** The same for a switch whose check only tells whether it works. */
const EJECT: Readonly<Record<string, string>> = {
  follows: 'good',
  'now and then': 'unsteady',
  'stuck open': 'stuck',
  'stuck closed': 'stuck',
}
const SWITCHES: Readonly<Record<string, string>> = {
  'disk-in': 'switch.disk-in',
  'write-protect': 'switch.protect',
  density: 'switch.density',
  'eject button': 'switch.eject',
}

/** What a finding tells of what the drive does: all of these, each by any of its answers; of a switch by which one. */
export function answersOfFinding(finding: string, place: string | null): readonly (readonly Answer[])[] {
  const contacts = CONTACTS[finding]
  const check = place === null ? undefined : SWITCHES[place]
  if (contacts && check) return [contacts.map(c => a(check, check === 'switch.eject' ? EJECT[c]! : c))]
  return (FINDINGS_AS[finding] ?? []).map(answer => [answer])
}
