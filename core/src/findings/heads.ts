import type { Question } from './types'

const shuttered = { mechanism: ['3.5in', '3.5in-eject'] } as const

/** Heads, carriage and what meets the disk. */
export const heads: readonly Question[] = [
  {
    id: 'heads', ask: 'Are the heads whole?', sense: 'seen', several: true,
    findings: [
      { id: 'heads.whole', label: 'Whole, square, on their arms', clean: true, call: 'leave', means: 'Nothing there will cut a disk.', next: 'Go on.' },
      { id: 'heads.torn', label: 'One torn off or hanging', call: 'stop', means: 'A loose head cuts every disk that goes in.', next: 'No disk in; another head assembly, or part it out.' },
      { id: 'heads.chipped', label: 'Slider chipped or cracked', call: 'stop', means: 'A sharp edge tears the disk, and a torn disk wrecks the next drive.', next: 'No disk in, and nothing from it into a good drive.' },
      { id: 'heads.bent', label: 'Arm bent or not square', call: 'mend', means: 'The upper head should be square to the disk; a warped arm lifts it.', next: 'Compare with a sister drive before bending anything.' },
      { id: 'heads.replaced', label: 'Replaced, whole', clean: true, call: 'leave', means: 'Another head assembly is in; its alignment will need proof.', next: 'Look at it like a new part.' },
    ],
  },
  {
    id: 'pad', ask: 'What is the pressure pad like?', sense: 'seen', when: { has: 'one-head' },
    findings: [
      { id: 'pad.whole', label: 'Flat, clean, glued fast', call: 'leave', means: 'It presses the disk onto the head as it should.', next: 'Go on.' },
      { id: 'pad.worn', label: 'Worn, hard or dirty', call: 'mend', means: 'The head reads weakly, and grit in the felt scratches.', next: 'Renew the felt: same size, same height.' },
      { id: 'pad.gone', label: 'Gone', call: 'stop', means: 'The bare arm would run on the disk.', next: 'No disk in until a pad is glued on.' },
      { id: 'pad.new', label: 'New felt glued on', call: 'leave', means: 'A new pad is on.', next: 'Let the glue cure before a disk goes in.' },
      { id: 'pad.two', label: 'There is none: two heads', call: 'leave', means: 'Two heads hold the disk between them.', next: 'Go on.' },
    ],
  },
  {
    id: 'loading', ask: 'How does it load and eject by hand?', sense: 'felt',
    findings: [
      { id: 'loading.free', label: 'Freely, comes down level', call: 'leave', means: 'The loading gear works.', next: 'Go on.' },
      { id: 'loading.stiff', label: 'Stiffly', call: 'mend', means: 'Set grease or a bent slide; a motor or a thumb forces the disk.', next: 'Clean and lubricate the slides by your school.' },
      { id: 'loading.drops', label: 'The head drops', call: 'stop', means: 'A head that drops cuts the disk and breaks its own mount.', next: 'Find the spring or damper that has gone.' },
    ],
  },
  {
    id: 'arm', ask: 'Is the shutter arm there?', sense: 'seen', when: shuttered,
    findings: [
      { id: 'arm.there', label: 'There, and moves', call: 'leave', means: 'It will open the shutter.', next: 'Go on.' },
      { id: 'arm.bent', label: 'Bent or stiff', call: 'mend', means: 'It may open the shutter halfway, under the head.', next: 'Free it; try with an empty shell.' },
      { id: 'arm.missing', label: 'Missing', call: 'stop', means: 'The head would come down on a closed shutter.', next: 'No disk in until an arm is fitted.' },
      { id: 'arm.fitted', label: 'Another one fitted', call: 'leave', means: 'An arm is in.', next: 'Try it with an empty shell first.' },
    ],
  },
  {
    id: 'pin', ask: 'Where is the write-protect pin?', sense: 'seen', when: { mechanism: ['3in'] },
    findings: [
      { id: 'pin.there', label: 'In its hole', call: 'leave', means: 'It falls out when the drive is turned over with its board lifted.', next: 'Take it out and bag it before turning the drive.' },
      { id: 'pin.bagged', label: 'Taken out and bagged', call: 'leave', means: 'It cannot be lost now; it is on the put-back list.', next: 'Tape the bag to the drive.' },
      { id: 'pin.missing', label: 'Missing', call: 'mend', means: 'The drive cannot tell whether a disk is protected.', next: 'Make one: 10 mm long (common practice).' },
      { id: 'pin.back', label: 'Back in', call: 'leave', means: 'The pin is where it belongs.', next: 'Try both states of a disk’s tab.' },
    ],
  },
  {
    id: 'flag', ask: 'What is the track-zero flag like?', sense: 'seen', when: { not: { mechanism: ['cartridge', 'quick-disk'] } },
    findings: [
      { id: 'flag.whole', label: 'Whole and straight', call: 'leave', means: 'The sensor will trip where it did.', next: 'Go on.' },
      { id: 'flag.bent', label: 'Bent', call: 'mend', means: 'Too high it trips early, too low and late.', next: 'Measure it against a sister drive before bending.' },
      { id: 'flag.snapped', label: 'Snapped off', call: 'mend', means: 'The carriage will drive on into its stop.', next: 'Rebuild it; its height must be right.' },
      { id: 'flag.rebuilt', label: 'Rebuilt', call: 'unknown', means: 'Where it trips now has to be shown.', next: 'Prove track zero before anything is written.' },
    ],
  },
  {
    id: 'click', ask: 'Under power before it came here, did it click?', sense: 'heard', when: { mechanism: ['cartridge'] },
    findings: [
      { id: 'click.none', label: 'No click known', call: 'leave', means: 'No sign that it tears cartridges.', next: 'A sacrificial cartridge first, all the same.' },
      { id: 'click.steady', label: 'A steady click', call: 'stop', means: 'Heads that retract and reload in a steady click can tear disks, and a torn disk wrecks the next drive.', next: 'Nothing good goes in, and no cartridge from it into a good drive.' },
      { id: 'click.unknown', label: 'Nobody can say', call: 'unknown', means: 'It may be one that tears.', next: 'Look at the heads and at a cartridge that was in it.' },
    ],
  },
  {
    id: 'edges', ask: 'What does the last cartridge’s disk look like at its edge?', sense: 'seen', when: { mechanism: ['cartridge'] },
    findings: [
      { id: 'edges.smooth', label: 'Smooth', call: 'leave', means: 'It was not torn in this drive.', next: 'Go on.' },
      { id: 'edges.torn', label: 'Nicked or torn', call: 'stop', means: 'That cartridge wrecks any drive it goes into.', next: 'Bag it and mark it; nothing good into this drive.' },
      { id: 'edges.none', label: 'There is none to look at', call: 'unknown', means: 'Nothing can be told from cartridges.', next: 'Heads alone decide.' },
    ],
  },
  {
    id: 'headclean', ask: 'After cleaning, a swab over the heads comes away', sense: 'seen',
    findings: [
      { id: 'headclean.clean', label: 'Clean', call: 'leave', means: 'The heads are clean.', next: 'Let them dry; leave no fibre.' },
      { id: 'headclean.brown', label: 'Brown', call: 'mend', also: 'oxide', means: 'Disk coating is still on them.', next: 'A fresh swab, alcohol, the lightest touch.' },
      { id: 'headclean.scored', label: 'Clean, but scored', call: 'mend', means: 'A scored head scratches.', next: 'Only a disk that may be lost goes in.' },
    ],
  },
  {
    id: 'fibres', ask: 'Last look with a lens', sense: 'seen',
    findings: [
      { id: 'fibres.none', label: 'Dry, no fibres', call: 'leave', means: 'Clean and dry.', next: 'Go on.' },
      { id: 'fibres.left', label: 'Fibres or damp left', call: 'mend', means: 'A fibre under a head lifts it off the track.', next: 'Take them off with tweezers; wait until it is dry.' },
    ],
  },
]
