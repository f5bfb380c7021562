import { upperFirst } from '../../base/observations'
import type { PartNode } from '../types'

const DAMAGED = ['heads.torn', 'heads.chipped', 'heads.bent', 'headclean.scored']

/** Looks that see both heads. */
const SEEN = ['heads.whole', 'heads.replaced', 'headclean.clean']

/** One of the heads. */
const half = (which: 'lower' | 'upper'): PartNode => ({
  id: `${which}-head`,
  label: `${upperFirst(which)} head`,
  within: 'heads',
  minutes: 90,
  which,
  good: SEEN,
  bad: DAMAGED,
  lost: DAMAGED,
  does: [`head-${which}`],
  cures: [`${which}-head.dead`, `${which}-head.torn`],
  again: ['read', 'alignment', 'azimuth', 'write'],
})

/** Heads and what carries them. */
export const HEADS: readonly PartNode[] = [
  {
    id: 'heads',
    label: 'Head assembly',
    within: null,
    always: true,
    minutes: 90,
    good: SEEN,
    bad: DAMAGED,
    lost: DAMAGED,
    fitted: 'heads.replaced',
    tests: ['read-test'],
    whole: ['heads.replaced', 'read-test'],
    cures: ['head.azimuth'],
    again: ['track-zero', 'read', 'alignment', 'azimuth', 'write'],
  },
  half('lower'),
  { ...half('upper'), when: { has: 'two-heads' } },
  {
    id: 'head-arm',
    label: 'Head arm',
    within: 'heads',
    minutes: 80,
    cures: ['head-arm.warped'],
    again: ['load', 'read', 'alignment', 'azimuth'],
  },
  {
    id: 'head-plug',
    label: 'Head lead and plug',
    within: 'heads',
    minutes: 30,
    does: ['channel'],
    again: ['read'],
  },
  {
    id: 'pad',
    label: 'Pressure pad',
    within: 'heads',
    when: { has: 'one-head' },
    shape: 'pad',
    minutes: 10,
    good: ['pad.whole', 'pad.new'],
    bad: ['pad.worn', 'pad.gone'],
    lost: ['pad.worn', 'pad.gone'],
    fitted: 'pad.new',
    cures: ['pad.gone'],
    again: ['load', 'read'],
  },
  {
    id: 'head-load',
    label: 'Head load coil and lever',
    within: null,
    minutes: 35,
    cures: ['head-load.dead'],
    again: ['load', 'read'],
  },
  {
    id: 'cartridge-heads',
    label: 'Heads of the cartridge drive',
    within: 'heads',
    when: { mechanism: ['cartridge'] },
    minutes: 60,
    good: ['edges.smooth'],
    bad: ['edges.torn', 'edges.none'],
    again: ['load', 'read'],
  },
  {
    id: 'voice-coil',
    label: 'Voice coil and its ribbon',
    within: null,
    when: { has: 'servo' },
    minutes: 40,
    does: ['servo'],
    cures: ['voice-coil.ribbon'],
    again: ['load', 'read'],
  },
]
