import type { NewDrive } from './types'
import { SIMULATED_PULLEYS, type PickupOptions } from '@wobrin/core/simulation'
import { turningParts } from '@wobrin/core/drivetrain'
import type { Outcome, StationId } from '@wobrin/core/observations'

const rate = (part: string) => turningParts(SIMULATED_PULLEYS).find(p => p.name === part)!.cyclesPerTurn
const belt = (peakPercent: number) => ({ cyclesPerTurn: rate('belt'), peakPercent })
const motor = (peakPercent: number) => ({ cyclesPerTurn: rate('motor pulley'), peakPercent })
const hub = (peakPercent: number) => ({ cyclesPerTurn: 1, peakPercent })

export interface DemoReading {
  /** Turns of the trimmer before it; positive is to the right. */
  readonly moved: number
  readonly seconds: number
  readonly format?: 'vcd' | 'csv'
  readonly remark?: string
}

export interface DemoNote {
  readonly station: StationId
  readonly text: string
}

/** A drive of the invented workshop: what it is, how far it got, and the physics of its spindle. */
export interface DemoDrive {
  readonly drive: Partial<NewDrive> & Pick<NewDrive, 'tag' | 'mechanism'>
  readonly daysAgo: number
  /** Station that the hands are at; everything before it is finished. */
  readonly at: StationId
  readonly stepsDone?: number
  readonly notes?: readonly DemoNote[]
  readonly spindle?: Omit<PickupOptions, 'seed'>
  readonly readings?: readonly DemoReading[]
  /** Waits that run while the demo is looked at. */
  readonly waits?: readonly { readonly what: string, readonly minutes: number, readonly begunMinutesAgo: number }[]
  readonly outcome?: { readonly how: Outcome, readonly remark: string }
}

