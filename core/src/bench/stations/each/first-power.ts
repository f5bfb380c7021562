import type { Station } from '../station'

/** The first minutes under power. */
export const firstPower: Station = {
  id: 'first-power',
  label: 'First power',
  purpose: 'Power for the first time, ready to take it off again.',
  cautions: ['mains', 'tube', 'spinning'],
  steps: [
    {
      id: 'first-power.bare',
      title: 'Power it without a disk',
      why: 'Current-limited if possible; hand on the switch, watch and smell; lights, spin-up, homing. Smoke or a hot part means off at once.',
      tools: ['limited supply'],
      hands: 5,
      asks: ['power'],
      untilGood: true,
      makes: 'A sacrificial disk in.',
      gate: 'first-power',
      cautions: ['mains', 'spinning'],
    },
    {
      id: 'first-power.sacrifice',
      title: 'Load and eject a sacrificial disk',
      why: 'Prove load and eject with a sacrificial disk, never a good one; look at it afterwards.',
      tools: ['sacrificial disk', 'lens'],
      hands: 5,
      asks: ['sacrifice'],
      untilGood: true,
      makes: 'A good disk in.',
      gate: 'insert-disk',
      after: ['first-power.bare'],
      cautions: ['last-good'],
    },
    {
      id: 'first-power.protect',
      title: 'Write protect must block and must allow',
      why: 'Both states, with a sacrificial disk: a pin lost or a sensor dead ruins a good disk.',
      tools: ['sacrificial disk'],
      hands: 5,
      asks: ['protect'],
      untilGood: true,
      makes: 'A good disk in.',
      gate: 'insert-disk',
      after: ['first-power.sacrifice'],
      cautions: ['last-good'],
    },
  ],
}
