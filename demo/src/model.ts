import type { ModelSheet } from '@wobrin/core/drives/models'

/** What the demo workshop remembers of the model of which it has the most drives. */
export const DEMO_MODEL: ModelSheet = {
  format: 'wobrin-model-sheet',
  version: 1,
  mechanism: '3.5in',
  maker: 'Staithe',
  model: 'M80',
  points: [
    {
      id: 'ic2-pin-8-disk-taken-out',
      name: 'IC2 pin 8',
      state: 'disk taken out',
      unit: 'V',
      part: 'line-driver',
      expected: null,
    },
    {
      id: 'plug-pin-34-disk-taken-out',
      name: 'Plug pin 34',
      state: 'disk taken out',
      unit: 'V',
      part: null,
      expected: null,
    },
    { id: 'r12', name: 'R12', state: '', unit: 'kΩ', part: null, expected: null },
    {
      id: 'wire-from-motor-board-to-p3',
      name: 'Wire from motor board to P3',
      state: '',
      unit: '',
      part: null,
      expected: null,
    },
  ],
  pins: [
    { plug: 'P3', pin: '1', signal: '5 V to the motor board', from: 'SK-24' },
    { plug: 'P3', pin: '2', signal: 'ground', from: 'SK-24' },
    { plug: 'P3', pin: '3', signal: 'motor on, active low', from: 'SK-24' },
  ],
  memory: [
    {
      topic: 'opening',
      text: 'Four screws at the sides, then lift the cover at the plug end first.',
      from: 'SK-24',
    },
    {
      topic: 'latches',
      text: 'The front hangs on two tabs inside the slot: push them outwards, never pull.',
      from: 'SK-24',
    },
    {
      topic: 'traps',
      text: 'The ribbon of the upper head is glued to the frame. Free it before the arm is lifted.',
      from: 'SK-09',
    },
  ],
}
