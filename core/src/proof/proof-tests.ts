/** The rungs of what may be claimed of a drive, each resting on those below it. */
export const RUNGS = {
  turns: {
    title: 'It turns and homes',
    shows: 'The spindle turns at its speed, and the carriage finds track zero.',
    hides: 'Says nothing of reading or writing.',
  },
  own: {
    title: 'It reads its own writing',
    shows: 'What it writes comes back to it.',
    hides:
      'Hides its speed and its alignment: a drive that is 5 % fast or half a track off reads its own writing without an error.',
  },
  trusted: {
    title: 'It reads a reference disk',
    shows: 'It agrees, in reading, with the drive that wrote the disk.',
    hides: 'Says nothing of what it writes, nor of disks that other drives wrote.',
  },
  others: {
    title: 'A verified drive reads its writing',
    shows: 'What it writes, another drive reads.',
    hides: 'Agreement with one drive is not the standard: both may be off the same way.',
  },
  standard: {
    title: 'Measured to the standard, whole surface',
    shows: 'Its heads stand where the standard has them, and every track of both heads keeps its margin.',
    hides: 'One disk, one temperature, one day.',
  },
} as const
export type RungId = keyof typeof RUNGS
export const RUNG_IDS = Object.keys(RUNGS) as readonly RungId[]

/** What an owner may need, and the rung that it takes. */
export const NEEDS = {
  spare: { label: 'A spare: that it is alive', rung: 'turns' },
  self: { label: 'One machine, its own disks', rung: 'own' },
  archive: { label: 'To read old disks of others', rung: 'trusted' },
  exchange: { label: 'To exchange disks with other drives', rung: 'others' },
  reference: { label: 'To write reference disks', rung: 'standard' },
} as const satisfies Record<string, { readonly label: string; readonly rung: RungId }>
export type NeedId = keyof typeof NEEDS

/** A disk that a test takes. */
export type ProofDisk = 'none' | 'sacrificial' | 'trusted' | 'alignment'

export interface ProofTest {
  readonly id: ProofTestId
  readonly rung: RungId
  readonly title: string
  readonly how: string
  readonly disk: ProofDisk
  /** Minutes of hands and of waiting together; rough, common practice. */
  readonly minutes: number
  /** Typed in as counts; the others are read from the log of instruments and findings. */
  readonly counted?: true
}

export const PROOF_TEST_IDS = [
  'speed',
  'home',
  'protect',
  'format',
  'pattern',
  'overwrite',
  'read-trusted',
  'interchange',
  'surface',
  'radial',
] as const
export type ProofTestId = (typeof PROOF_TEST_IDS)[number]

/** Tests in the order in which they are done: a disk that may be lost before one that may not. */
export const PROOF_TESTS: readonly ProofTest[] = [
  {
    id: 'speed',
    rung: 'turns',
    title: 'Speed',
    how: 'The Speed instrument, with a disk in.',
    disk: 'sacrificial',
    minutes: 5,
  },
  {
    id: 'home',
    rung: 'turns',
    title: 'Home',
    how: 'Home ten times from different cylinders, or read a surface: its headers must name what the step count says.',
    disk: 'sacrificial',
    minutes: 5,
  },
  {
    id: 'protect',
    rung: 'own',
    title: 'Write protect, both ways',
    how: 'It must block a protected disk and allow an open one.',
    disk: 'sacrificial',
    minutes: 5,
  },
  {
    id: 'format',
    rung: 'own',
    title: 'Format',
    how: 'Format the whole disk, both heads, first and last cylinder, and verify; track zero must be found afterwards.',
    disk: 'sacrificial',
    minutes: 6,
    counted: true,
  },
  {
    id: 'pattern',
    rung: 'own',
    title: 'Write a pattern, read it back',
    how: 'Pseudo-random bytes over the whole disk; count sectors that come back wrong.',
    disk: 'sacrificial',
    minutes: 8,
    counted: true,
  },
  {
    id: 'overwrite',
    rung: 'own',
    title: 'Write over it',
    how: 'Another pattern over the first: what shines through is counted as an error.',
    disk: 'sacrificial',
    minutes: 8,
    counted: true,
  },
  {
    id: 'read-trusted',
    rung: 'trusted',
    title: 'Read a reference disk',
    how: 'The whole surface of a disk that a verified drive wrote, as a read test with the disk named.',
    disk: 'trusted',
    minutes: 8,
  },
  {
    id: 'interchange',
    rung: 'others',
    title: 'Its writing, in a verified drive',
    how: 'Take the disk that it wrote to a verified drive and read all of it there.',
    disk: 'sacrificial',
    minutes: 10,
    counted: true,
  },
  {
    id: 'surface',
    rung: 'standard',
    title: 'Margins over the whole surface',
    how: 'A read test of every cylinder with both heads, nothing uneasy.',
    disk: 'trusted',
    minutes: 8,
  },
  {
    id: 'radial',
    rung: 'standard',
    title: 'Radial offset by lobes',
    how: 'An analogue alignment disk and a scope, within the limit.',
    disk: 'alignment',
    minutes: 30,
  },
]
export const findProofTest = (id: string): ProofTest | undefined => PROOF_TESTS.find(t => t.id === id)
