import { SELECTED, STEPPED, TWO_HEADS, both, has, notOn, on } from './functions'
import type { Check, Part } from './types'

const OUTCOMES = { cures: 0.03, better: 0.03, same: 0.93, worse: 0.01 }

interface TreatmentInput {
  readonly when?: Check['when']
  readonly needs?: Check['needs']
  readonly risk?: number
  /** False where another check asks the same. */
  readonly ask?: false
}

/** Something that is done, and what it cost and cured. */
export interface Treatment extends Check {
  readonly treatment: string
  /** Minutes that its risk may cost. */
  readonly risk: number
}

const treatment = (id: string, title: string, minutes: number, input: TreatmentInput = {}): Treatment => ({
  id: `after.${id}`,
  treatment: id,
  title,
  minutes,
  kind: 'treatment',
  answers: Object.keys(OUTCOMES),
  words: { cures: 'it works now', better: 'better', same: 'no change', worse: 'worse' },
  base: OUTCOMES,
  needs: input.needs ?? ['open'],
  source: 'hand',
  changes: true,
  opens: { kind: 'treatment', id },
  risk: input.risk ?? 0,
  ...(input.when ? { when: input.when } : {}),
  ...(input.ask === false ? { ask: false as const } : {}),
})

/** Treatments that may cure, each followed by another try. Minutes from memory. */
export const TREATMENTS: readonly Treatment[] = [
  treatment('clean.heads', 'Clean the heads and try again', 5, { risk: 0.5, when: notOn('cartridge') }),
  treatment('clean.sensors', 'Clean the sensors and try again', 6, { when: notOn('cartridge') }),
  treatment('clean.switches', 'Clean the switches and try again', 12, { when: notOn('8in', 'cartridge') }),
  treatment('clean.grease', 'Take off old grease, oil thinly, and try again', 25),
  treatment('clean.board', 'Neutralise and clean the board, and try again', 40, { risk: 1 }),
  treatment('reseat.plugs', 'Power off, reseat the plugs, and try again', 4, { risk: 0.3 }),
  treatment('reseat.chips', 'Power off, reseat the socketed chips, and try again', 8, {
    risk: 0.5,
    when: has('own-processor'),
  }),
  treatment('free.carriage', 'Free the carriage by hand, and try again', 18, { when: notOn('cartridge'), risk: 0.5 }),
  treatment('free.spindle', 'Free and oil the spindle, and try again', 15, { when: notOn('cartridge') }),
  treatment('set.track-zero-sensor', 'Set the track-zero sensor by a sweep', 30, {
    when: both(STEPPED, notOn('5.25in-serial')),
    risk: 6,
    needs: ['open', 'power', 'disk', 'recording'],
  }),
  treatment('set.lower-head', 'Set the lower head by a sweep', 40, {
    when: STEPPED,
    risk: 12,
    needs: ['open', 'power', 'disk', 'recording'],
  }),
  treatment('set.upper-head', 'Set the upper head by a sweep', 40, {
    when: both(STEPPED, TWO_HEADS),
    risk: 12,
    needs: ['open', 'power', 'disk', 'recording'],
  }),
  treatment('set.trimmer', 'Set the speed trimmer', 12, {
    when: notOn('8in', '3.5in', '3.5in-eject', 'cartridge'),
    risk: 1.5,
    needs: ['open', 'power', 'disk'],
  }),
  treatment('fit.belt', 'Fit a belt and try again', 35, { when: has('belt') }),
  treatment('another.disk', 'Try another disk, one that read elsewhere', 1, { needs: ['power', 'disk'] }),
  treatment('another.cable', 'Try another cable', 5, { needs: ['part'] }),
  // It takes nothing away from the drive’s own host: `drive.elsewhere` is what is asked.
  treatment('another.host', 'Try the drive on another host', 12, { needs: ['second-drive'], ask: false }),
]

/** Parts that people have at hand to swap, with minutes of hands; any other part can be said to have been swapped. */
const AT_HAND: Readonly<Record<string, number>> = {
  'interface-cable': 5,
  supply: 6,
  disk: 1,
  'motor-board': 30,
  'spindle-motor': 45,
  processor: 12,
  memory: 12,
  'program-memory': 12,
  'port-chip': 12,
  'bus-driver': 20,
  'bus-receiver': 20,
  'servo-board': 25,
  'eject-motor': 25,
}
const SWAPPED = { cures: 0.03, better: 0.02, same: 0.94, worse: 0.01 }

/** Swapping a part with a known-good one. */
export const swapOf = (part: Part): Check => ({
  id: `swap.${part.id}`,
  title: `Swap with a known-good one: ${part.label}`,
  answers: Object.keys(SWAPPED),
  words: { cures: 'it works now', better: 'it does more than before', same: 'no change', worse: 'worse' },
  kind: 'swap',
  minutes: AT_HAND[part.id] ?? 60,
  needs: ['part'],
  source: 'hand',
  base: SWAPPED,
  changes: true,
  opens: { kind: 'swap', id: part.id },
  ...(part.id in AT_HAND ? {} : { ask: false as const }),
})

/** How often a fault of a part shows in a value that is compared with that of an identical drive (from memory). */
export const TOLD_BY_COMPARING = 0.6

/** A part compared with that of an identical drive that works: its test points, its levels, its looks. */
export const compareOf = (part: Part): Check => ({
  id: `compare.${part.id}`,
  title: `Compare with an identical drive: ${part.label}`,
  answers: ['same', 'differs'],
  kind: 'reading',
  minutes: 5,
  needs: ['second-drive', 'open'],
  source: 'meter',
  // Sound drives of one model differ now and then: revisions, tolerances, another moment.
  base: { same: 0.93, differs: 0.07 },
  compares: part.id,
  ask: false,
})

/** Parts that stay where they are when the drive is taken to another host. */
export const OUTSIDE: Readonly<Record<string, number>> = {
  host: 1,
  'interface-cable': 0.9,
  supply: 0.9,
  'power-cable': 0.9,
  terminator: 0.5,
  straps: 0.35,
  'change-line': 0.6,
  disk: 0.3,
  writer: 0.3,
}

/** The drive on another host, and another drive on this host: each swaps all parts of one side. */
export const ELSEWHERE: readonly Check[] = [
  {
    id: 'drive.elsewhere',
    title: 'Try this drive on another host',
    answers: ['works', 'same'],
    kind: 'swap',
    minutes: 12,
    needs: ['second-drive'],
    source: 'host',
    base: { works: 0.04, same: 0.96 },
  },
  {
    id: 'host.other-drive',
    title: 'Try another drive on this host, with the same cable',
    answers: ['works', 'same'],
    kind: 'swap',
    minutes: 8,
    needs: ['second-drive'],
    source: 'host',
    base: { works: 0.04, same: 0.96 },
    when: { any: [SELECTED, on('5.25in-serial', 'cartridge')] },
  },
]