/** The tide-gauge archive's drives. Makers and models are invented. */
export const DEMO_DRIVES: readonly DemoDrive[] = [
  {
    drive: { tag: 'SK-01', mechanism: '5.25in-48', maker: 'Fennick', model: '40A', ownerWords: 'Dropped on the quay. Grinds.', paid: '0', worth: 'parts' },
    daysAgo: 64, at: 'open',
    notes: [{ station: 'look', text: 'Upper head torn off its arm\nSpindle and motor turn freely; lacquer intact everywhere.' }],
    outcome: { how: 'parts', remark: 'Motor, flywheel, belt and index sensor are good.' },
  },
  {
    drive: { tag: 'SK-02', mechanism: '8in', maker: 'Orlop', model: 'F8', serial: '0417', host: 'tide recorder no. 1', ownerWords: 'Stood in the boathouse since the recorder was replaced.', worth: '40', motor: 'ac' },
    daysAgo: 12, at: 'clean', stepsDone: 1,
    notes: [{ station: 'look', text: 'Belt gone to goo, no power until it is off' }, { station: 'clean', text: 'Lead screw set like varnish\nA drop of penetrating oil on it; work it by hand tomorrow.' }],
    waits: [{ what: 'Oil soaking in', minutes: 720, begunMinutesAgo: 505 }],
  },
  {
    drive: { tag: 'SK-03', mechanism: '5.25in-96', maker: 'Staithe', model: 'H96', serial: 'H96-2281', host: 'harbour office logger', ownerWords: 'Reads some disks, not those from the other office.', paid: '15', worth: '60', nominalRpm: 360, hasTrimmer: true },
    daysAgo: 40, at: 'release',
    notes: [{ station: 'look', text: 'Lacquer on the speed trimmer broken: someone moved it' }, { station: 'prove', text: 'Read reference disk R-3, both heads, all cylinders, in this and in the trusted drive' }],
    spindle: { rpm: 372.4, rpmPerTrimmerTurn: 41, wanderPercent: 0.02, ripples: [hub(0.06)] },
    readings: [{ moved: 0, seconds: 30 }, { moved: -1 / 8, seconds: 30 }, { moved: -3 / 16, seconds: 60, remark: 'Closed up, same disk' }],
    outcome: { how: 'released', remark: 'Trimmer sealed. Look again in two years.' },
  },
  {
    drive: { tag: 'SK-05', mechanism: '5.25in-48', maker: 'Fennick', model: '40B', serial: '11873', host: 'the harbour logger', ownerWords: 'Reads its own disks, nobody else’s.', paid: '10', worth: '45', motor: 'dc', hasTrimmer: true, pulleys: { ...SIMULATED_PULLEYS } },
    daysAgo: 3, at: 'speed', stepsDone: 2,
    notes: [{ station: 'drive-train', text: 'New belt seated, no slip by hand' }, { station: 'first-power', text: '12 V at 0.46 A, 5 V at 0.31 A\nBelow the plate. Homes, steps in and out freely.' }],
    spindle: { rpm: 317.4, rpmPerTrimmerTurn: 32.6, wanderPercent: 0.04, ripples: [belt(0.16), motor(0.03)], coldPercent: -0.2, warmUpS: 20 },
    readings: [{ moved: 0, seconds: 30 }, { moved: -1 / 8, seconds: 30 }, { moved: -1 / 8, seconds: 30 }],
  },
  {
    drive: { tag: 'SK-07', mechanism: '5.25in-serial', maker: 'Fennick', model: 'S1', host: 'the old log computer', ownerWords: 'Lamp stays on, nothing turns.', worth: '70' },
    daysAgo: 9, at: 'electronics', stepsDone: 1,
    notes: [{ station: 'electronics', text: 'Reset line sits low\nOne bus line too. Next: lift its driver.' }],
  },
  {
    drive: { tag: 'SK-09', mechanism: '3.5in', maker: 'Staithe', model: 'M80', host: 'spare', ownerWords: 'Will not read disks from SK-15.', worth: '20' },
    daysAgo: 15, at: 'align', stepsDone: 1,
    spindle: { rpm: 300.2, wanderPercent: 0.01, ripples: [hub(0.04)] },
    readings: [{ moved: 0, seconds: 30, format: 'csv' }],
  },
  {
    drive: { tag: 'SK-10', mechanism: '3.5in-eject', maker: 'Staithe', model: 'E80', host: 'reading-room computer', ownerWords: 'Whirrs, but the disk stays in.', worth: '35' },
    daysAgo: 20, at: 'drive-train', stepsDone: 2,
    notes: [{ station: 'drive-train', text: 'Two teeth off the second gear, both found\nReplacement gear is in the post.' }],
    waits: [{ what: 'Gear in the post', minutes: 7200, begunMinutesAgo: 2600 }],
  },
  {
    drive: { tag: 'SK-11', mechanism: '3in', maker: 'Quern', model: 'T3', host: 'lighthouse logger', ownerWords: 'Loses its place halfway through a disk.', paid: '25', worth: '80', hasTrimmer: true, pulleys: { ...SIMULATED_PULLEYS } },
    daysAgo: 6, at: 'speed', stepsDone: 2,
    notes: [{ station: 'open', text: 'Write-protect pin taken out and bagged before turning it over' }],
    spindle: { rpm: 300.9, rpmPerTrimmerTurn: 30, wanderPercent: 0.06, ripples: [belt(3.1), motor(0.04)] },
    readings: [{ moved: 0, seconds: 40 }],
  },
  {
    drive: { tag: 'SK-12', mechanism: 'quick-disk', maker: 'Quern', model: 'Q1', ownerWords: 'Reads the first files, then gives up.', worth: '50' },
    daysAgo: 5, at: 'speed', stepsDone: 0,
    spindle: { rpm: 432.4, rpmPerTrimmerTurn: 48, wanderPercent: 0.08, coldPercent: -3, warmUpS: 50, ripples: [hub(0.1)] },
    readings: [{ moved: 0, seconds: 12, remark: 'Straight after switching on' }],
  },
  {
    drive: { tag: 'SK-14', mechanism: 'cartridge', maker: 'Lodestar', model: 'C1', host: 'chart archive', ownerWords: 'Clicks. Three cartridges will not read any more.', worth: '0' },
    daysAgo: 30, at: 'look', stepsDone: 1,
    notes: [{ station: 'receive', text: 'Steady click once a second, heads retract and reload' }, { station: 'look', text: 'Upper head’s slider is chipped' }],
    outcome: { how: 'quarantined', remark: 'It tears disks; its last cartridge is bagged with it.' },
  },
  {
    drive: { tag: 'SK-15', mechanism: '3.5in', maker: 'Staithe', model: 'M80', serial: '90412', host: 'trusted drive of the bench', ownerWords: 'Ours. Writes the reference disks.', worth: 'keep' },
    daysAgo: 50, at: 'prove', stepsDone: 2,
    waits: [{ what: 'Running in', minutes: 240, begunMinutesAgo: 200 }],
    spindle: { rpm: 300.05, wanderPercent: 0.01, ripples: [hub(0.03)] },
    readings: [{ moved: 0, seconds: 60 }],
  },
  {
    drive: { tag: 'SK-16', mechanism: '8in', maker: 'Orlop', model: 'F8', host: 'tide recorder no. 2', ownerWords: 'Was in use until the office moved.', worth: '90', motor: 'dc', hasTrimmer: true },
    daysAgo: 8, at: 'speed', stepsDone: 3,
    spindle: { rpm: 363.2, rpmPerTrimmerTurn: 36, wanderPercent: 0.05, marksPerTurn: 32, hardSectored: true, ripples: [belt(0.3)] },
    readings: [{ moved: 0, seconds: 20, remark: 'Hard-sectored disk' }],
  },
  {
    drive: { tag: 'SK-17', mechanism: '5.25in-96', maker: 'Staithe', model: 'H96', ownerWords: 'New old stock, never fitted.', paid: '20', worth: '60' },
    daysAgo: 1, at: 'look', stepsDone: 0,
  },
]
