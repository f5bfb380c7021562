import type { NewDrive } from './types'
import { NO_FEATURES, turningParts, type Features } from '@wobrin/core/drives'
import { NO_ACCOUNT, type Account, type Outcome, type StationId } from '@wobrin/core/log'
import { DEMO_CASES } from './cases'
import { RECORD_SK05, RECORD_SK11, RECORD_SK19, type DemoRecord } from './records'
import { SIMULATED_PULLEYS, type PickupOptions } from '@wobrin/core/simulator'

const rate = (part: string) => turningParts(SIMULATED_PULLEYS).find(p => p.name === part)!.cyclesPerTurn
const belt = (peakPercent: number) => ({ cyclesPerTurn: rate('belt'), peakPercent })
const motor = (peakPercent: number) => ({ cyclesPerTurn: rate('motor pulley'), peakPercent })
const hub = (peakPercent: number) => ({ cyclesPerTurn: 1, peakPercent })

/** A reading of the spindle, after a move of the trimmer. */
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

/** What was found where it was not as one would wish; everything else is answered well. */
export type DemoFinding = readonly [station: StationId, finding: string, place?: string]

/** From complaint towards cause: complaints by their ids, then answers of checks. */
export interface DemoCase {
  readonly complaints: readonly string[]
  /** Safety gates whose looks were made and were all fine. */
  readonly gates: 0 | 1 | 2 | 3
  /** Answers as they are typed: a word, a number, or sectors of so many. */
  readonly answers: readonly (readonly [check: string, value: string | number, of?: number])[]
}

/** A drive of the invented workshop: what it is, how far it got, and the physics of its spindle. */
export interface DemoDrive {
  readonly drive: Partial<NewDrive> & Pick<NewDrive, 'tag' | 'mechanism'>
  readonly daysAgo: number
  /** Station that the hands are at; everything before it is finished. */
  readonly at: StationId
  readonly stepsDone?: number
  readonly found?: readonly DemoFinding[]
  readonly notes?: readonly DemoNote[]
  readonly record?: DemoRecord
  readonly spindle?: Omit<PickupOptions, 'seed'>
  /** State of the stand-in whose disk is read at Align, and which reference disk that is. */
  readonly surface?: string
  readonly disk?: string
  /** Adjuster that is swept by the advice, on the stand-in. */
  readonly sweep?: 'upper' | 'lower' | 'stepper'
  readonly readings?: readonly DemoReading[]
  /** What was typed into instruments that are sums. */
  readonly sums?: readonly { readonly instrument: string; readonly values: Readonly<Record<string, string>> }[]
  /** A case: what it does wrong, and what was answered on the way, in order. */
  readonly case?: DemoCase
  /** Complaints of a drive that is overhauled. */
  readonly complaints?: readonly string[]
  /** Profiles of its host and of itself, by name. */
  readonly fit?: { readonly host: string; readonly drive: string }
  /** Waits that run while the demo is looked at. */
  readonly waits?: readonly {
    readonly what: string
    readonly minutes: number
    readonly begunMinutesAgo: number
    readonly holds?: string
  }[]
  /**
   * Proved in full, then closed up and proved again: with which trusted disk. The last reading of the spindle is then
   * taken closed up.
   */
  readonly proof?: { readonly disk: string }
  readonly outcome?: { readonly how: Outcome; readonly remark: string }
}

const money = (part: Partial<Account>): Account => ({ ...NO_ACCOUNT, ...part })
const like = (part: Partial<Features>): Features => ({ ...NO_FEATURES, ...part })
const BELT = like({ spindle: 'belt' })
const DIRECT = like({ spindle: 'direct' })

