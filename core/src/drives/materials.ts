/** What the place to be cleaned is made of, or has close by. */
export const MATERIALS = {
  steel: 'Bare steel',
  brass: 'Brass or copper',
  'plastic-rail': 'Plastic guide rail or slide',
  rubber: 'Rubber belt or roller nearby',
  window: 'Optical window or sensor',
  head: 'Magnetic head',
  paint: 'Painted case',
  board: 'Circuit board',
  acrylic: 'Clear acrylic plastic',
  polystyrene: 'Polystyrene case or cover',
  polycarbonate: 'Clear polycarbonate under stress',
  label: 'Printed label',
  felt: 'Felt pressure pad',
  foam: 'Foam',
} as const
export type Material = keyof typeof MATERIALS

/** What has to come off. */
export const SOILS = {
  dust: 'Dust',
  mould: 'Mould',
  crust: 'Alkaline crust from leakage',
  goo: 'Sticky belt residue',
  'set-grease': 'Hardened grease, like varnish',
  flux: 'Solder flux',
  rust: 'Rust',
  oxide: 'Brown oxide from disks',
} as const
export type Soil = keyof typeof SOILS

export const isMaterial = (s: string): s is Material => s in MATERIALS
export const isSoil = (s: string): s is Soil => s in SOILS
