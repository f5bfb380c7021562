import type { SourceId } from '../base/observations'
import type { AdjusterId, Zone } from '../drives'
import type { Cable, DriveProfile, HostProfile } from '../drives/hosts'
import type { AsFoundItem } from './as-found-item'
import type { Outcome } from './outcome'

/** What a speed measurement keeps beside its observations, so that the trimmer can be learned later. */
export interface SpeedEntryData {
  readonly type: 'speed'
  readonly rpm: number
  readonly uncertainty: number | null
  /** Turns of the trimmer since the reading before; positive is to the right. */
  readonly movedTurns: number
  /** The recording that it was computed from. */
  readonly captureSha: string
  readonly captureName: string
  readonly channel: string
  readonly pulsesPerTurn: number
  /** Whether a person said how many pulses a turn has; otherwise it was found. */
  readonly pulsesGiven: boolean
  readonly evenMarks: boolean
  /** How the recording was read, so that it can be read the same way again. */
  readonly read: {
    readonly sampleRateHz?: number
    readonly timeUnit?: 's' | 'ms' | 'us' | 'ns'
    readonly polarity?: 'auto' | 'positive' | 'negative'
  }
  readonly nominalRpm: number
}

/** A value that a person read off something and typed: a speed, a voltage, a level, a count of sectors. */
export interface ReadingEntryData {
  readonly type: 'reading'
  /** Its key in the vocabulary of readings, such as `speed.mean`. */
  readonly key: string
  readonly value: number | string
  readonly unit: string
  /** Half-width of the 95 % interval, in `unit`; null where none can be given. */
  readonly uncertainty: number | null
  /** Sectors that were counted, where the value is a share of them. */
  readonly count: CountedSectors | null
  /** Turns of the trimmer since the speed before it; 0 for anything else. */
  readonly movedTurns: number
}

/** A sum and what was typed into it, so that it can be worked out again. */
export interface SumEntryData {
  readonly type: 'sum'
  readonly instrument: string
  readonly values: Readonly<Record<string, string>>
  /** Finding that its call amounts to; left out where it answers no question. */
  readonly finding?: string
}

/** A host fit with the profiles as they were then, so that it can be worked out again. */
export interface HostFitEntryData {
  readonly type: 'host-fit'
  readonly host: HostProfile
  readonly drive: DriveProfile
  readonly cable: Cable
}

/** How one track read: one bar of the rail. */
export interface SurfaceBar {
  readonly cylinder: number
  readonly head: 0 | 1
  /** Timing margin, share of the half window; null where nothing was read. */
  readonly margin: number | null
  readonly good: number
  readonly bad: number
  readonly missing: number
  /** Sectors whose header names another cylinder. */
  readonly wrongCylinder: number
}

/** What a surface says beside its tracks. */
export interface SurfaceFacts {
  /** Cylinders that headers name more than the count of steps, where it is the same everywhere. */
  readonly homeOff: number
  /** Bit rate off nominal, a share; null where it is not known. */
  readonly rateOff: number | null
  /** How the margins of the lower and the upper head swing once a revolution, share of the half window. */
  readonly swings: readonly [SurfaceSwing | null, SurfaceSwing | null]
}

/** Zero to peak with its standard error, both as shares of the half window. */
export interface SurfaceSwing {
  readonly size: number
  readonly sd: number
}

/** A reading that a recording shows, by its key. */
export interface ShownReading {
  readonly key: string
  readonly value: number | string
  readonly unit: string
}

/** A surface as it read, and from what, so that it can be read again. */
export interface ReadTestEntryData {
  readonly type: 'read-test'
  readonly bars: readonly SurfaceBar[]
  readonly surface: SurfaceFacts
  /** What the interface lines show beside the surface, as readings; left out where they were not recorded. */
  readonly shows?: readonly ShownReading[]
  readonly captureSha: string | null
  readonly captureName: string | null
  /** How the recording was read. */
  readonly read: {
    readonly mapping: Readonly<Record<string, string>>
    readonly inverted: boolean
    readonly code: string
    readonly trusted: boolean
  } | null
  /** The stand-in that it came from. */
  readonly simulated: { readonly mechanism: string; readonly story: string } | null
  /** The reference disk that was read, where it is one of the shelf's. */
  readonly disk?: string | null
}

/** Sectors of one head at one position of an adjuster. */
export interface SweepCount {
  readonly good: number
  readonly expected: number
  /** Timing margin, share of half the window, where it was read from a recording. */
  readonly margin?: number
  /** Cylinders towards the hub that the headers stand from where they should; left out for its own. */
  readonly named?: number
}

/** What both heads read in one zone. */
export interface ZoneRead {
  readonly zone: Zone
  readonly lower: SweepCount
  readonly upper: SweepCount | null
}