/** The tide-gauge archive's drives. Makers and models are invented. */
export const DEMO_DRIVES: readonly DemoDrive[] = [
  {
    drive: {
      tag: 'SK-01',
      mechanism: '5.25in-48',
      maker: 'Fennick',
      model: '40A',
      ownerWords: 'Dropped on the quay. Grinds.',
      features: BELT,
      account: money({ paid: 0, working: 45, asParts: 12, hours: 1 }),
    },
    daysAgo: 64,
    at: 'open',
    found: [
      ['look', 'heads.torn'],
      ['look', 'rattle.loose'],
    ],
    notes: [{ station: 'look', text: 'Spindle and motor turn freely; seals intact everywhere' }],
    outcome: { how: 'parts', remark: 'Motor, flywheel, belt and index sensor are good.' },
  },
  {
    drive: {
      tag: 'SK-02',
      mechanism: '8in',
      maker: 'Orlop',
      model: 'F8',
      serial: '0417',
      host: 'tide recorder no. 1',
      ownerWords: 'Stood in the boathouse since the recorder was replaced.',
      features: BELT,
      account: money({ paid: 0, working: 40, asParts: 20, parts: 9, hours: 3, matters: true }),
      motor: 'ac',
    },
    daysAgo: 12,
    at: 'clean',
    stepsDone: 1,
    found: [
      ['receive', 'storage.damp'],
      ['look', 'belt.goo'],
      ['look', 'grease.set', 'lead screw'],
      ['look', 'corrosion.rust', 'rail or lead screw'],
      ['look', 'travel.tight'],
      ['open', 'belt.off'],
      ['clean', 'residue.black'],
    ],
    notes: [
      {
        station: 'clean',
        text: 'Lead screw held by hardened grease\nA drop of penetrating oil on it; work it by hand tomorrow.',
      },
    ],
    waits: [{ what: 'Oil soaking in', minutes: 720, begunMinutesAgo: 505, holds: 'clean.grease' }],
  },
  {
    drive: {
      tag: 'SK-03',
      mechanism: '5.25in-96',
      maker: 'Staithe',
      model: 'H96',
      serial: 'H96-2281',
      host: 'harbour office logger',
      ownerWords: 'Reads some disks, not those from the other office.',
      features: DIRECT,
      account: money({ paid: 15, working: 60, asParts: 10, hours: 4 }),
      nominalRpm: 360,
      hasTrimmer: true,
    },
    daysAgo: 40,
    at: 'release',
    found: [
      ['receive', 'history.opened'],
      ['look', 'lacquer.broken', 'speed trimmer'],
      ['look', 'screws.marred'],
      ['speed', 'lacquer.renewed', 'speed trimmer'],
    ],
    notes: [
      {
        station: 'prove',
        text: 'Read reference disk R-3, both heads, all cylinders, in this and in the verified drive',
      },
    ],
    fit: { host: 'Harbour office logger', drive: '5.25-inch, 96 tpi, two speeds' },
    spindle: { rpm: 372.4, rpmPerTrimmerTurn: 41, wanderPercent: 0.02, ripples: [hub(0.06)] },
    readings: [
      { moved: 0, seconds: 30 },
      { moved: -1 / 8, seconds: 30 },
      { moved: -3 / 16, seconds: 60, remark: 'Covers on, same disk' },
    ],
    proof: { disk: 'Chart office master' },
    outcome: { how: 'released', remark: 'Trimmer sealed. Look again in two years.' },
  },
  {
    drive: {
      tag: 'SK-05',
      mechanism: '5.25in-48',
      maker: 'Fennick',
      model: '40B',
      serial: '11873',
      host: 'the harbour logger',
      ownerWords: 'Reads its own disks, nobody else’s.',
      features: like({ spindle: 'belt', carriage: 'band', heads: 2 }),
      account: money({ paid: 10, working: 45, asParts: 12, parts: 4, hours: 5 }),
      motor: 'dc',
      hasTrimmer: true,
      pulleys: { ...SIMULATED_PULLEYS },
    },
    daysAgo: 3,
    at: 'speed',
    stepsDone: 2,
    found: [
      ['look', 'belt.slack'],
      ['look', 'lacquer.broken', 'upper head screws'],
      ['drive-train', 'belt.new'],
    ],
    record: RECORD_SK05,
    sums: [
      {
        instrument: 'belt',
        values: { motor: '9', flywheel: '62', centre: '2 3/4 in', section: '1.2', candidate: '249' },
      },
      { instrument: 'supply', values: { draw12: '0.5', has12: '1.5', draw5: '0.5', has5: '2', capacitors: 'new' } },
    ],
    notes: [
      {
        station: 'first-power',
        text: '12 V at 0.46 A, 5 V at 0.31 A\nBelow the plate. Homes, steps in and out freely.',
      },
    ],
    spindle: {
      rpm: 317.4,
      rpmPerTrimmerTurn: 32.6,
      wanderPercent: 0.04,
      ripples: [belt(0.16), motor(0.03)],
      coldPercent: -0.2,
      warmUpS: 20,
    },
    readings: [
      { moved: 0, seconds: 30 },
      { moved: -1 / 8, seconds: 30 },
      { moved: -1 / 8, seconds: 30 },
    ],
  },
  {
    drive: {
      tag: 'SK-07',
      mechanism: '5.25in-serial',
      maker: 'Fennick',
      model: 'S1',
      host: 'the old log computer',
      ownerWords: 'Lamp stays on, nothing turns.',
      features: BELT,
      account: money({ working: 70, asParts: 18, parts: 5, hours: 4 }),
    },
    daysAgo: 9,
    at: 'electronics',
    stepsDone: 1,
    found: [
      ['look', 'corrosion.black', 'connector'],
      ['look', 'caps-kind.old'],
    ],
    sums: [
      { instrument: 'belt', values: { motor: '8', flywheel: '76.2', centre: '74', section: '1.2' } },
      { instrument: 'processor', values: { supply: 'good', heat: 'good', reset: 'held' } },
      {
        instrument: 'board',
        values: Object.fromEntries(
          [
            ['C1', '10u', '16', '1.22u'],
            ['C2', '10u', '16', '2u'],
            ['C4', '47u', '6.3', '44u'],
            ['C5', '22u', '10', '14u'],
            ['C9', '100u', '16', '97u'],
          ].flatMap((row, i) => [
            ...['name', 'marked', 'volts', 'reading'].map((k, j) => [`caps.${i}.${k}`, row[j]!]),
            [`caps.${i}.where`, 'in'],
          ]),
        ),
      },
      { instrument: 'capacitor', values: { marked: '10u', reading: '1.22u', where: 'in', volts: '16' } },
    ],
    notes: [{ station: 'electronics', text: 'Reset line sits low\nOne bus line too. Next: lift its driver.' }],
  },
  {
    drive: {
      tag: 'SK-09',
      mechanism: '3.5in',
      maker: 'Staithe',
      model: 'M80',
      host: 'spare',
      ownerWords: 'Will not read disks from SK-15.',
      account: money({ working: 20, asParts: 5, hours: 3 }),
    },
    daysAgo: 15,
    at: 'align',
    stepsDone: 1,
    found: [
      ['look', 'lacquer.broken', 'upper head screws'],
      ['align', 'evidence.one'],
      ['align', 'seconddisk.same'],
    ],
    spindle: { rpm: 300.2, wanderPercent: 0.01, ripples: [hub(0.04)] },
    readings: [{ moved: 0, seconds: 30, format: 'csv' }],
    surface: 'upper-leans',
    disk: 'Harbour A',
    sweep: 'upper',
  },
  {
    drive: {
      tag: 'SK-10',
      mechanism: '3.5in-eject',
      maker: 'Staithe',
      model: 'E80',
      host: 'reading-room computer',
      ownerWords: 'Whirrs, but the disk stays in.',
      account: money({ working: 35, asParts: 8, parts: 6, hours: 3 }),
    },
    complaints: ['no-eject'],
    daysAgo: 20,
    at: 'drive-train',
    stepsDone: 2,
    found: [
      ['look', 'gears.teeth'],
      ['look', 'gears.tab'],
    ],
    notes: [
      { station: 'drive-train', text: 'Two teeth off the second gear, both found\nReplacement gear is in the post.' },
    ],
    waits: [{ what: 'Gear in the post', minutes: 7200, begunMinutesAgo: 2600, holds: 'drive-train.gears' }],
  },
  {
    drive: {
      tag: 'SK-11',
      mechanism: '3in',
      maker: 'Quern',
      model: 'T3',
      host: 'lighthouse logger',
      ownerWords: 'Loses its place halfway through a disk.',
      features: BELT,
      account: money({ paid: 25, working: 80, asParts: 15, parts: 4, hours: 5, hourRate: 8 }),
      hasTrimmer: true,
      pulleys: { ...SIMULATED_PULLEYS },
    },
    daysAgo: 6,
    at: 'speed',
    stepsDone: 2,
    found: [
      ['look', 'pin.there'],
      ['look', 'belt.gone'],
      ['look', 'grease.dirty', 'rails'],
      ['open', 'pin.bagged'],
      ['drive-train', 'belt.new'],
    ],
    record: RECORD_SK11,
    sums: [{ instrument: 'belt', values: { motor: '7', flywheel: '44', centre: '40', section: '1' } }],
    spindle: { rpm: 300.9, rpmPerTrimmerTurn: 30, wanderPercent: 0.06, ripples: [belt(3.1), motor(0.04)] },
    readings: [{ moved: 0, seconds: 40 }],
  },
  {
    drive: {
      tag: 'SK-12',
      mechanism: 'quick-disk',
      maker: 'Quern',
      model: 'Q1',
      ownerWords: 'Reads the first files, then gives up.',
      account: money({ working: 50, asParts: 10, parts: 3 }),
    },
    daysAgo: 5,
    at: 'speed',
    stepsDone: 0,
    spindle: {
      rpm: 432.4,
      rpmPerTrimmerTurn: 48,
      wanderPercent: 0.08,
      coldPercent: -3,
      warmUpS: 50,
      ripples: [hub(0.1)],
    },
    readings: [{ moved: 0, seconds: 12, remark: 'Straight after switching on' }],
  },
  {
    drive: {
      tag: 'SK-14',
      mechanism: 'cartridge',
      maker: 'Lodestar',
      model: 'C1',
      host: 'chart archive',
      ownerWords: 'Clicks. Three cartridges will not read any more.',
      account: money({ working: 30, asParts: 5 }),
    },
    daysAgo: 30,
    at: 'look',
    stepsDone: 1,
    found: [
      ['receive', 'click.steady'],
      ['receive', 'edges.torn'],
      ['look', 'heads.chipped'],
    ],
    notes: [{ station: 'receive', text: 'Steady click once a second, heads retract and reload' }],
    outcome: { how: 'quarantined', remark: 'It tears disks; its last cartridge is bagged with it.' },
  },
  {
    drive: {
      tag: 'SK-15',
      mechanism: '3.5in',
      maker: 'Staithe',
      model: 'M80',
      serial: '90412',
      host: 'verified drive of the bench',
      ownerWords: 'Ours. Writes the reference disks.',
      account: money({ working: 20, asParts: 5, matters: true }),
    },
    daysAgo: 50,
    at: 'prove',
    stepsDone: 2,
    waits: [{ what: 'Running in', minutes: 240, begunMinutesAgo: 200, holds: 'prove.cross' }],
    spindle: { rpm: 300.05, wanderPercent: 0.01, ripples: [hub(0.03)] },
    readings: [{ moved: 0, seconds: 60 }],
    surface: 'sound',
    disk: 'Harbour A',
    // What its reference disks rest on: it was measured with an alignment disk before it wrote them.
    sums: [
      {
        instrument: 'lobes',
        values: { first: '0.98', second: '1', outer: 'first', head: '0.115', eccentric: '0.05', limit: '0.015' },
      },
    ],
  },
  {
    drive: {
      tag: 'SK-16',
      mechanism: '8in',
      maker: 'Orlop',
      model: 'F8',
      host: 'tide recorder no. 2',
      ownerWords: 'Was in use until the office moved.',
      features: like({ spindle: 'belt', hardSectored: true }),
      account: money({ working: 90, asParts: 25, parts: 9, hours: 6 }),
      motor: 'dc',
      hasTrimmer: true,
    },
    daysAgo: 8,
    at: 'speed',
    stepsDone: 3,
    spindle: {
      rpm: 363.2,
      rpmPerTrimmerTurn: 36,
      wanderPercent: 0.05,
      marksPerTurn: 32,
      hardSectored: true,
      ripples: [belt(0.3)],
    },
    readings: [{ moved: 0, seconds: 20, remark: 'Hard-sectored disk' }],
  },
  {
    drive: {
      tag: 'SK-17',
      mechanism: '5.25in-96',
      maker: 'Staithe',
      model: 'H96',
      ownerWords: 'New old stock, never fitted.',
      features: DIRECT,
      account: money({ paid: 20, working: 60, asParts: 15, parts: 3, hourRate: 6 }),
    },
    daysAgo: 1,
    at: 'look',
    stepsDone: 4,
    found: [
      ['receive', 'history.unused'],
      ['look', 'smell.fish'],
      ['look', 'corrosion.green', 'board near the capacitors'],
      ['look', 'caps.leaking'],
      ['look', 'caps-kind.early-smd'],
    ],
  },
  {
    drive: {
      tag: 'SK-18',
      mechanism: '3.5in',
      maker: 'Staithe',
      model: 'M80',
      serial: '91177',
      host: 'tide table printer',
      ownerWords: 'Took the disk with the 1991 tide tables and keeps it.',
      account: money({ paid: 0, working: 25, asParts: 5 }),
    },
    daysAgo: 0.4,
    at: 'receive',
    stepsDone: 1,
    found: [['receive', 'disk.data']],
  },
  {
    drive: {
      tag: 'SK-19',
      mechanism: '5.25in-48',
      maker: 'Fennick',
      model: '40B',
      serial: '12040',
      host: 'weather-room machine, all in one case',
      ownerWords: 'Squeals, then says it cannot read.',
      features: like({ spindle: 'belt', carriage: 'band', heads: 1, loading: 'lever', pictureTube: true }),
      account: money({ paid: 30, working: 65, asParts: 25, parts: 4, hours: 2 }),
    },
    daysAgo: 2,
    at: 'open',
    stepsDone: 3,
    found: [
      ['receive', 'storage.lever'],
      ['look', 'belt.cracked'],
      ['look', 'pins.bent', 'strap block'],
      ['open', 'mains.apart'],
    ],
    record: RECORD_SK19,
  },
  ...DEMO_CASES,
]
