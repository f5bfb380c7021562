import type { PartNode } from '../types'

/** A chip of a drive that has a processor of its own. */
const chip = (id: string, label: string, cures: readonly string[], minutes: number, does = 'processor'): PartNode => ({
  id,
  label,
  within: 'board',
  when: { has: 'own-processor' },
  shape: 'chip',
  minutes,
  does: [does],
  cures,
  again: ['link', 'read'],
})

/** The computer in a drive that has one. */
export const PROCESSOR: readonly PartNode[] = [
  chip('processor', 'Processor', ['processor.dead', 'address-line.open'], 20),
  chip('program-memory', 'Program memory', ['program-memory.bad'], 20),
  chip('memory', 'Memory', ['memory.bad'], 20),
  chip('port-chip', 'Port chips', ['port-chip.bad'], 20),
  chip('clock', 'Crystal or oscillator', ['clock.dead'], 30),
  chip('reset', 'Reset parts', ['reset.held'], 25),
  chip('decoder', 'Address decoder', ['decoder.dead'], 25),
  chip('bus-driver', 'Driver of the serial bus', ['bus-driver.held'], 25, 'link'),
  chip('bus-receiver', 'Receiver of the serial bus', ['bus-receiver.dead'], 25, 'link'),
  chip('bus-chip', 'Interface chip of the bus', ['bus-chip.shorted'], 25, 'link'),
]
