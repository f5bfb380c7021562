import type { Question } from './types'

/** Belt, bearings, gears, grease: what turns and slides. */
export const mechanics: readonly Question[] = [
  {
    id: 'belt', ask: 'What is the belt like?', sense: 'seen', when: { has: 'belt' },
    findings: [
      { id: 'belt.sound', label: 'Snug, smooth, whole', call: 'leave', means: 'The belt can stay.', next: 'Go on.' },
      { id: 'belt.slack', label: 'Slack or flat in one place', call: 'mend', means: 'A slack belt slips and a flat place is felt once each belt turn; no trimmer cures either.', next: 'Measure pulleys and centres, and order one of the right inside length.' },
      { id: 'belt.cracked', label: 'Cracked or hard', call: 'mend', means: 'It breaks under power and winds itself round the pulley.', next: 'Take it off before any power.' },
      { id: 'belt.mouldy', label: 'Mouldy, grey bloom', call: 'mend', means: 'The rubber is on its way; it slips and sheds.', next: 'Take it off before any power, and clean its path.' },
      { id: 'belt.goo', label: 'Gone to goo', call: 'stop', also: 'tar melted rotten sticky', means: 'Power would wind the goo round the spindle.', next: 'Take it off and clean pulley, flywheel and idlers until the swab stays clean.' },
      { id: 'belt.gone', label: 'Gone altogether', call: 'mend', means: 'A belt is missing; remains of it may be anywhere.', next: 'Look for remains on pulley and spindle, and measure for a new one.' },
      { id: 'belt.off', label: 'Old one taken off', call: 'mend', means: 'Nothing can wind up any more; the motor may be run bare.', next: 'Clean the path, then fit a new one.' },
      { id: 'belt.new', label: 'New one fitted', clears: ['residue.black'], call: 'leave', means: 'A new belt is on.', next: 'Turn it by hand twenty turns and see that it stays in the middle of its pulleys.' },
      { id: 'belt.direct', label: 'There is none: direct drive', call: 'leave', means: 'The spindle sits on its motor; the steps for belts fall away.', next: 'Go on.' },
    ],
  },
  {
    id: 'residue', ask: 'A swab over pulley, flywheel and idlers comes away', sense: 'seen', when: { has: 'belt' },
    findings: [
      { id: 'residue.black', label: 'Black', call: 'mend', also: 'goo', means: 'Belt residue is still there; a new belt would slip on it.', next: 'Alcohol and another swab, until one stays clean.' },
      { id: 'residue.clean', label: 'Clean', call: 'leave', means: 'The belt’s path is clean.', next: 'Let it dry to the bone; dry hands too, before a new belt.' },
    ],
  },
  {
    id: 'grease', ask: 'What is the old grease like?', sense: 'felt', several: true, places: ['lead screw', 'rails', 'spindle shaft', 'loading slides'],
    findings: [
      { id: 'grease.soft', label: 'Soft and clean', clean: true, call: 'leave', means: 'It still does its work.', next: 'Leave it.' },
      { id: 'grease.set', label: 'Set like varnish', call: 'mend', also: 'hard gummed stuck', means: 'A stepper loses steps on it and a motor stalls.', next: 'A drop of penetrating or light oil, soak, then by hand through the whole travel.' },
      { id: 'grease.dirty', label: 'Grey, with dust in it', call: 'mend', means: 'Dust in grease is a grinding paste.', next: 'Wipe it off with alcohol and renew it.' },
      { id: 'grease.none', label: 'Dry, none left', call: 'mend', means: 'Metal runs on metal.', next: 'Clean it and lubricate by your school.' },
      { id: 'grease.renewed', label: 'Renewed', clean: true, call: 'leave', means: 'Freshly lubricated.', next: 'Wipe away what stands out, so that dust does not cake.' },
    ],
  },
  {
    id: 'travel', ask: 'Pushed by hand, how does the carriage run?', sense: 'felt', when: { not: { has: 'servo' } },
    findings: [
      { id: 'travel.free', label: 'Freely over the whole travel', call: 'leave', means: 'The stepper will not lose steps here.', next: 'Go on.' },
      { id: 'travel.tight', label: 'Tight in one place', call: 'mend', means: 'It will lose steps there and read foreign cylinders.', next: 'Clean and oil at that place; look for a bent rail.' },
      { id: 'travel.stuck', label: 'Not at all', call: 'stop', means: 'Power would stall the stepper or strip its drive.', next: 'Oil, soak overnight, then work it loose by hand; never with the motor.' },
    ],
  },
  {
    id: 'spindle', ask: 'Turned by hand, how does the spindle run?', sense: 'felt',
    findings: [
      { id: 'spindle.free', label: 'Freely and quietly', call: 'leave', means: 'Its bearings are sound enough to measure.', next: 'Go on.' },
      { id: 'spindle.rough', label: 'Rough or gritty', call: 'mend', means: 'Worn or dirty bearings show as unsteady speed.', next: 'One drop of light oil at the bearing, none near belt or head; feel again.' },
      { id: 'spindle.stuck', label: 'Not at all', call: 'stop', means: 'Power would burn the motor.', next: 'Find what holds it: set grease, wound goo, a part in the way.' },
      { id: 'spindle.wobble', label: 'It wobbles', call: 'mend', means: 'A bent or loose hub writes tracks that wander once a turn.', next: 'See whether the hub’s screw is loose before thinking of the shaft.' },
    ],
  },
  {
    id: 'band', ask: 'What is the steel band like?', sense: 'seen', when: { has: 'band' },
    findings: [
      { id: 'band.flat', label: 'Flat and tight', call: 'leave', means: 'Each step is as long as the last.', next: 'Never touch it with a finger nail.' },
      { id: 'band.creased', label: 'Creased', call: 'mend', means: 'A crease changes the step at one place; it cannot be straightened.', next: 'Only another band, or another mechanism, cures it.' },
      { id: 'band.loose', label: 'Loose', call: 'mend', means: 'Steps are lost at every turn of direction.', next: 'See that its clamp and spring are whole; tighten nothing that is sealed.' },
    ],
  },
  {
    id: 'gears', ask: 'What is the eject gearbox like?', sense: 'seen', several: true, when: { has: 'motorised-eject' },
    findings: [
      { id: 'gears.whole', label: 'All teeth there, tabs tight', clean: true, call: 'leave', means: 'The gearbox can carry the disk.', next: 'Go on.' },
      { id: 'gears.teeth', label: 'Teeth missing', call: 'mend', means: 'A broken tooth left inside breaks the next gear.', next: 'Count teeth broken and teeth found: every one out before a good gear goes in.' },
      { id: 'gears.tab', label: 'Housing tab loose or broken', call: 'mend', means: 'The gears spread under load and jump.', next: 'Take the housing from whichever donor has the good one.' },
      { id: 'gears.motor', label: 'Motor weak or silent', call: 'mend', means: 'The disk stays in, or half out.', next: 'Turn it by hand; compare its current with a good one.' },
      { id: 'gears.replaced', label: 'Replaced, all pieces counted out', clean: true, call: 'leave', means: 'Gearbox made good, broken pieces accounted for.', next: 'Eject ten times with a sacrificial disk.' },
    ],
  },
  {
    id: 'rattle', ask: 'Tilted gently, does anything rattle?', sense: 'heard',
    findings: [
      { id: 'rattle.none', label: 'Nothing', call: 'leave', means: 'Nothing loose is inside.', next: 'Go on.' },
      { id: 'rattle.loose', label: 'Something is loose', call: 'stop', means: 'A loose screw shorts the board under power; a loose pin is lost for ever.', next: 'Do not turn it over; open it over a tray and find what it is.' },
      { id: 'rattle.found', label: 'Found and taken out', call: 'leave', means: 'The loose part is in a bag.', next: 'Record where it belongs.' },
    ],
  },
  {
    id: 'missing', ask: 'Is anything missing?', sense: 'seen', several: true,
    findings: [
      { id: 'missing.none', label: 'Nothing', clean: true, call: 'leave', means: 'As far as can be seen it is complete.', next: 'Go on.' },
      { id: 'missing.screw', label: 'Screws', call: 'unknown', means: 'Someone has been inside; what those screws held may have moved.', next: 'Compare with a sister drive.' },
      { id: 'missing.cover', label: 'Cover or shield', call: 'mend', means: 'Dust and light reach heads and sensors.', next: 'Find one; a sensor that sees room light misjudges.' },
      { id: 'missing.lever', label: 'Lever, button or bezel', call: 'mend', means: 'It cannot be loaded as it should.', next: 'Look among the donors.' },
      { id: 'missing.part', label: 'A part on the board', call: 'mend', means: 'An empty place with solder marks had a part once.', next: 'Read the value from a sister drive before fitting one.' },
    ],
  },
]
