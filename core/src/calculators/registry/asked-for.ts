import { rowKey } from '../calculator'

/** How a calculator is found by somebody who wants to know something, and what it shows before anything is typed. */
export interface AskedFor {
  /** What one wants to know, as a question. */
  readonly asks: string
  /** Other words for it. */
  readonly also: string
  /** A worked example: what is typed, and what it is about. */
  readonly example: { readonly says: string; readonly values: Readonly<Record<string, string>> }
}

/** Rows of a list as they are typed. */
const rows = (key: string, list: readonly Readonly<Record<string, string>>[]): Record<string, string> =>
  Object.fromEntries(
    list.flatMap((row, i) => Object.entries(row).map(([field, value]) => [rowKey({ key }, i, field), value])),
  )

const asked = (asks: string, also: string, says: string, values: Readonly<Record<string, string>>): AskedFor => ({
  asks,
  also,
  example: { says, values },
})

/** By the id of each calculator; the values of the examples are made up. */
export const ASKED_FOR: Readonly<Record<string, AskedFor>> = {
  belt: asked(
    'Which belt does it need?',
    'rubber band length round square flat drive belt slips stretched replacement',
    'A motor pulley of 9 mm, a flywheel of 62 mm, and a belt of 245 mm at hand.',
    { motor: '9', flywheel: '62', centre: '70', section: '1.2', material: 'square', candidate: '245' },
  ),
  'belt-remains': asked(
    'Which belt, where only a thread or the old one tells?',
    'string thread remains pieces old belt equivalent measure length rotten',
    'A thread of 268 mm once round the pulleys, and an old belt that has gone slack.',
    { section: '1.2', material: 'square', thread: '268', thick: '0.3', old: '268', state: 'slack' },
  ),
  motor: asked(
    'Can this motor replace the old one?',
    'spindle motor swap shaft voltage equivalent substitute',
    'A motor of the same voltage and shaft, a little faster.',
    { volts1: '12', volts2: '12', speed1: '2000', speed2: '2100', shaft1: '2', shaft2: '2' },
  ),
  options: asked(
    'Swap the motor, the mechanism, or leave it?',
    'choose decide worth repair way options',
    'A weak motor, a motor that is alike at hand, and a proved mechanism in a broken donor.',
    { fault: 'weak', motor: 'alike', mechanism: 'proved', connectors: 'same', donor: 'broken' },
  ),
  gear: asked(
    'Does this gear fit, and is every broken tooth out?',
    'eject teeth stripped cog gearbox module',
    'A gear of 18 teeth; two are broken off and two were found.',
    { teeth1: '18', outside1: '10', teeth2: '18', outside2: '10', broken: '2', found: '2' },
  ),
  supply: asked(
    'Is this supply strong enough?',
    'power adapter amperes current nameplate 12 V 5 V psu',
    'A drive marked 12 V 0.5 A, on a supply of 12 V 1 A and 5 V 1 A.',
    { draw12: '0.5', has12: '1', draw5: '0.4', has5: '1' },
  ),
  polarity: asked(
    'May I connect these supply wires?',
    'colour pinout plug reversed 12 V 5 V ground wires',
    'Four wires, each measured and followed to a chip’s pin.',
    {
      volts1: '12.1',
      to1: 'twelve',
      volts2: '0',
      to2: 'ground',
      volts3: '0',
      to3: 'ground',
      volts4: '5.05',
      to4: 'five',
    },
  ),
  sensor: asked(
    'Is this optical sensor good?',
    'led phototransistor light barrier track zero index write protect infrared weak',
    'A track-zero sensor that reads 0.2 V lit and 4.8 V shaded.',
    { which: 'track-0', litVolts: '0.2', darkVolts: '4.8', pull: '22k' },
  ),
  detector: asked(
    'Does a detector from elsewhere serve?',
    'phototransistor mouse replacement pull-up photodiode',
    'A detector that passes 0.3 mA with the light on it.',
    { lit: '0.3 mA', dark: '1 uA', pull: '22k', logic: 'cmos', looks: 'same', legs: 'same' },
  ),
  switch: asked(
    'Which contacts does this switch have?',
    'microswitch pins normally open closed continuity',
    'Three pins: a to b closed at rest, b to c closed when pressed.',
    {
      pins: '3',
      'rest-ab': 'yes',
      'rest-bc': 'no',
      'rest-ac': 'no',
      'pressed-ab': 'no',
      'pressed-bc': 'yes',
      'pressed-ac': 'no',
    },
  ),
  'host-sees': asked(
    'What does the host see of this switch?',
    'write protect density disk change level inverted open hole',
    'A write-protect switch of a 3.5-inch drive that opens when pressed.',
    { use: 'protect', mechanism: '3.5in', contact: 'nc', closes: 'ground', inverted: 'no' },
  ),
  'donor-switch': asked(
    'Can a switch from another drive be used?',
    'microswitch replacement lever donor size travel',
    'A switch of the same size with both contacts, for one that needs the open one.',
    { acts1: '1.5', acts2: '1.6', pitch1: '2.5', pitch2: '2.5', wide1: '8', wide2: '8', needs: 'no', has: 'both' },
  ),
  capacitor: asked(
    'Is this capacitor dead?',
    'electrolytic esr leaking dried capacitance meter cap',
    'A capacitor marked 10 µF that reads 1.2 µF in circuit.',
    { marked: '10u', reading: '1.2u', where: 'in' },
  ),
  'capacitor-fit': asked(
    'Can this capacitor replace the old one?',
    'electrolytic substitute voltage height polarity tantalum',
    'A 10 µF 25 V capacitor in place of 10 µF 16 V on the 12 V line.',
    { marked: '10u', value: '10u', volts: '16', newVolts: '25', line: '12', kind: 'leaded', polarity: 'known' },
  ),
  board: asked(
    'Which capacitors of this board must I buy?',
    'recap order list all electrolytic capacitors',
    'Three capacitors of a board, one of them leaking.',
    {
      series: 'leaky',
      ...rows('caps', [
        { name: 'C1', marked: '10u', volts: '16', reading: '2u', where: 'in' },
        { name: 'C2', marked: '47u', volts: '6.3', reading: '46u', where: 'out' },
        { name: 'C3', marked: '10u', volts: '16', leaks: 'yes' },
      ]),
    },
  ),
  logic: asked(
    'Which part holds this line?',
    'stuck low line driver receiver chip ttl open collector level',
    'READY should idle high and sits low, with the cable off too.',
    { expected: 'high', line: 'ready', made: 'drive', pullAt: 'host', now: 'low', cable: 'low' },
  ),
  'serial-bus': asked(
    'Which side holds the serial bus?',
    'attention clock data idle stuck serial drive bus',
    'The data line sits at 0.1 V with everything connected, and rises with the drive’s cable off.',
    {
      'attention-both': '4.8',
      'clock-both': '4.7',
      'data-both': '0.1',
      'data-drive': '0.1',
      'data-host': '4.8',
    },
  ),
  processor: asked(
    'What stops a drive with its own processor?',
    'reset clock rom ram cpu dead board chip address bus',
    'The supply is good and nothing is hot; reset stays held.',
    { supply: 'good', heat: 'good', reset: 'held' },
  ),
  swap: asked(
    'Was it the part that I swapped?',
    'cured luck intermittent chance swap part',
    'Before the swap 4 of 10 tries failed, afterwards none of 20.',
    { part: 'spindle-motor', beforeFails: '4', beforeTrials: '10', afterFails: '0', afterTrials: '20' },
  ),
  wiggle: asked(
    'Which wire makes the errors?',
    'loose crimp broken wire contact intermittent move cable',
    'Nine errors while the second wire is moved, hardly any else.',
    { rest: '1', restTime: '60 s', each: '20 s', wire1: '0', wire2: '9', wire3: '1', wire4: '0' },
  ),
  joint: asked(
    'Is this crimp or solder joint sound?',
    'cold joint crack pull crimp sheath resistance',
    'A crimp that looks clean on a thin wire and holds a pull.',
    { kind: 'crimp', looks: 'clean', wire: '24 AWG', pull: '20 N', held: 'yes', moves: 'no' },
  ),
  wires: asked(
    'What wire do I need for this loom?',
    'gauge awg colour length cut list harness',
    'Two wires for a motor.',
    rows('wires', [
      { name: 'motor +', colour: 'red', length: '300', wire: '20 AWG', current: '1', rail: '12' },
      { name: 'motor −', colour: 'black', length: '300', wire: '20 AWG', current: '1', rail: '12' },
    ]),
  ),
  lead: asked(
    'Is this lead thick enough?',
    'voltage drop extend wire gauge length awg',
    'Leads of a motor extended to 300 mm with 20 AWG.',
    { length: '300', wire: '20 AWG', current: '1', rail: '12' },
  ),
  'unknown-straps': asked(
    'What do these straps mean?',
    'jumper setting drive select ready change host unknown',
    'Four straps: with A set it answers, but a change of disk is not noticed.',
    { straps: 'A, B, C, D', ...rows('tries', [{ set: 'A', select: 'right', motor: 'right', change: 'missing' }]) },
  ),
  lobes: asked(
    'How far off track is this head?',
    'cat’s-eye alignment disk scope radial lobes',
    'Lobes of 5 and 4.2 divisions.',
    { first: '5', second: '4.2', outer: 'first', head: '300 um', eccentric: '40 um', limit: '15 um' },
  ),
  azimuth: asked(
    'Is the head square?',
    'azimuth bursts angle twisted head alignment disk',
    'Four bursts of nearly the same height.',
    { a: '3', b: '5', c: '4.6', d: '2.8', limit: '30', width: '115 um' },
  ),
  'index-burst': asked(
    'Is the index sensor in its place?',
    'index to data timing burst late sensor',
    'A burst 260 µs after the index, where 200 µs are right.',
    { seen: '260 us', rpm: '300', nominal: '200 us', allowed: '50 us' },
  ),
  offset: asked(
    'What does this offset cost?',
    'track pitch micrometres thousandths margin misaligned',
    'A head 20 µm off on a 5.25-inch drive of 96 tpi.',
    { mechanism: '5.25in-96', value: '20', unit: 'um' },
  ),
  'factory-disks': asked(
    'Where do the heads stand, without an alignment disk?',
    'radial alignment offset factory duplicated software disks several writers average standard',
    'Five disks from four duplicators, swept on a 3.5-inch drive.',
    {
      mechanism: '3.5in',
      ...rows('disks', [
        { writer: 'duplicator A', middle: '55', within: '6' },
        { writer: 'duplicator A', middle: '52', within: '8' },
        { writer: 'duplicator B', middle: '66', within: '7' },
        { writer: 'duplicator C', middle: '59', within: '6' },
        { writer: 'duplicator D', middle: '63', within: '6' },
      ]),
    },
  ),
  tab: asked(
    'How high must the track-zero tab be?',
    'flag tab rebuild file shim glue sensor early late',
    'A rebuilt tab of 4.2 mm where 4.0 mm are right.',
    { own: '4.2', right: '4.0', pitch: '0.1875' },
  ),
  flag: asked(
    'Where does the track-zero sensor switch?',
    'flag slot sensor position detent stepper home',
    'The flag covers the slot 0.1 mm before track zero.',
    { over: '0.1', pitch: '0.53', zero: 'sensor', slot: '1' },
  ),
  home: asked(
    'Does it home to the same place?',
    'repeat homing track zero scatter dial gauge',
    'Five homings on a dial gauge.',
    {
      pitch: '0.1875',
      ...rows('homing', [{ at: '0.101' }, { at: '0.099' }, { at: '0.1' }, { at: '0.102' }, { at: '0.1' }]),
    },
  ),
  'quick-start': asked(
    'When do data begin on this quick disk?',
    'spiral start ready delay quick disk pass',
    'Data begin 260 ms after ready, at 423 r/min.',
    { toData: '260 ms', rpm: '423', right: '250 ms' },
  ),
  claim: asked(
    'What do my counts prove?',
    'error rate bound confidence sectors read statistics',
    '1440 sectors read without an error.',
    { sectors: '1440', errors: '0', wanted: '4000' },
  ),
  'before-after': asked(
    'Did that help, or was it luck?',
    'cleaning better worse compare sectors failed significance',
    '40 of 720 sectors failed before cleaning, 6 afterwards.',
    { sectorsBefore: '720', errorsBefore: '40', sectorsAfter: '720', errorsAfter: '6' },
  ),
  'load-cycles': asked(
    'Does it load and eject every time?',
    'cycles eject insert cartridge clicks repeat',
    'Twenty loads, all ready.',
    { loads: '20', notReady: '0', stuck: '0', clicks: '0', hurt: 'no' },
  ),
  'warm-up': asked(
    'Does it get worse when it is warm?',
    'temperature cold drift margin warm up',
    'A margin of 45 % cold and 30 % warm.',
    { coldMargin: '45', warmMargin: '30', coldRpm: '300', warmRpm: '299' },
  ),
  soak: asked('Did it run long enough?', 'long run burn in hours test covers on', 'Four hours planned, two done.', {
    planned: '4 h',
    ran: '2 h',
    stops: '0',
    starts: '6',
    failedStarts: '0',
    sectors: '8640',
    errors: '0',
  }),
}
