import type { Question } from './types'

/** What is asked when a drive comes in. */
export const onArrival: readonly Question[] = [
  {
    id: 'disk',
    ask: 'Is a disk or cartridge in it?',
    topic: 'Disk inside',
    sense: 'seen',
    findings: [
      {
        id: 'disk.none',
        label: 'None in it',
        call: 'leave',
        means: 'Nothing has to be saved first.',
        next: 'Continue with the next step.',
      },
      {
        id: 'disk.data',
        label: 'Stuck, and its data matter',
        call: 'stop',
        means: 'Rescue outranks repair: the data on that disk come before the drive.',
        next: 'Power off; work it out by the manual eject hole with a straightened clip, and nothing else first.',
      },
      {
        id: 'disk.stuck',
        label: 'Stuck, nothing on it matters',
        call: 'mend',
        means: 'It has to come out whole all the same, or it takes the heads with it.',
        next: 'Power off; manual eject hole and a straightened clip, without force.',
      },
      {
        id: 'disk.out',
        label: 'Out now, whole',
        call: 'leave',
        means: 'The disk is out; the drive may be worked on.',
        next: 'Look at the disk for tears and grooves, then bag it. Only a disk without a mark may be read elsewhere.',
      },
      {
        id: 'disk.torn',
        label: 'Out now, torn or grooved',
        call: 'stop',
        means: 'What tore this disk is still in the drive.',
        next: 'Let no other disk in until the heads were seen whole.',
      },
    ],
  },
  {
    id: 'history',
    ask: 'Has anyone been inside before?',
    topic: 'History',
    sense: 'seen',
    findings: [
      {
        id: 'history.none',
        label: 'Nobody, as far as can be told',
        call: 'leave',
        means: 'Adjusters are likely where the factory set them.',
        next: 'Leave sealed what is sealed.',
      },
      {
        id: 'history.opened',
        label: 'Opened before',
        call: 'unknown',
        means: 'Anything may have been moved, swapped or left out.',
        next: 'Look at every adjuster’s seal, and for missing screws.',
      },
      {
        id: 'history.repaired',
        label: 'Repaired before',
        call: 'unknown',
        means: 'Someone has soldered or swapped parts; a fault may be theirs.',
        next: 'Look at the joints and parts that are newer than the rest.',
      },
      {
        id: 'history.unused',
        label: 'New, never fitted',
        call: 'leave',
        means: 'New old stock ages too: belt, grease and capacitors are as old as it is.',
        next: 'Look at it like any other.',
      },
    ],
  },
  {
    id: 'storage',
    ask: 'How was it kept?',
    topic: 'Kept',
    sense: 'seen',
    several: true,
    findings: [
      {
        id: 'storage.dry',
        label: 'Dry and shut',
        clean: true,
        call: 'leave',
        means: 'Little corrosion is to be expected.',
        next: 'Continue with the next step.',
      },
      {
        id: 'storage.damp',
        label: 'Damp, or in salt air',
        call: 'unknown',
        means: 'Rust on guide rail and screw, and mould, are likely.',
        next: 'Look at steel parts and at the belt with a lens.',
      },
      {
        id: 'storage.hot',
        label: 'Hot: a loft or a window',
        call: 'unknown',
        means: 'Grease has hardened and the belt has likely gone.',
        next: 'Turn nothing under power before it was turned by hand.',
      },
      {
        id: 'storage.lever',
        label: 'Lever left open, no card in',
        call: 'unknown',
        means: 'The head arm may have warped: such a drive is kept with its lever closed, or a transit card in.',
        next: 'Look along the upper arm for a bend.',
      },
      {
        id: 'storage.card',
        label: 'Transit card in',
        call: 'leave',
        means: 'The heads were kept apart.',
        next: 'Keep the card for its next journey.',
      },
    ],
  },
]
