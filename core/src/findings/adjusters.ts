import type { Question } from './types'

/** Seals and tampering, and what speaks for misalignment. */
export const adjusters: readonly Question[] = [
  {
    id: 'lacquer', ask: 'What is the sealing lacquer like?', sense: 'seen', places: ['speed trimmer', 'upper head screws', 'lower head screws', 'track-zero sensor', 'stepper body'],
    findings: [
      { id: 'lacquer.whole', label: 'Whole', call: 'leave', means: 'It sits where the factory set it.', next: 'Leave it sealed.' },
      { id: 'lacquer.broken', label: 'Broken', call: 'unknown', also: 'cracked seal tamper', means: 'Someone moved it; alignment will need proof.', meansAt: { 'speed trimmer': 'Someone moved it; the speed will need proof.' }, next: 'Mark where it stands now before anything moves.' },
      { id: 'lacquer.never', label: 'Never sealed', call: 'unknown', means: 'Nothing shows whether it was moved.', next: 'Mark where it stands now.' },
      { id: 'lacquer.renewed', label: 'Sealed anew by us', call: 'leave', means: 'The next person sees that it was set, not guessed.', next: 'Say in the log to what it was set.' },
    ],
  },
  {
    id: 'screws', ask: 'What do the screw heads tell?', sense: 'seen', several: true,
    findings: [
      { id: 'screws.clean', label: 'Clean', clean: true, call: 'leave', means: 'No tool has slipped here.', next: 'Go on.' },
      { id: 'screws.marred', label: 'Marred', call: 'unknown', also: 'tamper scratched', means: 'Someone has been at them; what they hold may have moved.', next: 'Look at the lacquer next to each.' },
      { id: 'screws.odd', label: 'An odd one among them', call: 'unknown', means: 'A wrong screw may be too long and press on something.', next: 'Record it where it sits.' },
    ],
  },
  {
    id: 'evidence', ask: 'What speaks for misalignment?', sense: 'measured', several: true, when: { not: { has: 'servo' } },
    findings: [
      { id: 'evidence.none', label: 'Nothing', clean: true, call: 'leave', means: 'Sealed and no evidence: leave it.', next: 'Touch no adjuster.' },
      { id: 'evidence.one', label: 'One head off, the other right', call: 'unknown', means: 'If both heads disagree, it is the heads.', next: 'Read a second trusted disk before turning anything.' },
      { id: 'evidence.both', label: 'Both heads off together', call: 'unknown', means: 'If both are off together, it is the sensor or the stepper.', next: 'Look at the flag and the sensor before the stepper.' },
      { id: 'evidence.foreign', label: 'Reads ids of another cylinder', call: 'unknown', means: 'The head stands between cylinders, or the wrong one.', next: 'Home it several times, and see whether it is the same each time.' },
      { id: 'evidence.cured', label: 'Set, tightened and shown', clean: true, call: 'leave', means: 'It reads right on both heads after tightening.', next: 'Seal it.' },
    ],
  },
  {
    id: 'seconddisk', ask: 'Does a second trusted disk say the same?', sense: 'measured',
    findings: [
      { id: 'seconddisk.same', label: 'The same', call: 'unknown', means: 'It is the drive, not the disk.', next: 'Go on.' },
      { id: 'seconddisk.good', label: 'The second one reads', call: 'leave', means: 'It was the first disk.', next: 'Touch no adjuster; doubt the first disk.' },
      { id: 'seconddisk.none', label: 'There is no second one', call: 'unknown', means: 'One disk alone condemns nothing.', next: 'Find or make another.' },
    ],
  },
]
