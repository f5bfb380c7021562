import type { Measure, Shape } from './shape'

const near = (id: string, label: string, unit: string, share: number): Measure => ({
  id,
  label,
  unit,
  rule: 'near',
  share,
})
const word = (id: string, label: string, words: readonly string[] = []): Measure => ({
  id,
  label,
  unit: '',
  rule: 'same',
  words,
})
const must = (m: Measure): Measure => ({ ...m, must: true })

/**
 * Parts that fit by their measures, whatever drive they come from: a switch is a switch. What has to agree is common
 * practice; how nearly is from memory.
 */
export const SHAPES = {
  switch: {
    label: 'Small switch',
    calculator: 'donor-switch',
    measures: [
      must(word('contacts', 'Contacts', ['normally open', 'normally closed', 'changeover', 'two independent'])),
      must(near('height', 'Height at which it acts', 'mm', 0.05)),
      near('travel', 'Travel', 'mm', 0.3),
      near('pitch', 'Between its pins', 'mm', 0.05),
      { id: 'length', label: 'Body length', unit: 'mm', rule: 'at most' },
    ],
  },
  sensor: {
    label: 'Optical sensor',
    calculator: 'detector',
    measures: [
      must(word('kind', 'Kind', ['slot', 'LED and detector apart', 'reflecting'])),
      must(near('slot', 'Slot width', 'mm', 0.1)),
      near('height', 'Height of the light path', 'mm', 0.1),
      near('pitch', 'Between its holes', 'mm', 0.05),
    ],
  },
  motor: {
    label: 'Motor',
    calculator: 'motor',
    measures: [
      must(near('volts', 'Voltage', 'V', 0.05)),
      must(near('speed', 'Speed', 'r/min', 0.05)),
      must(near('shaft', 'Shaft', 'mm', 0.015)),
      near('circle', 'Mounting circle', 'mm', 0.02),
      { id: 'height', label: 'Height', unit: 'mm', rule: 'at most' },
    ],
  },
  capacitor: {
    label: 'Capacitor',
    calculator: 'capacitor-fit',
    measures: [
      must(near('value', 'Capacitance', 'µF', 0.001)),
      must({ id: 'volts', label: 'Rated voltage', unit: 'V', rule: 'at least' }),
      { id: 'height', label: 'Height', unit: 'mm', rule: 'at most' },
      word('mounting', 'Mounting', ['surface mount', 'leads']),
    ],
  },
  gear: {
    label: 'Gear',
    measures: [
      must({ id: 'teeth', label: 'Teeth', unit: '', rule: 'same' }),
      must(near('diameter', 'Outside diameter', 'mm', 0.01)),
      must(near('bore', 'Bore', 'mm', 0.02)),
      near('width', 'Width', 'mm', 0.1),
    ],
  },
  spring: {
    label: 'Spring',
    measures: [
      must(near('length', 'Length', 'mm', 0.05)),
      must(near('wire', 'Wire', 'mm', 0.1)),
      must(near('diameter', 'Outside diameter', 'mm', 0.1)),
    ],
  },
  screw: {
    label: 'Screw',
    measures: [
      must(word('thread', 'Thread')),
      must({ id: 'length', label: 'Length', unit: 'mm', rule: 'at most' }),
      word('head', 'Head', ['flat', 'pan', 'countersunk', 'hexagon', 'grub']),
    ],
  },
  pin: {
    label: 'Pin',
    measures: [must(near('length', 'Length', 'mm', 0.02)), must(near('diameter', 'Diameter', 'mm', 0.03))],
  },
  fuse: {
    label: 'Fuse',
    measures: [
      must({ id: 'current', label: 'Current', unit: 'A', rule: 'same' }),
      must(word('speed', 'Kind', ['fast', 'slow'])),
      must({ id: 'volts', label: 'Rated voltage', unit: 'V', rule: 'at least' }),
    ],
  },
  chip: {
    label: 'Chip',
    measures: [must(word('type', 'Type, as marked')), must({ id: 'pins', label: 'Pins', unit: '', rule: 'same' })],
  },
  terminator: {
    label: 'Terminator',
    measures: [
      must(near('ohms', 'Each resistor', 'Ω', 0.05)),
      must({ id: 'pins', label: 'Pins', unit: '', rule: 'same' }),
    ],
  },
  lamp: {
    label: 'Lamp',
    measures: [must(word('kind', 'Kind', ['LED', 'filament'])), must(near('diameter', 'Diameter', 'mm', 0.05))],
  },
  header: {
    label: 'Pin header or plug',
    measures: [
      must({ id: 'pins', label: 'Pins', unit: '', rule: 'same' }),
      must(near('pitch', 'Between its pins', 'mm', 0.01)),
    ],
  },
  cable: {
    label: 'Cable',
    measures: [
      must({ id: 'pins', label: 'Wires', unit: '', rule: 'same' }),
      must(word('plug', 'Plug', ['pin header', 'card edge', 'power, large', 'power, small', 'other'])),
    ],
  },
  supply: {
    label: 'Power supply',
    calculator: 'supply',
    measures: [
      must({ id: 'amps5', label: '5 V, current', unit: 'A', rule: 'at least' }),
      { id: 'amps12', label: '12 V, current', unit: 'A', rule: 'at least' },
    ],
  },
  pad: {
    label: 'Pressure pad',
    measures: [must(near('diameter', 'Diameter', 'mm', 0.1)), must(near('thickness', 'Thickness', 'mm', 0.2))],
  },
} as const satisfies Readonly<Record<string, Shape>>

export type ShapeId = keyof typeof SHAPES
export const SHAPE_IDS = Object.keys(SHAPES) as readonly ShapeId[]
export const shapeOf = (id: ShapeId): Shape => SHAPES[id]
