import { ASKED_FOR, calculatorGroups } from '@wobrin/core/calculators/registry'
import type { StationId } from '@wobrin/core/log'

/** An instrument as it is looked for: by what one wants to know. */
export interface InstrumentEntry {
  readonly to: string
  readonly title: string
  readonly asks: string
  readonly also: string
}
export interface InstrumentGroup {
  readonly title: string
  readonly list: readonly InstrumentEntry[]
}

const calculators = (station: StationId): InstrumentEntry[] =>
  calculatorGroups(station)
    .flatMap(g => g.sums)
    .map(s => {
      const { asks, also } = ASKED_FOR[s.id]!
      return { to: `/instruments/${s.id}`, title: s.title, asks, also: `${also} ${s.purpose}` }
    })
const entry = (id: string, title: string, asks: string, also: string): InstrumentEntry => ({
  to: `/instruments/${id}`,
  title,
  asks,
  also,
})

/** Everything that measures or judges, by what it is about, in the order of the stations. */
export const INSTRUMENTS: readonly InstrumentGroup[] = [
  {
    title: 'Speed',
    list: [
      entry(
        'speed',
        'Speed',
        'How fast does it turn, and how evenly?',
        'rpm r/min recording index wow flutter trimmer sound card microphone rub whine tone',
      ),
      entry('reading', 'Typed reading', 'Is this value right?', 'volts ohms speed count meter probe type judge'),
      entry(
        'camera',
        'Camera',
        'How fast does it turn in a film?',
        'webcam phone video slow motion mark strobe ring bars infrared LED glow frames',
      ),
      entry('strobe', 'Strobe companion', 'Which strobe pattern do I need?', 'bars lamp mains print disc flywheel'),
    ],
  },
  {
    title: 'Reading and writing',
    list: [
      entry(
        'read-test',
        'Read test',
        'How well does it read?',
        'surface margin sectors image cylinders heads recording',
      ),
      entry(
        'rescue',
        'Rescue',
        'How do I save a failing disk?',
        'image recover data retry merge sectors worn damaged bad disk backup missing',
      ),
      entry('write-test', 'Write test', 'Does it write, and protect?', 'format pattern overwrite protect verify'),
      entry(
        'wire',
        'Interface lines',
        'What do its lines do?',
        'signals simulated drive step seek ready change wiggle',
      ),
      entry(
        'listen',
        'Listen to seeks',
        'Does it step as often as it is told?',
        'microphone sound click steps noise wav cartridge rhythm ear',
      ),
      entry(
        'bench-link',
        'Bench link',
        'What do the lines of my drive do, now?',
        'board serial usb microcontroller live interface motor step index voltages read disk',
      ),
      entry('blame', 'Disk or drive', 'Is it the disk or the drive?', 'some disks fail other drive writer blame'),
      ...calculators('prove'),
    ],
  },
  { title: 'Drive train', list: calculators('drive-train') },
  {
    title: 'Align',
    list: [
      entry(
        'sweep',
        'Adjuster sweep',
        'Where must the adjuster stand?',
        'align reference disk range sensor screw set middle',
      ),
      entry(
        'scope',
        'Scope recording',
        'What does this scope recording show?',
        'alignment disk lobes bursts csv oscilloscope',
      ),
      ...calculators('align'),
    ],
  },
  {
    title: 'Electronics',
    list: [
      ...calculators('electronics'),
      entry(
        'host-fit',
        'Host fit',
        'Will it work with my host?',
        'straps jumper ready disk change pins cable computer',
      ),
    ],
  },
]
