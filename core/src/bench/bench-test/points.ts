import {
  densitySaid,
  endStopSaid,
  indexSaid,
  motorSaid,
  protectedSaid,
  speedSaid,
  stepsSaid,
  writeEnabledSaid,
  zoneSaid,
  type TestedDrive,
} from './expected'

/** What a person has at hand to make a drive do something and to see what it does. */
export const TEST_WAYS = ['host', 'box', 'meter'] as const
export type TestWay = (typeof TEST_WAYS)[number]
export const TEST_WAY_LABELS: Readonly<Record<TestWay, string>> = {
  host: 'Host program',
  box: 'Test box',
  meter: 'Meter or probe',
}

export const TEST_GROUPS = ['Power and select', 'Motor', 'Position', 'Disk', 'Read and write'] as const
export type TestGroup = (typeof TEST_GROUPS)[number]

/** One thing that a bench test tries. */
export interface TestPoint {
  /** The check that it answers. */
  readonly check: string
  readonly group: TestGroup
  readonly label: string
  /** What to do, by what is at hand; a way that does not lead there is left out. */
  readonly how: Readonly<Partial<Record<TestWay, string>>>
  /** What a drive without a fault does. */
  readonly expected: (drive: TestedDrive) => string
  /** Words for its answers, where those of the check are too short to be read alone. */
  readonly answers?: Readonly<Record<string, string>>
  /** Words for its answers where a recording of the lines gave them. */
  readonly inRecording?: Readonly<Record<string, string>>
  /** Drives on which it can be tried; all that have its check, where it is left out. */
  readonly when?: (drive: TestedDrive) => boolean
  /** Line of the interface whose level tells the same, so that a meter can be read. */
  readonly line?: 'ready' | 'track-0' | 'write-protect' | 'change'
  /** When that line should be active, so low, and when it should not. */
  readonly levels?: { readonly active: string; readonly idle: string }
}

const point = (
  check: string,
  group: TestGroup,
  label: string,
  how: TestPoint['how'],
  expected: TestPoint['expected'] | string,
  more: Partial<TestPoint> = {},
): TestPoint => ({
  check,
  group,
  label,
  how,
  expected: typeof expected === 'string' ? () => expected : expected,
  ...more,
})

const POWER = 'Power and select'
const READ = 'Read and write'

const zone = (head: 'lower' | 'upper', place: 'outer' | 'middle' | 'inner'): TestPoint =>
  point(
    `read.${head}.${place}`,
    READ,
    `Read, ${head} head, ${place} tracks`,
    { host: `Read one track there with side ${head === 'lower' ? 0 : 1}, and count the sectors.` },
    d => zoneSaid(d, place),
  )

