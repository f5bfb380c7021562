import type { Random } from '../random'
import { lineLevel } from './line-level'
import { LOOKS } from './looks'
import type { Contact, Rig, RigParts } from './parts'
import { seenOf } from './seen'

/** Contacts that each way of pressing and moving reaches. */
const MOVED: Readonly<Record<string, (p: RigParts) => Contact[]>> = {
  'press.connector': p => [p.powerPlug, p.cable.contact],
  'press.board': p => [p.board.joint],
  'press.head-plug': p => [p.headPlug],
  'press.chips': p => [p.processor.seated],
  'wiggle.wire': p => [p.powerPlug, p.cable.contact, p.motor.lead],
}

/** What somebody sees who makes a check on a rig; null where its physics does not reach. */
export function measure(rig: Rig, check: string, random: Random): string | null {
  const contacts = MOVED[check]?.(rig.parts)
  // A contact that is open now and then changes when it is moved, mostly.
  if (contacts) return contacts.some(c => c.open > 0 && random.next() < 0.7) ? 'changes' : 'same'
  return LOOKS[check]?.(rig, random) ?? lineLevel(rig, check, random) ?? seenOf(rig, check, random)
}
