/** What has to be shown again after a part was moved, as sentences, in the order of the work. */
const PROVE_AGAIN = {
  supply: 'Measure both voltages at the drive under load.',
  link: 'See that the host finds the drive and reads its state.',
  load: 'Load and take out a sacrificial disk, and look at it.',
  eject: 'Load and eject a sacrificial disk ten times.',
  change: 'See that a disk change is noticed.',
  protect: 'Show that write protect blocks and allows.',
  density: 'Try a disk of each density.',
  speed: 'Measure the speed with a disk in, over several revolutions.',
  index: 'Measure the speed by the index, and see that the first sector comes in time.',
  travel: 'Step over the whole travel and back, and count.',
  'track-zero': 'Show that homing ends on the same cylinder ten times.',
  start: 'Judge speed and start of the pass together with a disk of a verified drive.',
  read: 'Read a reference disk with both heads.',
  alignment: 'Read a reference disk at the outer, middle and inner cylinders on each head.',
  azimuth: 'Compare the margins of both heads, and measure the azimuth where an alignment disk is at hand.',
  write: 'Format and verify a sacrificial disk, and read it in a verified drive.',
} as const
export type ProveAgain = keyof typeof PROVE_AGAIN

/** The same for several parts: each sentence once, in that order. */
export const proveAgain = (what: Iterable<ProveAgain>): string[] => {
  const wanted = new Set<string>(what)
  return Object.entries(PROVE_AGAIN).flatMap(([id, says]) => (wanted.has(id) ? [says] : []))
}
