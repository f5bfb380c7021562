import type { Material, Soil } from '../../drives'

/** One way to take a soil off. The first agent that is allowed and at hand is used. */
export interface Treatment {
  readonly soil: Soil
  /** Order of the work: dry first, then acid, then solvents, heads last. */
  readonly order: number
  readonly title: string
  /** Agents, the best first. */
  readonly agents: readonly string[]
  /** Where; on every material at hand where left out. */
  readonly on?: readonly Material[]
  readonly how: string
}

/** What is done about each soil (common practice). */
export const TREATMENTS: readonly Treatment[] = [
  {
    soil: 'dust',
    order: 10,
    title: 'Take the dust off dry',
    agents: ['brush', 'dry-swab'],
    how: 'Before anything wet: dust made wet is paste. Away from the heads.',
  },
  {
    soil: 'mould',
    order: 15,
    title: 'Brush the mould off',
    agents: ['brush', 'dry-swab'],
    how: 'Outdoors or by an open window, with a mask.',
  },
  {
    soil: 'crust',
    order: 20,
    title: 'Neutralise the crust',
    agents: ['vinegar'],
    on: ['board', 'brass', 'steel', 'plastic-rail', 'paint'],
    how: 'A drop on a swab on flat places, a toothbrush where leads stick through; it fizzes while it works. Five minutes, no more.',
  },
  {
    soil: 'crust',
    order: 22,
    title: 'Wipe the crust off',
    agents: ['alcohol', 'dry-swab'],
    on: ['window', 'head', 'rubber'],
    how: 'No acid here: wipe, turn the swab, wipe again.',
  },
  {
    soil: 'crust',
    order: 30,
    title: 'Clear the acid',
    agents: ['alcohol', 'water'],
    on: ['board', 'brass', 'steel', 'plastic-rail', 'paint'],
    how: 'Twice, with a fresh swab, so that no acid stays.',
  },
  {
    soil: 'rust',
    order: 35,
    title: 'Rub the rust off',
    agents: ['fibre-pencil', 'dry-swab'],
    on: ['steel', 'brass'],
    how: 'Along the travel; catch the dust in a cloth, none of it near heads or window.',
  },
  {
    soil: 'rust',
    order: 36,
    title: 'Wipe rust stains off',
    agents: ['dry-swab'],
    on: ['plastic-rail', 'rubber', 'window', 'head', 'paint', 'board'],
    how: 'They came from steel nearby: look for it.',
  },
  {
    soil: 'goo',
    order: 40,
    title: 'Lift the decayed rubber off',
    agents: ['alcohol', 'spirit', 'dry-swab'],
    how: 'Wooden stick first, then swab after swab until one stays clean. Motor pulley, flywheel and every idler.',
  },
  {
    soil: 'set-grease',
    order: 45,
    title: 'Soften the hardened grease',
    agents: ['penetrating', 'light-oil', 'alcohol', 'dry-swab'],
    on: ['steel', 'brass'],
    how: 'One drop on shaft and screw; let it soak, then by hand through the whole travel.',
  },
  {
    soil: 'set-grease',
    order: 46,
    title: 'Wipe the old grease off',
    agents: ['alcohol', 'dry-swab'],
    how: 'Until the swab stays clean; nothing old stays under the new.',
  },
  {
    soil: 'flux',
    order: 50,
    title: 'Dissolve the flux',
    agents: ['alcohol', 'dry-swab'],
    how: 'A brush dipped in it, then blot; flux left thin creeps further.',
  },
  {
    soil: 'mould',
    order: 55,
    title: 'Wipe what the mould left',
    agents: ['alcohol', 'water', 'dry-swab'],
    how: 'Let it stand a minute before wiping, so that it does not come back.',
  },
  {
    soil: 'oxide',
    order: 60,
    title: 'Take the brown oxide off',
    agents: ['alcohol', 'dry-swab'],
    on: ['head', 'plastic-rail', 'steel', 'brass', 'window', 'rubber', 'paint', 'board'],
    how: 'Along the track, never across; a fresh swab each time.',
  },
]
