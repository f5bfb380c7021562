import { MATERIALS, type Material, type Soil } from '../../drives'

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

const EVERYTHING = Object.keys(MATERIALS) as Material[]
const EVERYWHERE_BUT_HEADS = EVERYTHING.filter(m => m !== 'head')
/** Where acid may go, for a few minutes. */
const ACID_PLACES: readonly Material[] = ['board', 'brass', 'steel', 'plastic-rail', 'paint']

/** What is done about each soil (common practice). */
export const TREATMENTS: readonly Treatment[] = [
  {
    soil: 'dust',
    order: 10,
    title: 'Take the dust off dry',
    agents: ['brush', 'dry-swab'],
    on: EVERYWHERE_BUT_HEADS,
    how: 'Before anything wet: dust made wet is paste. Away from the heads.',
  },
  {
    soil: 'dust',
    order: 61,
    title: 'Clean the heads',
    agents: ['alcohol'],
    on: ['head'],
    how: 'A lint-free swab, damp and not wet, both heads, along the track, until a swab stays clean. Let it dry.',
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
    on: ACID_PLACES,
    how: 'A drop on a swab on flat places, a toothbrush where leads stick through; it fizzes while it works. Five minutes at most.',
  },
  {
    soil: 'crust',
    order: 22,
    title: 'Wipe the crust off',
    agents: ['alcohol', 'dry-swab'],
    on: ['window', 'head', 'rubber', 'acrylic', 'polystyrene', 'polycarbonate', 'label', 'felt', 'foam'],
    how: 'No acid here: wipe, turn the swab, wipe again.',
  },
  {
    soil: 'crust',
    order: 25,
    title: 'Rinse acid and salts off',
    agents: ['deionised-water'],
    on: ACID_PLACES,
    how: 'Twice, with a fresh swab or brush: alcohol alone dissolves the salts poorly.',
  },
  {
    soil: 'crust',
    order: 30,
    title: 'Drive the water out',
    agents: ['alcohol', 'dry-swab'],
    on: ACID_PLACES,
    how: 'At once after the rinse; then let it dry before any power.',
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
    on: EVERYTHING.filter(m => m !== 'steel' && m !== 'brass'),
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
    order: 44,
    title: 'Wipe the dirty grease off',
    agents: ['alcohol', 'dry-swab'],
    how: 'First what can be reached: oil on dirty grease only carries the dirt into the bearing.',
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
    title: 'Wipe off what came loose',
    agents: ['alcohol', 'dry-swab'],
    on: ['steel', 'brass'],
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
    how: 'Along the track, never across; a fresh swab each time.',
  },
]
