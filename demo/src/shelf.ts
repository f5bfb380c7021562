import { HOSTS, type HostProfile } from '@wobrin/core/drives/hosts'

/** Name of the invented workshop, as it stands on its certificates. */
export const DEMO_WORKSHOP = 'Skerrow harbour tide archive'

/** Belts in the drawers of the invented workshop. */
export const DEMO_BELTS = [
  { name: 'Drawer 2, bag 3', insideMm: 249, sectionMm: 1.2, material: 'square', origin: 'assortment' },
  { name: 'Drawer 2, bag 7', insideMm: 166, sectionMm: 1, material: 'square', origin: 'lighthouse spares' },
  { name: 'Drawer 2, bag 8', insideMm: 159, sectionMm: 1, material: 'square', origin: 'lighthouse spares' },
  { name: 'Drawer 3, flat', insideMm: 410, sectionMm: 0.6, material: 'flat', origin: 'from SK-01' },
  { name: 'Cord, welded', insideMm: 248, sectionMm: 2, material: 'polyurethane', origin: 'made here' },
] as const

/** Parts in the drawers, and one that is on its way. Makers and models are made up, as everywhere here. */
export const DEMO_SPARES = [
  {
    part: 'disk-in-switch',
    name: 'Bag of switches, 5 mm',
    pieces: 6,
    known: 'looked at',
    says: 'all click',
    place: 'drawer 4',
    measures: { contacts: 'normally open', height: 6.5, travel: 0.4, pitch: 5 },
  },
  {
    part: 'capacitor',
    name: '10 µF 35 V, new',
    pieces: 10,
    known: 'not known',
    says: 'new, this year',
    place: 'drawer 1',
    measures: { value: 10, volts: 35, height: 5.4, mounting: 'surface mount' },
  },
  { part: 'arm', name: 'Shutter arm, left', known: 'looked at', says: 'straight', place: 'box with the levers' },
  {
    part: 'screws',
    name: 'M2 × 4, pan',
    pieces: 40,
    place: 'drawer 1',
    measures: { thread: 'M2', length: 4, head: 'pan' },
  },
  {
    part: 'track-zero-sensor',
    name: 'Slot sensor from a mouse',
    known: 'tested',
    says: '0.4 mA with light, 0 without',
    place: 'drawer 4',
  },
  {
    part: 'processor',
    name: 'Processor, socketed',
    known: 'tested',
    says: 'ran in SK-24 for a day',
    place: 'chip tray',
  },
  { part: 'eject-motor', name: 'Eject motor, ordered', dueInDays: 6, measures: { volts: 5, speed: 6000, shaft: 1.5 } },
] as const

/** A host as this workshop knows it: described from its own plug. */
export const DEMO_PROFILES: readonly HostProfile[] = [
  {
    ...HOSTS[3]!,
    name: 'Harbour office logger',
    note: 'Found with a probe at its plug. Never switches the density.',
    needs: HOSTS[3]!.needs.filter(n => n.id !== 'density'),
  },
]

/** A reference disk of the demo; drives and disks by their names. */
export interface DemoDisk {
  readonly name: string
  readonly mechanism: string
  readonly by?: string
  readonly writer?: string
  readonly writtenAt: string
  readonly proof: 'instrument' | 'factory' | 'disk' | 'none'
  readonly provedBy?: string
}

/**
 * Disks that the workshop judges by: one that goes back to an alignment disk, its copy, one as sold, and one that
 * nobody vouches for.
 */
export const DEMO_DISKS: readonly DemoDisk[] = [
  { name: 'Harbour A', mechanism: '3.5in', by: 'SK-15', writtenAt: '2026-03-14', proof: 'instrument' },
  {
    name: 'Tide tables, as sold',
    mechanism: '3.5in',
    writer: 'the hydrographic office',
    writtenAt: '1991-05-02',
    proof: 'factory',
  },
  {
    name: 'Harbour B',
    mechanism: '3.5in-eject',
    by: 'SK-10',
    writtenAt: '2026-06-20',
    proof: 'disk',
    provedBy: 'Harbour A',
  },
  { name: 'Office log, week 31', mechanism: '3.5in', by: 'SK-09', writtenAt: '2026-08-02', proof: 'none' },
  { name: 'Boathouse box, unmarked', mechanism: '3.5in', writtenAt: '1994-01-01', proof: 'none' },
  {
    name: 'Chart office master',
    mechanism: '5.25in-96',
    writer: 'the chart office',
    writtenAt: '1989-06-01',
    proof: 'factory',
  },
  {
    name: 'Lighthouse set, no. 4',
    mechanism: '5.25in-48',
    writer: 'the lighthouse’s own drive',
    writtenAt: '1988-11-30',
    proof: 'none',
  },
]

/**
 * Disks read in drives and counted by hand, nine sectors in each place: outer, middle, inner of the lower head, then
 * of the upper one.
 */
export const DEMO_READS: readonly {
  readonly drive: string
  readonly disk: string
  readonly good: readonly [number, number, number, number, number, number]
}[] = [
  { drive: 'SK-15', disk: 'Tide tables, as sold', good: [9, 9, 9, 9, 9, 9] },
  { drive: 'SK-18', disk: 'Tide tables, as sold', good: [9, 9, 9, 9, 9, 9] },
  { drive: 'SK-09', disk: 'Tide tables, as sold', good: [9, 9, 9, 4, 3, 4] },
  { drive: 'SK-09', disk: 'Harbour A', good: [9, 9, 9, 3, 4, 2] },
  { drive: 'SK-15', disk: 'Harbour A', good: [9, 9, 9, 9, 9, 9] },
  { drive: 'SK-09', disk: 'Office log, week 31', good: [9, 9, 9, 9, 9, 9] },
  { drive: 'SK-15', disk: 'Office log, week 31', good: [9, 9, 9, 4, 5, 3] },
  { drive: 'SK-18', disk: 'Boathouse box, unmarked', good: [8, 4, 1, 7, 5, 0] },
]
