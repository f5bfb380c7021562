import type { ProveAgain } from './types'

/** What to show after a part was moved, as sentences. */
export const PROVE_AGAIN: Readonly<Record<ProveAgain, string>> = {
  alignment: 'Read a reference disk at the outer, middle and inner cylinders on each head.',
  azimuth: 'Compare the margins of both heads, and measure the azimuth where an alignment disk is at hand.',
  change: 'See that a disk change is noticed.',
  density: 'Try a disk of each density.',
  eject: 'Load and eject a sacrificial disk ten times.',
  index: 'Measure the speed by the index, and see that the first sector comes in time.',
  link: 'See that the host finds the drive and reads its state.',
  load: 'Load and take out a sacrificial disk, and look at it.',
  protect: 'Show that write protect blocks and allows.',
  read: 'Read a reference disk with both heads.',
  speed: 'Measure the speed with a disk in, over several revolutions.',
  start: 'Judge speed and start of the pass together with a disk of a verified drive.',
  supply: 'Measure both voltages at the drive under load.',
  'track-zero': 'Show that homing ends on the same cylinder ten times.',
  travel: 'Step over the whole travel and back, and count.',
  write: 'Format and verify a sacrificial disk, and read it in a verified drive.',
}

/** The same for several parts: each sentence once, in the order of the work. */
export const proveAgain = (what: Iterable<ProveAgain>): string[] => {
  const wanted = new Set(what)
  return ORDER.filter(id => wanted.has(id)).map(id => PROVE_AGAIN[id])
}

const ORDER: readonly ProveAgain[] = [
  'supply',
  'link',
  'load',
  'eject',
  'change',
  'protect',
  'density',
  'speed',
  'index',
  'travel',
  'track-zero',
  'start',
  'read',
  'alignment',
  'azimuth',
  'write',
]
