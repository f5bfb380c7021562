import { byMechanism } from '../../drives'

/** How often a drive of a class comes back to work, before anything was found. Rough; edit it on the drive. */
export const USUAL_CHANCE = byMechanism(m => m.chance)

/** What a finding leaves of the chance, and the hours it adds beyond the steps that it brings (from memory). */
export const FINDING_WEIGHS: Readonly<Record<string, { readonly chance: number; readonly hours: number }>> = {
  'belt.goo': { chance: 0.95, hours: 0.5 },
  'heads.torn': { chance: 0.25, hours: 3 },
  'heads.chipped': { chance: 0.15, hours: 3 },
  'heads.bent': { chance: 0.5, hours: 2 },
  'click.steady': { chance: 0.15, hours: 1 },
  'edges.torn': { chance: 0.3, hours: 0 },
  'band.creased': { chance: 0.4, hours: 3 },
  'flag.snapped': { chance: 0.75, hours: 2 },
  'gears.teeth': { chance: 0.85, hours: 1 },
  'travel.stuck': { chance: 0.85, hours: 1 },
  'spindle.stuck': { chance: 0.75, hours: 1 },
  'spindle.wobble': { chance: 0.5, hours: 2 },
  'caps.leaking': { chance: 0.85, hours: 0.5 },
  'corrosion.green': { chance: 0.85, hours: 0.5 },
  'chips.spot': { chance: 0.6, hours: 2 },
  'shorts.found': { chance: 0.7, hours: 1 },
  'smell.burnt': { chance: 0.7, hours: 1 },
  'missing.part': { chance: 0.85, hours: 1 },
  'pins.snapped': { chance: 0.95, hours: 0.5 },
  'lacquer.broken': { chance: 0.9, hours: 1 },
  'history.repaired': { chance: 0.85, hours: 0.5 },
}
