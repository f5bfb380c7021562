import type { Station } from './station'

/** From alignment to release. */
export const align: Station = {
  id: 'align', label: 'Align', purpose: 'Only if evidence says so.', cautions: ['plastic-only'],
  steps: [
    { id: 'align.evidence', title: 'Write down the evidence of misalignment', why: 'Both heads off together: sensor or stepper. One head off: that head. A second trusted disk must say the same.', tools: ['two trusted disks'], hands: 15, asks: ['evidence', 'seconddisk'], makes: 'Touching an adjuster.', when: { not: { has: 'servo' } }, gate: 'insert-good-disk' },
    { id: 'align.one', title: 'Move one adjuster at a time, sensor before heads', why: 'Mark where it stands; note where it reads and where it stops; set it in the middle; recheck after tightening, which shifts it.', tools: ['trusted disk', 'pen'], hands: 45, asks: ['evidence'], byHand: true, records: ['note'], makes: 'Reading other drives’ disks.', when: { found: ['evidence.one', 'evidence.both', 'evidence.foreign'] }, gate: 'touch-sealed', after: ['align.evidence'] },
    { id: 'align.sweep', title: 'Time where the sweep starts', why: 'One spiral, no stepping: track zero is where the sweep starts and when data begin after it. Judge it with the speed.', tools: ['recording of the data line'], hands: 10, records: ['note'], makes: 'Prove.', when: { mechanism: ['quick-disk'] }, gate: 'insert-disk' },
    { id: 'align.servo', title: 'Nothing to align here', why: 'Its heads follow the cartridge under servo: if it loses lock, look at the heads and at another cartridge.', tools: [], hands: 2, makes: 'Prove.', when: { has: 'servo' } },
  ],
}

export const prove: Station = {
  id: 'prove', label: 'Prove', purpose: 'What it reads, what it writes, and who else can read that.', cautions: ['last-good'],
  steps: [
    { id: 'prove.read', title: 'Read a known-good disk, both heads, all cylinders', why: 'Retry once before condemning; suspect the disk too.', tools: ['trusted disk'], hands: 15, records: ['note'], makes: 'A claim that it reads others.', gate: 'insert-good-disk' },
    { id: 'prove.change', title: 'Disk change must be noticed', why: 'The change line latches on removal and is cleared by a step with a disk in; it means something only while the drive is selected.', tools: ['sacrificial disk'], hands: 5, records: ['note'], makes: 'A host that does not write one disk’s directory on another.', when: { mechanism: ['3.5in', '3.5in-eject', '5.25in-96', '3in'] }, gate: 'insert-disk' },
    { id: 'prove.write', title: 'Format, verify, read back', why: 'With a disk that may be lost. It shows that it reads its own writing, and no more.', tools: ['sacrificial disk'], hands: 10, records: ['note'], makes: 'A disk to try in a trusted drive.', gate: 'insert-disk' },
    { id: 'prove.cross', title: 'Read its writing in a trusted drive', why: 'A fast or misaligned drive happily reads its own.', tools: ['trusted drive'], hands: 20, records: ['note'], makes: 'A claim that others read it.', after: ['prove.write'] },
    { id: 'prove.pin', title: 'Put the write-protect pin back', why: 'Out of its bag, with the drive the right way up; try both states of a disk’s tab.', tools: ['tweezers'], hands: 3, asks: ['pin'], untilGood: true, makes: 'Closing up.', when: { mechanism: ['3in'] } },
    { id: 'prove.close', title: 'Close it up by the put-back list', why: 'In reverse order of undoing: each plug’s pin 1, each loose part, nothing left over.', tools: ['the put-back list'], hands: 20, asks: ['leads'], untilGood: true, records: ['put-back'], makes: 'The test that counts.', gate: 'close-up' },
    { id: 'prove.closed', title: 'Test again closed up', why: 'Some fail only once reassembled, from a bad crimp. Drives come with two faults.', tools: ['trusted disk'], hands: 15, asks: ['closed'], untilGood: true, makes: 'Release.', after: ['prove.close'] },
  ],
}

export const release: Station = {
  id: 'release', label: 'Release', purpose: 'Say what was shown and what was not.', cautions: [],
  steps: [
    { id: 'release.read', title: 'Read the certificate through', why: 'It says only what the log can prove.', tools: [], hands: 5, makes: 'Letting it go.' },
    { id: 'release.card', title: 'Lever closed, or a transit card in', why: 'A lever left open can warp the head arm on its way and in storage.', tools: ['transit card'], hands: 1, makes: 'The journey home.', when: { has: 'lever' } },
    { id: 'release.next', title: 'Note what to do next time', why: 'Belt age, oil, the disk it was proved with.', tools: [], hands: 3, records: ['note'], makes: 'The next service.' },
  ],
}
