import type { HostProfile } from '@wobrin/core/host-fit'
import { HOSTS } from '@wobrin/core/host-fit'

/** Belts in the drawers of the invented workshop. */
export const DEMO_BELTS = [
  { name: 'Drawer 2, bag 3', insideMm: 249, sectionMm: 1.2, material: 'square', origin: 'assortment' },
  { name: 'Drawer 2, bag 7', insideMm: 166, sectionMm: 1, material: 'square', origin: 'lighthouse spares' },
  { name: 'Drawer 2, bag 8', insideMm: 159, sectionMm: 1, material: 'square', origin: 'lighthouse spares' },
  { name: 'Drawer 3, flat', insideMm: 410, sectionMm: 0.6, material: 'flat', origin: 'from SK-01' },
  { name: 'Cord, welded', insideMm: 248, sectionMm: 2, material: 'polyurethane', origin: 'made here' },
] as const

/** A host as this workshop knows it: described from its own plug. */
export const DEMO_PROFILES: readonly HostProfile[] = [
  { ...HOSTS[3]!, name: 'Harbour office logger', note: 'Found with a probe at its plug. Never switches the density.', needs: HOSTS[3]!.needs.filter(n => n.id !== 'density') },
]
