import { findingsAmong } from '../findings'
import { findMechanism, possibleFeatures, type FeatureTag } from '../drives'
import { formatObservation, type CallKind } from '../base/observations'
import { speedOf, supportingEntries, type DriveFacts, type LogEntry, type PartLeft } from '../log'

export interface PartJudged extends PartLeft {
  /** False where something was found wrong with it: it stays in the list so that nobody takes it. */
  readonly good: boolean
}

interface Part {
  readonly id: string
  readonly label: string
  readonly has?: readonly FeatureTag[]
  /** Only of classes that name it among their own parts. */
  readonly own?: true
  /** Findings that show it good by a look, and those that show it bad. */
  readonly good: readonly string[]
  readonly bad: readonly string[]
  /** Instruments that test it: types of entry data, or ids of sums. */
  readonly tests?: readonly string[]
}

/** What one takes out of a drive, and what says of it that it is good. */
const PARTS: readonly Part[] = [
  {
    id: 'heads',
    label: 'Head assembly',
    good: ['heads.whole', 'heads.replaced', 'headclean.clean'],
    bad: ['heads.torn', 'heads.chipped', 'heads.bent', 'headclean.scored'],
    tests: ['read-test'],
  },
  {
    id: 'motor',
    label: 'Spindle motor',
    good: ['spindle.free'],
    bad: ['spindle.rough', 'spindle.stuck'],
    tests: ['speed', 'motor'],
  },
  {
    id: 'spindle',
    label: 'Spindle and hub',
    good: ['spindle.free'],
    bad: ['spindle.rough', 'spindle.stuck', 'spindle.wobble'],
    tests: ['speed'],
  },
  {
    id: 'carriage',
    label: 'Stepper and carriage',
    good: ['travel.free'],
    bad: ['travel.tight', 'travel.stuck', 'band.creased'],
    tests: ['home'],
    own: true,
  },
  {
    id: 'board',
    label: 'Main board',
    good: ['chips.sound', 'caps.sound', 'caps.replaced', 'power.good'],
    bad: [
      'chips.spot',
      'chips.legs',
      'caps.leaking',
      'caps.bulged',
      'caps.low',
      'shorts.found',
      'power.smoke',
      'power.dead',
    ],
    tests: ['board', 'logic'],
  },
  {
    id: 'index',
    label: 'Index sensor',
    good: [],
    bad: [],
    tests: ['speed', 'sensor'],
    own: true,
  },
  {
    id: 'zero',
    label: 'Track-zero sensor and flag',
    good: ['flag.whole', 'flag.rebuilt'],
    bad: ['flag.bent', 'flag.snapped'],
    tests: ['home', 'detector'],
    own: true,
  },
  {
    id: 'protect',
    label: 'Write-protect switch',
    good: ['protect.both'],
    bad: ['protect.never', 'protect.always'],
    tests: ['switch'],
  },
  {
    id: 'pin',
    label: 'Write-protect pin',
    good: ['pin.there', 'pin.back', 'pin.bagged'],
    bad: ['pin.missing'],
    own: true,
  },
  {
    id: 'arm',
    label: 'Shutter arm',
    good: ['arm.there', 'arm.fitted'],
    bad: ['arm.bent', 'arm.missing'],
    own: true,
  },
  {
    id: 'gears',
    label: 'Eject gearbox and motor',
    good: ['gears.whole', 'gears.replaced'],
    bad: ['gears.teeth', 'gears.tab', 'gears.motor'],
    has: ['motorised-eject'],
    tests: ['gear', 'load-cycles'],
  },
  {
    id: 'loading',
    label: 'Lever, slides and springs',
    good: ['loading.free'],
    bad: ['loading.stiff', 'loading.drops', 'missing.lever'],
  },
  {
    id: 'pad',
    label: 'Pressure pad',
    good: ['pad.whole', 'pad.new'],
    bad: ['pad.worn', 'pad.gone'],
    has: ['one-head'],
  },
  {
    id: 'case',
    label: 'Covers and screws',
    good: ['missing.none', 'screws.clean'],
    bad: ['missing.cover', 'missing.screw'],
  },
]

const GOOD: ReadonlySet<CallKind> = new Set(['leave', 'nudge'])

/**
 * What is still good in a drive, by its log: tested parts first, then those that were looked at, then those that
 * nobody knows; bad ones last.
 */
export function partsOf(
  drive: Pick<DriveFacts, 'mechanism' | 'features' | 'simulated'>,
  log: readonly LogEntry[],
): PartJudged[] {
  const { mechanism, features } = drive
  const own: readonly string[] = findMechanism(mechanism).parts
  const standing = supportingEntries(log, drive)
  const found = findingsAmong(standing)
  const tags = possibleFeatures(mechanism, features ?? undefined)
  const here = PARTS.filter(p => (!p.own || own.includes(p.id)) && (!p.has || p.has.some(t => tags.has(t))))
  return here
    .map((part): PartJudged => {
      const base = { id: part.id, label: part.label }
      const said = found.filter(f => part.good.includes(f.finding.id) || part.bad.includes(f.finding.id)).at(-1)
      const bad = found.filter(f => part.bad.includes(f.finding.id)).at(-1)
      const test = standing.findLast(e => e.call && e.call.kind !== 'unknown' && isTest(part, e))
      if (bad) return { ...base, good: false, state: 'looked at', says: bad.entry.title }
      // A nudge is an adjustment, not a fault; a mend says that something in its path is wrong, not what.
      if (test && GOOD.has(test.call!.kind)) return { ...base, good: true, state: 'tested', says: saidBy(test) }
      if (test) return { ...base, good: true, state: 'not known', says: `Not cleared: ${test.call!.reasons[0]}` }
      if (said) return { ...base, good: true, state: 'looked at', says: said.entry.title }
      return { ...base, good: true, state: 'not known', says: 'Nobody looked at it.' }
    })
    .sort((a, b) => rank(a) - rank(b))
}

/** What an instrument said, with its value where it has one. */
function saidBy(e: LogEntry): string {
  const main = e.observations[0]
  return main ? `${main.label}: ${formatObservation(main)}` : e.title
}

const rank = (p: PartJudged) => (p.good ? ['tested', 'looked at', 'not known'].indexOf(p.state) : 3)

function isTest(part: Part, e: LogEntry): boolean {
  const d = e.data
  if (!d) return false
  const test = d.type === 'sum' ? d.instrument : speedOf(e) ? 'speed' : d.type
  return part.tests?.includes(test) ?? false
}
