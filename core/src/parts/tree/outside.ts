import type { PartNode } from '../types'

/** What a drive is run with: it is no part of the drive, and is got like one. */
export const OUTSIDE: readonly PartNode[] = [
  {
    id: 'interface-cable',
    label: 'Data cable',
    within: null,
    shape: 'cable',
    minutes: 10,
    cures: ['interface-cable.crimp', 'interface-cable.twist'],
    again: ['read'],
  },
  {
    id: 'power-cable',
    label: 'Power cable',
    within: null,
    shape: 'cable',
    minutes: 20,
    cures: ['power-cable.crimp', 'power-cable.wrong'],
    again: ['supply'],
  },
  {
    id: 'supply',
    label: 'Power supply',
    within: null,
    shape: 'supply',
    minutes: 10,
    does: ['supply-5v'],
    bad: ['volts.no-5', 'volts.no-12', 'volts.sags-5', 'volts.sags-12', 'volts.noisy'],
    cures: ['supply.missing', 'supply.low', 'supply.noisy'],
    again: ['supply'],
  },
]