/** A sweep of an adjuster with every try, struck out or not, so that it can be worked out again. */
export interface SweepEntryData {
  readonly type: 'sweep'
  readonly adjuster: AdjusterId
  readonly scale: string
  readonly travel: readonly [number, number]
  readonly stood: number | null
  /** Where an old mark in glue or paint shows that it once stood. */
  readonly witness?: number | null
  /** The head that judges it, where not every head does that the adjuster moves. */
  readonly by?: 'lower' | 'upper' | null
  readonly umPerUnit: number | null
  readonly rows: readonly {
    readonly position: number
    readonly side: 'below' | 'above'
    readonly lower: SweepCount
    readonly upper: SweepCount | null
    readonly struck: boolean
    /** Where its counts come from; the source of the whole entry where nothing is said. */
    readonly source?: SourceId
  }[]
  /** Where it was set; null where it was not. */
  readonly setTo: number | null
  /** What was read after tightening; null where that is still to do. */
  readonly recheck: { readonly position: number | null; readonly zones: readonly ZoneRead[] } | null
  /** The reference disk that it was swept with. */
  readonly disk: string | null
}

/** A test whose sectors were counted by a person or a host: formatting, patterns, interchange. */
export interface ProofEntryData {
  readonly type: 'proof'
  readonly test: string
  readonly sectors: number
  readonly errors: number
  /** Drive that read it, where it was another one. */
  readonly reader: string | null
}

export interface CountedSectors {
  readonly good: number
  readonly sectors: number
}

/** What a host said of writing a disk; null where it was not tried. By head: lower, upper. */
export interface WriteTestResult {
  readonly blocked: boolean | null
  readonly allowed: boolean | null
  readonly format: readonly [CountedSectors | null, CountedSectors | null]
  readonly tracks: number | null
  readonly formatS: number | null
  readonly first: CountedSectors | null
  readonly last: CountedSectors | null
  readonly pattern: readonly [CountedSectors | null, CountedSectors | null]
  readonly overwrite: readonly [CountedSectors | null, CountedSectors | null]
  readonly homeAfter: boolean | null
}

export interface WriteTestEntryData {
  readonly type: 'write-test'
  readonly result: WriteTestResult
}

/** Sectors of one head in one zone. */
export interface CountedPlace extends CountedSectors {
  readonly head: 0 | 1
  readonly zone: Zone
}

/** A disk of the shelf read in this drive, its sectors counted by a person. */
export interface CrossReadEntryData {
  readonly type: 'cross-read'
  readonly disk: string
  readonly places: readonly CountedPlace[]
}

export interface StepEntryData {
  readonly type: 'step'
  readonly step: string
}

/** A part that a drive which was given up still has. */
export interface PartLeft {
  readonly id: string
  readonly label: string
  /** Good by a test or a look; or only thought to be, as nobody looked. */
  readonly state: PartKnown
  /** What says so. */
  readonly says: string
  /** Its measures, where they are known. */
  readonly measures?: Readonly<Record<string, number | string>>
}

export interface ReleaseEntryData {
  readonly type: 'release'
  readonly outcome: Outcome
  /** What is still good in it, where it was given up for parts. */
  readonly parts?: readonly PartLeft[]
}

/** The finding that a new part amounts to, where the vocabulary has one. */
interface FoundByFitting {
  readonly finding?: string
  readonly place?: string | null
}

/** A part of a donor that went into this drive. */
export interface PartUsedEntryData extends FoundByFitting {
  readonly type: 'part-used'
  /** Id of the donor's release, and of the part in it. */
  readonly release: string
  readonly part: string
  /** Tag of the donor. */
  readonly from: string
}

/** How it is known what a part is like, the surest first. */
export const PART_KNOWN = ['tested', 'looked at', 'not known'] as const
export type PartKnown = (typeof PART_KNOWN)[number]

/** What a person can say of a part. */
export const PART_SAID = ['good', 'bad', 'missing', 'not known'] as const

/** What a person says of one part of this drive. */
export interface PartEntryData {
  readonly type: 'part'
  readonly part: string
  readonly condition: (typeof PART_SAID)[number]
  readonly known: PartKnown
  /** What was measured of it, by the measures of its shape. */
  readonly measures: Readonly<Record<string, number | string>>
}

/** Where a part came from that was fitted: the shelf, or a drive that is not stripped for parts. */
export type PartOrigin =
  | { readonly kind: 'spare'; readonly id: string; readonly name: string }
  | { readonly kind: 'drive'; readonly id: string; readonly tag: string }

/** A part that went into this drive, by its place in it. */
export interface PartFittedEntryData extends FoundByFitting {
  readonly type: 'part-fitted'
  readonly part: string
  readonly from: PartOrigin
  readonly known: PartKnown
  readonly measures: Readonly<Record<string, number | string>>
}

/** A part of this drive that is in another one: a debt, until it is back or replaced. */
export interface PartLentEntryData {
  readonly type: 'part-lent'
  readonly part: string
  readonly to: DriveRef
  /** Id of the entry on the other drive that says so. */
  readonly fitted: string
}