/** All points, in the order in which they are tried: what comes later needs what comes before. */
export const TEST_POINTS: readonly TestPoint[] = [
  point(
    'supply.5v',
    POWER,
    '5 V at the drive',
    { meter: 'Measure at the drive’s plug while it runs.' },
    '4.75 to 5.25 V',
  ),
  point(
    'supply.12v',
    POWER,
    '12 V at the drive',
    { meter: 'Measure at the drive’s plug while the motor runs.' },
    '11.4 to 12.6 V',
  ),
  point(
    'see.select',
    POWER,
    'Select',
    {
      host: 'List the drive’s directory, or select it in the test program.',
      box: 'Switch DRIVE SELECT on, then off.',
      meter: 'Connect the drive’s DRIVE SELECT pin to ground for a moment.',
    },
    'Answers while it is selected, and only then',
    {
      answers: {
        yes: 'Answers only while selected',
        no: 'Does not answer',
        always: 'Answers without being selected',
      },
    },
  ),
  point(
    'see.host',
    POWER,
    'Host recognises it',
    { host: 'Ask the host for the drive’s status or directory.' },
    'The host recognises it',
    { answers: { yes: 'Recognised', no: 'Not recognised', hangs: 'The host hangs' } },
  ),
  point(
    'see.lamp',
    POWER,
    'Lamp',
    { host: 'Watch the lamp while the host uses the drive.', box: 'Watch the lamp while DRIVE SELECT is on.' },
    'On while selected, else off',
    { answers: { normal: 'On while selected', none: 'Stays dark', always: 'Always on' } },
  ),
  point(
    'see.spin',
    'Motor',
    'Motor on',
    {
      host: 'Select the drive and look at the spindle.',
      box: 'Switch DRIVE SELECT and MOTOR ON on.',
      meter: 'Connect DRIVE SELECT and MOTOR ON to ground, and look at the spindle.',
    },
    motorSaid,
    {
      answers: {
        yes: 'Turns',
        no: 'Does not turn',
        sometimes: 'Only now and then',
        stops: 'Starts, then stops',
        always: 'Turns without being told',
      },
    },
  ),
  point(
    'see.motor-off',
    'Motor',
    'Motor off',
    { host: 'Wait until the host lets go of the drive.', box: 'Switch MOTOR ON off.' },
    'Stops within seconds',
    { answers: { stops: 'Stops', 'runs on': 'Keeps turning' }, when: d => d.motor !== 'ac' },
  ),
  point(
    'speed.mean',
    'Motor',
    'Spindle speed',
    {
      host: 'Read the speed in the test program, with a disk in.',
      box: 'Hold a strobe pattern under a mains lamp, with a disk in.',
      meter: 'Read a tachometer at the flywheel, with a disk in.',
    },
    speedSaid,
  ),
  point(
    'see.ready',
    'Motor',
    'Ready',
    {
      host: 'See whether the test program reports READY, with a disk in.',
      box: 'Watch the READY lamp after the motor has started.',
      meter: 'Measure READY with a disk turning, then without one.',
    },
    'Comes about a second after the motor starts',
    {
      answers: { yes: 'Comes', no: 'Does not come' },
      line: 'ready',
      levels: { active: 'disk in, turning', idle: 'no disk' },
    },
  ),
  point(
    'see.step',
    'Position',
    'Step',
    {
      host: 'Seek in and out, and watch the carriage.',
      box: 'Step in ten times, change DIRECTION, step out ten times.',
    },
    stepsSaid,
    { answers: { yes: 'Follows each step', no: 'Does not move', misses: 'Misses steps' } },
  ),
  point(
    'see.home',
    'Position',
    'Track zero',
    {
      host: 'Home the drive from a middle cylinder.',
      box: 'Step out until the TRACK 0 lamp comes on.',
      meter: 'Measure TRACK 0 on cylinder 0, then on cylinder 10.',
    },
    'Stops at track zero without knocking',
    {
      answers: { found: 'Found', never: 'Never found', knocks: 'Knocks against its end stop' },
      line: 'track-0',
      levels: { active: 'on cylinder 0', idle: 'on cylinder 10' },
    },
  ),
  point(
    'see.end-stop',
    'Position',
    'End stop',
    {
      host: 'Seek a few cylinders beyond the last, then home and count the steps.',
      box: 'Step in beyond the last cylinder, then step out and count until TRACK 0.',
    },
    endStopSaid,
    {
      answers: {
        right: 'As many steps as expected',
        fewer: 'Fewer: it missed steps on the way in',
        more: 'More: it went in too far, or missed steps on the way out',
      },
    },
  ),
  point(
    'see.click',
    'Position',
    'Heads load and stay',
    { host: 'Put a sacrificial cartridge in, and listen.' },
    'One click when the heads load, then only the sound of seeking',
    { answers: { no: 'One click only', yes: 'Clicks again and again' } },
  ),
  point(
    'see.pass',
    'Position',
    'Pass of the head',
    { host: 'Read a disk and listen: the head moves from edge to hub, then returns.' },
    'One pass takes about 8 s (from memory), and data begin soon after its start',
    { answers: { right: 'Passes, data where expected', none: 'No pass', late: 'Data begin late' } },
  ),
  point(
    'see.load',
    'Disk',
    'Put a disk in',
    { host: 'Put a sacrificial disk in.', box: 'Put a sacrificial disk in.' },
    'Goes in easily and locks',
    { answers: { goes: 'Goes in and locks', no: 'Does not go in', stiff: 'Only with force' } },
  ),
  point(
    'see.index',
    'Disk',
    'Index',
    {
      host: 'See whether the test program finds an index pulse.',
      box: 'Watch the INDEX lamp: it glows faintly or flickers.',
      meter: 'Hold a logic probe at INDEX: it shows pulses.',
    },
    indexSaid,
    { answers: { yes: 'Steady pulses', no: 'No pulse', unsteady: 'Pulses are missing' } },
  ),
  point(
    'protect.blocks',
    'Disk',
    'Protected disk',
    {
      host: 'Write to a disk that is protected and may be overwritten.',
      box: 'Put a protected disk in, and watch the WRITE PROTECT lamp.',
      meter: 'Measure WRITE PROTECT with a protected disk, then with a write-enabled one.',
    },
    protectedSaid,
    {
      answers: { refused: 'Writing is refused', written: 'It is written' },
      line: 'write-protect',
      levels: { active: 'protected disk', idle: 'write-enabled disk' },
    },
  ),
  point(
    'protect.allows',
    'Disk',
    'Write-enabled disk',
    {
      host: 'Write to a write-enabled disk that may be overwritten.',
      box: 'Put a write-enabled disk in: the WRITE PROTECT lamp stays off.',
    },
    writeEnabledSaid,
    { answers: { written: 'It is written', refused: 'Writing is refused' } },
  ),
  point(
    'change.without-disk',
    'Disk',
    'Disk change, no disk',
    {
      host: 'Take the disk out, let the host seek, and read the change state.',
      box: 'Take the disk out, step once, and watch the DISK CHANGE lamp.',
      meter: 'Select the drive without a disk, step once, and measure DISK CHANGE.',
    },
    'Stays active: only a step with a disk in clears it',
    {
      answers: { stays: 'Stays active', goes: 'Comes, and goes with the step', never: 'Never comes' },
      line: 'change',
      levels: { active: 'no disk, selected', idle: 'disk in, after a step' },
    },
  ),
  point(
    'change.with-disk',
    'Disk',
    'Disk change, disk in',
    {
      host: 'Put a disk in, let the host seek once, and read the change state.',
      box: 'Put a disk in, step once, and watch the DISK CHANGE lamp.',
    },
    'Goes with the first step',
    { answers: { goes: 'Goes with the step', stays: 'Stays active' } },
  ),
  point(
    'see.change',
    'Disk',
    'Another disk is noticed',
    { host: 'List a disk’s files, change the disk, and list them again.' },
    'The second list is that of the second disk',
    {
      answers: { new: 'The new disk’s files', last: 'The last disk’s files' },
      inRecording: { new: 'DISK CHANGE tells of it', last: 'DISK CHANGE says nothing of it' },
    },
  ),
  point('see.density', 'Disk', 'Density', { host: 'Read a disk of each density that the drive takes.' }, densitySaid, {
    answers: { right: 'Each as what it is', wrong: 'One is taken for the other' },
  }),
  zone('lower', 'outer'),
  zone('lower', 'middle'),
  zone('lower', 'inner'),
  zone('upper', 'outer'),
  zone('upper', 'middle'),
  zone('upper', 'inner'),
  point(
    'see.steady',
    READ,
    'The same ten times',
    { host: 'Read the same disk ten times.' },
    'Comes out the same each time',
    { answers: { always: 'Reads each time', 'now and then': 'Now and then', never: 'Never' } },
  ),
  point(
    'see.write',
    READ,
    'Write and read back',
    { host: 'Write to a disk that may be overwritten, and compare.' },
    'Comes back as it was written',
    { answers: { right: 'Comes back right', no: 'Nothing is written', errors: 'Comes back with errors' } },
  ),
  point(
    'see.format',
    READ,
    'Format',
    { host: 'Format a disk that may be overwritten, and verify it.' },
    'Formats and verifies, every track',
    { answers: { yes: 'Formats and verifies', no: 'Fails' } },
  ),
  point(
    'written.elsewhere',
    READ,
    'Its disk in a verified drive',
    { host: 'Take the disk that it wrote to a verified drive.' },
    'Reads there without an error',
    { answers: { reads: 'Reads there', fails: 'Fails there' } },
  ),
]
