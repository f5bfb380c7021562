import type { Station } from './station'

/** Stations after cleaning and before power. */
export const driveTrain: Station = {
  id: 'drive-train', label: 'Drive train', purpose: 'Belt, motor, gears, stepper: everything that must move freely.', cautions: ['springs', 'belt-oil'],
  steps: [
    { id: 'drive-train.incoming', title: 'Look at new and donor parts before they go in', why: 'New parts arrive broken too: a head with its sensor tab snapped off looks new. A suffix letter may hide another motor.', tools: ['lens', 'calipers'], hands: 5, asks: ['incoming'], byHand: true, makes: 'Fitting them.', when: { found: ['belt.slack', 'belt.cracked', 'belt.mouldy', 'belt.goo', 'belt.gone', 'belt.off', 'heads.torn', 'heads.chipped', 'gears.teeth', 'gears.tab', 'gears.motor', 'arm.missing', 'flag.snapped', 'incoming.damaged', 'incoming.wrong'] } },
    { id: 'drive-train.belt', title: 'Fit the belt and turn it by hand', why: 'Right inside length and section, snug, seated; twenty turns by hand, no slip.', tools: ['belt', 'dry hands'], hands: 10, asks: ['belt'], untilGood: true, makes: 'Speed.', when: { has: 'belt' }, after: ['clean.path'] },
    { id: 'drive-train.motor', title: 'Turn the motor by hand', why: 'Free and quiet. New leads too short are extended with heat-shrink and tied well clear of the belt.', tools: [], hands: 5, asks: ['leads'], untilGood: true, makes: 'First power.' },
    { id: 'drive-train.carriage', title: 'Move the carriage over its whole travel', why: 'Free everywhere; a steel band is never creased.', tools: [], hands: 5, asks: ['travel'], untilGood: true, makes: 'Track zero and seeks.', when: { not: { has: 'servo' } } },
    { id: 'drive-train.screw', title: 'Look along the lead screw', why: 'Straight, its nut without play: what gives between screw and carriage is lost at every turn of direction.', tools: ['lamp'], hands: 3, makes: 'Steps of one length.', when: { has: 'screw' } },
    { id: 'drive-train.spiral', title: 'Clean and feel the spiral cam', why: 'Its follower must sit in the groove; grit in it moves the track it stands on.', tools: ['swab', 'light oil'], hands: 5, makes: 'Tracks at their places.', when: { has: 'spiral' }, cautions: ['belt-oil'] },
    { id: 'drive-train.loading', title: 'Load and eject an empty shell by hand', why: 'Power off: slides, latch and eject must not need force, and the carrier must come down level.', tools: ['empty shell'], hands: 4, asks: ['loading'], untilGood: true, makes: 'A disk in.', when: { has: 'push-in' } },
    { id: 'drive-train.lever', title: 'Work the lever', why: 'It lifts the upper head and lets it down gently; a spring that has gone drops it.', tools: [], hands: 2, asks: ['loading'], untilGood: true, makes: 'A disk in.', when: { all: [{ has: 'lever' }, { not: { has: 'push-in' } }] } },
    { id: 'drive-train.gears', title: 'Count every broken tooth out', why: 'Teeth broken and teeth found must agree before a good gear goes in.', tools: ['tray', 'tweezers'], hands: 30, asks: ['gears'], untilGood: true, makes: 'Eject.', when: { has: 'motorised-eject' } },
  ],
}