export interface PartBackEntryData {
  readonly type: 'part-back'
  /** Id of the entry that lent it. */
  readonly lent: string
  readonly part: string
  readonly how: 'returned' | 'replaced'
}

/** A drive by its id and its tag. */
export interface DriveRef {
  readonly id: string
  readonly tag: string
}

/** This drive came out of its machine as a whole, and another one went in. */
export interface ReplacedEntryData {
  readonly type: 'replaced'
  readonly by: DriveRef
  /** Ids of its as-found entries that belong to the machine, and went on to the other drive. */
  readonly passedOn: readonly string[]
}

/** This drive went into a machine in the place of another one. */
export interface ReplacesEntryData {
  readonly type: 'replaces'
  readonly drive: DriveRef
  /** Ids of the complaints that were open then: they are the machine's, and to be tried with this drive. */
  readonly complaints: readonly string[]
}

/** What has to rest while something cures, dries or soaks. */
export const RESTS = ['power', 'carriage', 'heads', 'disk'] as const
export type Rests = (typeof RESTS)[number]

export interface WaitEntryData {
  readonly type: 'wait'
  /** It begins with its entry. */
  readonly minutes: number
  /** Id of the step that must not be done before it is over, or null. */
  readonly holds: string | null
  /** What has to rest meanwhile, where a procedure says it; left out where the words of the wait tell it. */
  readonly rests?: readonly Rests[]
}

export interface WaitEndedData {
  readonly type: 'wait-ended'
  /** Id of the wait's entry. */
  readonly wait: string
}

export interface PhotoEntryData {
  readonly type: 'photo'
  /** SHA-256 of the original; null once it was erased. */
  readonly sha: string | null
  readonly width: number
  readonly height: number
  /** Entry of the finding that it shows; left out where it shows none in particular. */
  readonly of?: string
}

export interface FindingEntryData {
  readonly type: 'finding'
  readonly finding: string
  /** Where on the drive; null for the drive as a whole. */
  readonly place: string | null
}

export interface AsFoundEntryData {
  readonly type: 'as-found'
  readonly item: AsFoundItem
  /** Tag of the drive on which it was noted, where another one has its place in the machine now. */
  readonly notedOn?: string
}

/** What became of an as-found thing when it was undone. */
export type Breakage = 'cut' | 'snapped' | 'unsoldered'

export interface UndoneEntryData {
  readonly type: 'undone'
  /** Id of the thing's as-found entry. */
  readonly item: string
  readonly broke: Breakage | null
}

export interface PutBackEntryData {
  readonly type: 'put-back'
  readonly item: string
  /** Left off for good: why, in the entry's detail. */
  readonly leftOff: boolean
}

export interface OverrideEntryData {
  readonly type: 'override'
  readonly gate: string
  /** Ids of the conditions that were missing when it was passed. */
  readonly missing: readonly string[]
}

export interface AcknowledgedEntryData {
  readonly type: 'acknowledged'
  readonly caution: string
}

export interface ErasedEntryData {
  readonly type: 'erased'
  readonly what: 'words' | 'photo'
  /** Ids of the entries that it was erased from. */
  readonly entries: readonly string[]
}

export type EntryData =
  | SpeedEntryData
  | ReadingEntryData
  | SumEntryData
  | HostFitEntryData
  | ReadTestEntryData
  | SweepEntryData
  | ProofEntryData
  | CrossReadEntryData
  | WriteTestEntryData
  | PartUsedEntryData
  | PartEntryData
  | PartFittedEntryData
  | PartLentEntryData
  | PartBackEntryData
  | ReplacedEntryData
  | ReplacesEntryData
  | StepEntryData
  | ReleaseEntryData
  | WaitEntryData
  | WaitEndedData
  | PhotoEntryData
  | FindingEntryData
  | AsFoundEntryData
  | UndoneEntryData
  | PutBackEntryData
  | OverrideEntryData
  | AcknowledgedEntryData
  | ErasedEntryData

/** All that entries can hold; one that is missing here does not compile. */
const TYPES: Readonly<Record<EntryData['type'], true>> = {
  acknowledged: true,
  'as-found': true,
  'cross-read': true,
  erased: true,
  finding: true,
  'host-fit': true,
  override: true,
  part: true,
  'part-back': true,
  'part-fitted': true,
  'part-lent': true,
  'part-used': true,
  photo: true,
  proof: true,
  'put-back': true,
  'read-test': true,
  reading: true,
  release: true,
  replaced: true,
  replaces: true,
  speed: true,
  step: true,
  sum: true,
  sweep: true,
  undone: true,
  wait: true,
  'wait-ended': true,
  'write-test': true,
}
export const ENTRY_DATA_TYPES = Object.keys(TYPES) as readonly EntryData['type'][]
