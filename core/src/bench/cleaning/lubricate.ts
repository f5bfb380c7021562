import type { Material } from '../../drives'

export const LUBRICANT_SCHOOLS = {
  'light-oil': 'A single drop of light oil, renewed often; dust does not cake in it.',
  'thin-grease': 'A thin grease on the screw; it stays where it is put.',
} as const
export type LubricantSchool = keyof typeof LUBRICANT_SCHOOLS

export interface Lubrication {
  readonly on: Material
  /** Agents, the best first; empty where it stays dry. */
  readonly agents: readonly string[]
  readonly how: string
}

/** What each school puts where. Material decides over school. */
export function lubrication(school: LubricantSchool, on: Material): Lubrication | null {
  const metal = on === 'steel' || on === 'brass'
  if (metal && school === 'light-oil')
    return {
      on,
      agents: ['light-oil', 'silicone', 'lithium'],
      how: 'One drop, run through the whole travel, then wipe off what stands out. Renew it every year or so.',
    }
  if (metal)
    return {
      on,
      agents: ['lithium', 'silicone', 'light-oil'],
      how: 'A film as thin as breath on the screw; none on the guide rails beyond what a fingertip leaves.',
    }
  if (on === 'plastic-rail') {
    return school === 'light-oil'
      ? {
          on,
          agents: ['silicone'],
          how: 'Plastics stay dry in this method where they run well; where they squeak, a trace of silicone grease in place of oil.',
        }
      : { on, agents: ['silicone'], how: 'A trace of silicone grease, wiped until it hardly shows. No lithium here.' }
  }
  return null
}