export const electronics: Station = {
  id: 'electronics', label: 'Electronics', purpose: 'Supply, sensors, switches, capacitors, wiring.', cautions: ['mains', 'solder', 'infrared'],
  steps: [
    { id: 'electronics.supply', title: 'Prove each supply wire', why: 'Wire colours prove nothing: measure each, then ring out from the plug to a logic chip’s supply pins.', tools: ['multimeter'], hands: 10, asks: ['supply'], untilGood: true, makes: 'First power.', cautions: ['mains'] },
    { id: 'electronics.sensors', title: 'Check the optical sensors', why: 'The LED drops 1.1 to 1.3 V and glows in a camera in the dark; in circuit the detector sits near 0.1 to 0.2 V lit and near 5 V shaded.', tools: ['multimeter', 'camera'], hands: 15, records: ['note'], makes: 'Index and track zero.', cautions: ['infrared'] },
    { id: 'electronics.own', title: 'Check reset, clock and address lines', why: 'It fails like a small computer: stuck reset, dead clock, an open address line, a stuck bus line.', tools: ['logic probe'], hands: 20, records: ['note'], makes: 'A drive that answers its host.', when: { has: 'own-processor' } },
    { id: 'electronics.straps', title: 'Set the straps for the host', why: 'Drive select, ready or disk change on the pin the host expects, motor control, density; compare with the as-found table.', tools: ['straps'], hands: 5, records: ['note'], makes: 'A host that sees it.' },
    { id: 'electronics.hard', title: 'See what counts the sector holes', why: 'Hard-sectored: the host or a board in between parts index and sector pulses.', tools: ['hard-sectored disk'], hands: 5, records: ['note'], makes: 'Judging its index.', when: { has: 'hard-sectored' } },
  ],
}

export const firstPower: Station = {
  id: 'first-power', label: 'First power', purpose: 'Power for the first time, ready to take it off again.', cautions: ['mains', 'tube', 'spinning'],
  steps: [
    { id: 'first-power.bare', title: 'Power it without a disk', why: 'Current-limited if possible; hand on the switch, watch and smell; lights, spin-up, homing. Smoke or a hot part means off at once.', tools: ['limited supply'], hands: 5, asks: ['power'], untilGood: true, makes: 'A sacrificial disk in.', gate: 'first-power', cautions: ['mains', 'spinning'] },
    { id: 'first-power.sacrifice', title: 'Load and eject a sacrificial disk', why: 'Prove load and eject with a disk that may be lost, never a good one; look at it afterwards.', tools: ['sacrificial disk', 'lens'], hands: 5, asks: ['sacrifice'], untilGood: true, makes: 'A good disk in.', gate: 'insert-disk', after: ['first-power.bare'], cautions: ['last-good'] },
    { id: 'first-power.protect', title: 'Write protect must block and must allow', why: 'Both states, with a disk that may be lost: a pin lost or a sensor dead ruins a good disk.', tools: ['sacrificial disk'], hands: 5, asks: ['protect'], untilGood: true, makes: 'A good disk in.', gate: 'insert-disk', after: ['first-power.sacrifice'], cautions: ['last-good'] },
  ],
}

export const speed: Station = {
  id: 'speed', label: 'Speed', purpose: 'Is the spindle’s speed right and steady?', cautions: ['spinning', 'belt-oil', 'plastic-only'],
  steps: [
    { id: 'speed.warm', title: 'Warm up two minutes, disk in', why: 'A cold motor creeps, and a disk loads the spindle as it will be loaded. A sacrificial one will do.', tools: ['sacrificial disk'], hands: 2, makes: 'A reading that holds.', gate: 'insert-disk' },
    { id: 'speed.capture', title: 'Measure thirty turns or more', why: 'From the index line with a logic analyser, or any pickup into a sound card.', tools: ['logic analyser or pickup'], hands: 5, records: ['speed'], makes: 'The call.', after: ['speed.warm'] },
    { id: 'speed.trim', title: 'Trim only if the call says so', why: 'Plastic screwdriver, tiny moves, no weight on it: some trimmers break loose from the board.', tools: ['plastic screwdriver'], hands: 5, records: ['speed'], makes: 'The right speed.', when: { not: { has: 'servo' } }, after: ['speed.capture'], cautions: ['plastic-only'] },
    { id: 'speed.again', title: 'Measure again after five minutes', why: 'Warm, closed up as far as it goes, with the same disk.', tools: [], hands: 5, wait: 5, records: ['speed'], makes: 'A speed that stays.', after: ['speed.trim', 'speed.capture'] },
    { id: 'speed.seal', title: 'Seal the trimmer', why: 'A drop of lacquer shows the next person that it was set, not guessed.', tools: ['lacquer'], hands: 2, makes: 'Leaving it alone.', when: { not: { has: 'servo' } }, after: ['speed.again'] },
  ],
}
