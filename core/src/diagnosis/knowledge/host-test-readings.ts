import { HOMED, INDEXED, both, notOn, on } from './functions'
import { reading } from './reading'
import type { Check } from './types'

/** Drives that remember that a disk was taken out. */
const LATCHED = both(INDEXED, on('3.5in', '3.5in-eject', '5.25in-96'))
const TRIED = { needs: ['power', 'disk'], source: 'host', ask: false } as const

/**
 * Single tries of a bench test, with a host program, a test box or a meter. They see the same functions as the checks
 * that are proposed, in smaller pieces, and are only taken. Chances from memory.
 */
export const HOST_TEST_READINGS: readonly Check[] = [
  reading(
    'protect.blocks',
    'Try to write to a protected disk',
    { refused: 0.98, written: 0.02 },
    {
      ...TRIED,
      minutes: 2,
      when: notOn('cartridge'),
      sees: { function: 'protect', by: { always: { refused: 1 }, never: { written: 0.96, refused: 0.04 } } },
    },
  ),
  reading(
    'protect.allows',
    'Try to write to a write-enabled disk',
    { written: 0.97, refused: 0.03 },
    {
      ...TRIED,
      minutes: 2,
      when: notOn('cartridge'),
      sees: { function: 'protect', by: { never: { written: 1 }, always: { refused: 0.96, written: 0.04 } } },
    },
  ),
  reading(
    'change.without-disk',
    'Take the disk out, select and step: see whether DISK CHANGE stays active',
    { stays: 0.96, goes: 0.02, never: 0.02 },
    {
      needs: ['power'],
      source: 'host',
      ask: false,
      minutes: 2,
      when: LATCHED,
      // A drive that notices no disk tells a change all the time; one whose line is dead never does.
      sees: { function: 'change', by: { none: { stays: 0.7, never: 0.3 } } },
    },
  ),
  reading(
    'change.with-disk',
    'Put a disk in, select and step once: see whether DISK CHANGE goes',
    { goes: 0.97, stays: 0.03 },
    {
      ...TRIED,
      minutes: 2,
      when: LATCHED,
      sees: { function: 'disk-in', by: { none: { stays: 0.95, goes: 0.05 }, always: { goes: 1 } } },
    },
  ),
  reading(
    'see.end-stop',
    'Step in to the end stop, then out, and count the steps back to track zero',
    { right: 0.96, fewer: 0.02, more: 0.02 },
    {
      needs: ['power'],
      source: 'host',
      ask: false,
      minutes: 3,
      when: both(HOMED, notOn('3.5in-eject')),
      sees: {
        function: 'carriage',
        by: { none: { fewer: 0.9, right: 0.1 }, misses: { fewer: 0.55, right: 0.45 } },
      },
    },
  ),
]
