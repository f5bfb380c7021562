import type { StationId } from '../observations'
import type { Station } from './station'

type Early = Extract<StationId, 'receive' | 'look' | 'open' | 'clean' | 'drive-train' | 'electronics'>

/** Stations up to the point where power comes on. */
export const earlyStations: Readonly<Record<Early, Station>> = {
  'receive': {
    id: 'receive', label: 'Receive', purpose: 'What is it, whose is it, and what is it worth working?',
    steps: [
      { id: 'receive.disk', title: 'See whether a disk is stuck in it', why: 'Rescue outranks repair: a disk with data comes out first, by the manual eject hole, power off.' },
      { id: 'receive.words', title: 'Write down the owner’s words', why: 'What it does wrong, and who has been inside before.' },
      { id: 'receive.worth', title: 'Settle what it is worth', why: 'Many drives are not worth the hours; know it early.' },
    ],
    mind: ['No power yet: a rotten belt turns to goo round the spindle.'],
  },
  'look': {
    id: 'look', label: 'Look', purpose: 'Everything that can be seen and smelt without power.',
    steps: [
      { id: 'look.belt', title: 'Look at the belt', why: 'Cracked, mouldy, gone to goo or gone altogether.' },
      { id: 'look.board', title: 'Look and smell along the board', why: 'Fish means leaked electrolyte, burnt means a shorted part; green or white crust, missing capacitors, cracked pins.' },
      { id: 'look.heads', title: 'Look at heads, shutter arm and write-protect pin', why: 'A head torn off or an arm missing means no disk goes in.' },
      { id: 'look.lacquer', title: 'Look at the sealing lacquer', why: 'Broken: someone moved that adjuster. Intact: leave it.' },
    ],
    mind: ['Leaked electrolyte and corrosion dust: gloves, eyes, wash.', 'Heavy 8-inch drives: two hands, no fingers under.'],
  },
  'open': {
    id: 'open', label: 'Open', purpose: 'Take it apart so that somebody else could close it.',
    steps: [
      { id: 'open.record', title: 'Photograph and mark before undoing', why: 'Connector positions and pin 1, straps, screws that look alike but hold different things.' },
      { id: 'open.loose', title: 'Put loose parts away', why: 'A write-protect pin falls out when the drive is turned over with its board lifted.' },
      { id: 'open.head', title: 'Free the head plug straight', why: 'A shifted head plug kills the head; never lift a carrier from which the upper head hangs.' },
    ],
    mind: ['Picture tubes in all-in-one cases hold high voltage long after switch-off: leave them to qualified people and local rules.'],
  },
  'clean': {
    id: 'clean', label: 'Clean', purpose: 'Clean what is dirty and free what is stuck.',
    steps: [
      { id: 'clean.leak', title: 'Neutralise leakage, clear it with alcohol, dry', why: 'A little white vinegar on alkaline crust; a toothbrush where leads stick through.' },
      { id: 'clean.path', title: 'Clean pulleys, flywheel and idlers until the swab stays clean', why: 'Bone dry before a new belt, hands dry too.' },
      { id: 'clean.grease', title: 'Free rails, screw and shaft over the whole travel', why: 'One drop of light oil, or a thin grease on the screw: the material decides.' },
      { id: 'clean.heads', title: 'Clean both heads with the lightest touch', why: 'Alcohol on a lint-free swab; a head knocked loose scraps the drive.' },
    ],
    mind: ['Alcohol vapour burns: ventilate, no flame, no iron until dry.', 'Never mix acid or alkali with other cleaners.', 'No oil near the belt.'],
  },
  'drive-train': {
    id: 'drive-train', label: 'Drive train', purpose: 'Belt, motor, gears, stepper: everything that must move freely.',
    steps: [
      { id: 'drive-train.belt', title: 'Fit the belt and turn it by hand', why: 'Right inside length and section, snug, seated, no slip.' },
      { id: 'drive-train.motor', title: 'Turn motor and stepper by hand', why: 'Free over the whole travel; a steel band is never creased.' },
      { id: 'drive-train.gears', title: 'Count the teeth', why: 'Every broken tooth out before a good gear goes in.' },
    ],
    mind: ['Springs and sharp blades: eyes.'],
  },
  'electronics': {
    id: 'electronics', label: 'Electronics', purpose: 'Supply, sensors, switches, capacitors, wiring.',
    steps: [
      { id: 'electronics.supply', title: 'Prove each supply wire', why: 'Wire colours prove nothing: measure, then ring out to a logic chip’s supply pins.' },
      { id: 'electronics.sensors', title: 'Check the optical sensors', why: 'The LED drops 1.1 to 1.3 V and glows in a camera in the dark.' },
      { id: 'electronics.caps', title: 'Check the capacitors', why: 'Surface-mount electrolytics of the early nineties leak.' },
      { id: 'electronics.straps', title: 'Set the straps for the host', why: 'Drive select, ready or disk change, motor control, density.' },
    ],
    mind: ['Mains and open supplies: local rules and qualified people.', 'Solder and flux fumes, lead: ventilate, wash.', 'Never look for infrared by eye: use a camera.'],
  },
}
