import { cleanSteps } from './steps-clean'
import { lookSteps } from './steps-look'
import { openSteps } from './steps-open'
import type { Station } from './station'

/** The first four stations: before anything is repaired. */
export const receive: Station = {
  id: 'receive',
  label: 'Receive',
  purpose: 'What is it, whose is it, and what is it worth working?',
  cautions: ['tube', 'heavy'],
  steps: [
    {
      id: 'receive.disk',
      title: 'See whether a disk is stuck in it',
      why: 'Rescue outranks repair: a disk with data comes out first, by the manual eject hole with a straightened clip, power off.',
      tools: ['straightened paper clip', 'lamp'],
      hands: 2,
      asks: ['disk'],
      makes: 'Everything else: no drive is worked on with a disk that matters in it.',
    },
    {
      id: 'receive.rescue',
      title: 'Rescue the disk',
      why: 'By the manual eject hole, power off. Where there is none, open the drive and lift the head off the disk before it is drawn out.',
      tools: ['straightened paper clip', 'sleeve for the disk'],
      hands: 20,
      asks: ['disk'],
      byHand: true,
      untilGood: true,
      records: ['note', 'photo'],
      makes: 'Work on the drive itself.',
      when: { found: ['disk.data', 'disk.stuck'] },
      after: ['receive.disk'],
    },
    {
      id: 'receive.words',
      title: 'Write down the owner’s words',
      why: 'What it does wrong, in their words, before yours replace them; who has been inside; how it was kept.',
      tools: [],
      hands: 4,
      asks: ['history', 'storage'],
      records: ['note'],
      makes: 'A fault can be told from a change that someone made.',
      after: ['receive.disk'],
    },
    {
      id: 'receive.click',
      title: 'Ask whether it clicks',
      why: 'A steady click is heads that retract and reload; it can tear cartridges.',
      tools: [],
      hands: 2,
      asks: ['click', 'edges'],
      makes: 'Whether any cartridge may go in.',
      when: { mechanism: ['cartridge'] },
    },
    {
      id: 'receive.photo',
      title: 'Photograph it as it came',
      why: 'Front, top, underside, label and date codes. Suffix letters differ between a maker’s revisions.',
      tools: ['camera'],
      hands: 4,
      records: ['photo'],
      makes: 'Comparison with a sister drive, and with how it leaves.',
    },
    {
      id: 'receive.worth',
      title: 'Settle what it is worth',
      why: 'Many drives are not worth the hours, and it is known late. Write down what was paid and what it would be worth.',
      tools: [],
      hands: 3,
      records: ['account'],
      makes: 'The call whether to go on.',
      after: ['receive.disk'],
    },
  ],
}

export const look: Station = {
  id: 'look',
  label: 'Look',
  purpose: 'Everything that can be seen, felt and smelt without power.',
  cautions: ['tube', 'mains', 'leakage'],
  steps: lookSteps,
}
export const open: Station = {
  id: 'open',
  label: 'Open',
  purpose: 'Take it apart so that somebody else could close it.',
  cautions: ['tube', 'mains', 'springs', 'pin-falls', 'carrier'],
  steps: openSteps,
}
export const clean: Station = {
  id: 'clean',
  label: 'Clean',
  purpose: 'Clean what is dirty and free what is stuck.',
  cautions: ['alcohol', 'acid', 'belt-oil'],
  steps: cleanSteps,
}
