import type { Material } from '../../drives'

/** What stands on the shelf for cleaning and lubricating. */
export interface Agent {
  readonly id: string
  readonly label: string
  readonly kind: 'dry' | 'acid' | 'solvent' | 'water' | 'oil' | 'grease'
  /** Minutes until it is dry; 0 where nothing is wet. */
  readonly dryMinutes: number
  /** Materials it must never touch, and why. */
  readonly never: Partial<Record<Material, string>>
  /** Materials it may touch with care, and which. */
  readonly care: Partial<Record<Material, string>>
  /** Always at hand in a workshop. */
  readonly always?: true
}

const beltOil = 'oil on rubber swells it and makes it slip'
const headOil = 'a film of oil lifts the head and fouls the disk'
const windowOil = 'a film of oil scatters the light'
const soaks = 'it soaks in and never comes out again'
const crazes = 'it crazes and clouds this plastic'
/** Oils and greases attack clear and brittle plastics, and stay in what is soft. */
const OILED = { acrylic: crazes, polystyrene: crazes, polycarbonate: crazes, label: soaks, felt: soaks, foam: soaks }
/** Solvents that no plastic and no print stands. */
const DISSOLVED = {
  acrylic: crazes,
  polystyrene: 'it dissolves polystyrene',
  polycarbonate: crazes,
  label: 'it takes the print off',
  felt: 'it loosens the glue of the pad',
  foam: 'it dissolves foam and its glue',
}

/** Cleaning and lubricating agents, with what they harm (common practice). */
export const AGENTS: readonly Agent[] = [
  {
    id: 'brush',
    label: 'Soft brush and hand blower',
    kind: 'dry',
    dryMinutes: 0,
    never: { head: 'bristles knock a head loose' },
    care: {},
    always: true,
  },
  {
    id: 'dry-swab',
    label: 'Dry lint-free swab',
    kind: 'dry',
    dryMinutes: 0,
    never: {},
    care: { head: 'the lightest touch' },
    always: true,
  },
  {
    id: 'fibre-pencil',
    label: 'Glass-fibre pencil',
    kind: 'dry',
    dryMinutes: 0,
    never: {
      head: 'it scores the gap',
      window: 'it scratches',
      'plastic-rail': 'it roughens the running face',
      rubber: 'it cuts',
      acrylic: 'it scratches',
      polystyrene: 'it scratches',
      polycarbonate: 'it scratches',
      label: 'it takes the print off',
      felt: 'its fibres stay in the felt',
      foam: 'its fibres stay in the foam',
    },
    care: {
      paint: 'it dulls paint',
      board: 'it takes solder mask with it',
      steel: 'on a running face only along the travel',
    },
  },
  {
    id: 'vinegar',
    label: 'White vinegar',
    kind: 'acid',
    dryMinutes: 5,
    never: {
      head: 'acid creeps into the gap and under the coil',
      window: 'it leaves a film',
      rubber: 'it hardens rubber',
      label: 'it takes the print off',
      felt: soaks,
      foam: soaks,
    },
    care: {
      steel: 'bare steel rusts under it: minutes only, then rinse and dry at once',
      brass: 'it reddens brass: minutes only',
      paint: 'it may dull paint',
    },
  },
  {
    id: 'alcohol',
    label: 'Isopropyl alcohol, 90 % or more',
    kind: 'solvent',
    dryMinutes: 10,
    never: {
      acrylic: crazes,
      polystyrene: 'it attacks polystyrene',
      polycarbonate: 'it cracks polycarbonate that is under stress',
      label: 'it takes the print off',
      felt: 'it loosens the glue of the pad and hardens the felt',
    },
    care: {
      window: 'never where it may be acrylic: a dry swab there',
      foam: 'a wipe beside it; old foam crumbles',
      paint: 'try it on a hidden place: some paints and prints come off',
      'plastic-rail': 'wipe, do not soak: some plastics craze',
      head: 'a damp swab and the lightest touch',
      rubber: 'a wipe is fine, a soak is not',
    },
  },
  {
    id: 'deionised-water',
    label: 'Deionised water',
    kind: 'water',
    // Alcohol follows at once and takes it along.
    dryMinutes: 5,
    never: {
      head: 'it rusts the gap',
      label: 'it swells the paper and lifts the print',
      felt: soaks,
      foam: soaks,
    },
    care: {
      steel: 'dry it at once: bare steel rusts',
      board: 'a damp brush, then alcohol to drive it out from under the parts',
      brass: 'dry it at once',
    },
  },
  {
    id: 'water',
    label: 'Water with a drop of soap',
    kind: 'water',
    dryMinutes: 240,
    never: {
      head: 'it leaves lime and rust in the gap',
      steel: 'bare steel rusts',
      window: 'it leaves streaks',
      board: 'it creeps under parts and stays',
      label: 'it swells the paper and lifts the print',
      felt: soaks,
      foam: soaks,
    },
    care: { brass: 'dry it at once', paint: 'damp, not wet' },
    always: true,
  },
  {
    id: 'spirit',
    label: 'Petroleum spirit',
    kind: 'solvent',
    dryMinutes: 20,
    never: {
      rubber: 'it swells rubber',
      'plastic-rail': 'it crazes plastics',
      paint: 'it takes paint off',
      head: 'it dissolves the glue of the head',
      window: 'it clouds plastic windows',
      board: 'it takes marks and lacquer off',
      ...DISSOLVED,
    },
    care: { steel: 'leaves it bare: oil it afterwards' },
  },
  {
    id: 'contact',
    label: 'Contact spray',
    kind: 'solvent',
    dryMinutes: 30,
    never: { head: headOil, window: windowOil, rubber: beltOil, ...DISSOLVED },
    care: { 'plastic-rail': 'only one marked safe on plastics', board: 'spray into the switch, not over the board' },
  },
  {
    id: 'penetrating',
    label: 'Penetrating oil',
    kind: 'oil',
    dryMinutes: 720,
    never: {
      rubber: beltOil,
      head: headOil,
      window: windowOil,
      'plastic-rail': 'its carrier crazes some plastics',
      board: 'it holds dust and creeps into contacts',
      ...OILED,
    },
    care: { paint: 'wipe it off at once' },
  },
  {
    id: 'light-oil',
    label: 'Light machine oil',
    kind: 'oil',
    dryMinutes: 0,
    never: {
      rubber: beltOil,
      head: headOil,
      window: windowOil,
      'plastic-rail': 'it is doubted on plastics: some swell or craze',
      board: 'it holds dust and creeps into contacts',
      ...OILED,
    },
    care: { paint: 'wipe it off at once' },
  },
  {
    id: 'silicone',
    label: 'Silicone grease',
    kind: 'grease',
    dryMinutes: 0,
    never: {
      rubber: 'a film on belt or pulley slips',
      head: 'silicone on a head never comes off again',
      window: windowOil,
      board: 'silicone near contacts insulates them',
      label: soaks,
      felt: soaks,
      foam: soaks,
    },
    care: {},
  },
  {
    id: 'lithium',
    label: 'Lithium grease',
    kind: 'grease',
    dryMinutes: 0,
    never: {
      rubber: beltOil,
      head: headOil,
      window: windowOil,
      'plastic-rail': 'lithium grease is doubted on plastics',
      board: 'grease holds dust on a board',
      ...OILED,
    },
    care: {},
  },
]

const byId = new Map(AGENTS.map(a => [a.id, a]))
export const findAgent = (id: string): Agent => byId.get(id)!
export const isAgentId = (id: string): boolean => byId.has(id)
