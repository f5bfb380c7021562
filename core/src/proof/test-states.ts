import { LAYOUTS, layoutsOf } from '../drives'
import { sourceName } from '../base/observations'
import { spaced, trialsFor } from '../base/numbers'
import { findingsAmong, type StandingFinding } from '../findings'
import { lastSpeed, supportingEntries, surfaceTotals, type DriveFacts, type LogEntry } from '../log'
import { boundSaid, CONFIDENCE } from './bound-said'
import { layoutRead, marginWanted } from './margin-wanted'
import type { ProofTest } from './proof-tests'
import { checksOf, judgeWriteTest, type WriteCheck } from './write-test'

/** How a test came out, by the log. */
export interface TestState {
  readonly test: ProofTest
  readonly state: 'passed' | 'failed' | 'not done'
  /** What the log says, a sentence; for counts with the bound that they allow. */
  readonly says: string
  readonly entry: LogEntry | null
}

/** A drive as far as its proof depends on it. */
export type ProvedDrive = Pick<DriveFacts, 'mechanism' | 'simulated'>

/** Checks of a write test that make up a proof. */
const WRITTEN: Readonly<Partial<Record<ProofTest['id'], readonly WriteCheck['id'][]>>> = {
  format: ['format', 'first', 'last', 'second-head', 'time', 'home'],
  pattern: ['pattern'],
  overwrite: ['overwrite'],
}

/** A bound takes every sector for a trial of its own; those of one disk share its flaws. */
const ONE_DISK = 'The sectors of one disk are not independent: it is one disk, and one trial of it.'

/** Shares of a surface's tracks that count as the whole of it. */
const WHOLE_SURFACE = 0.97

/** Reads from a drive's log how each test of the ladder came out. What the log does not hold is not done. */
export class TestReader {
  private readonly standing: readonly LogEntry[]
  private readonly found: readonly StandingFinding[]
  private readonly surfaces: readonly LogEntry[]

  /** @param trusts whether a reference disk is trusted; null where it is none of the shelf's */
  constructor(
    private readonly drive: ProvedDrive,
    log: readonly LogEntry[],
    private readonly trusts: (disk: string) => boolean | null,
  ) {
    this.standing = supportingEntries(log, drive)
    this.found = findingsAmong(this.standing)
    this.surfaces = this.standing.filter(e => e.data?.type === 'read-test')
  }

  state(test: ProofTest): TestState {
    switch (test.id) {
      case 'speed':
        return byCall(test, lastSpeed(this.standing)?.entry)
      case 'home':
        return this.home(test)
      case 'protect':
        return this.protect(test)
      case 'read-trusted':
        return this.trustedRead(test)
      case 'surface':
        return this.wholeSurface(test)
      case 'radial':
        return byCall(test, this.calculated('lobes'))
      default:
        return this.counted(test)
    }
  }

  private calculated(calculator: string): LogEntry | undefined {
    return this.standing.findLast(e => e.data?.type === 'sum' && e.data.instrument === calculator)
  }

  /** The latest counts, typed as such or in a write test. One failure is not enough evidence: the latest counts. */
  private counted(test: ProofTest): TestState {
    const own = this.standing.filter(e => e.data?.type === 'proof' && e.data.test === test.id)
    const last = own.at(-1)
    const checks = WRITTEN[test.id]
    const written = checks ? this.written(test, checks, last?.seq ?? 0) : null
    if (written) return written
    if (last?.data?.type !== 'proof') return notDone(test)
    const { errors, sectors } = last.data
    const least = this.leastCount()
    if (errors === 0 && sectors < least) {
      const says = `${spaced(sectors)} sectors are too few to carry this: at least ${spaced(least)}, a whole disk.`
      return { test, state: 'not done', says, entry: null }
    }
    const once = own.length === 1 ? ' Once is no proof: clean, and try another disk.' : ''
    return errors > 0
      ? said(test, 'failed', `${errors} of ${sectors} sectors failed.${once}`, last)
      : said(test, 'passed', `${spaced(sectors)} sectors without an error: ${boundSaid(sectors)}. ${ONE_DISK}`, last)
  }

  /**
   * Sectors that a claim of counts takes: those of a whole disk of the class's smallest layout, or as many as show that
   * fewer than one in a hundred fails.
   */
  private leastCount(): number {
    const disks = layoutsOf(this.drive.mechanism).map(id => {
      const { cylinders, heads, sectorsOf } = LAYOUTS[id]!
      return heads * Array.from({ length: cylinders }, (_, c) => sectorsOf(c)).reduce((a, b) => a + b, 0)
    })
    return Math.min(trialsFor(0, 0.01, CONFIDENCE), ...disks)
  }

  /**
   * What the last write test says of some checks, where all that the class has were tried; null where they were not.
   */
  private written(test: ProofTest, ids: readonly WriteCheck['id'][], sinceSeq: number): TestState | null {
    const { mechanism } = this.drive
    const here = ids.filter(id => checksOf(mechanism).includes(id))
    for (const entry of this.standing.toReversed()) {
      if (entry.data?.type !== 'write-test') continue
      if (entry.seq <= sinceSeq) return null
      const judged = judgeWriteTest(mechanism, entry.data.result).checks
      const checks = judged.filter(c => here.includes(c.id) && c.state !== 'open')
      const failed = checks.find(c => c.state === 'failed')
      if (failed) return said(test, 'failed', `${failed.label}: ${failed.says}`, entry)
      if (here.length === 0 || checks.length < here.length) continue
      const others = checks.slice(1).map(c => c.label.toLowerCase())
      const withIt = others.length ? ` Passed with it: ${others.join(', ')}.` : ''
      const bound = checks[0]!.bounded ? ` ${ONE_DISK}` : ''
      return said(test, 'passed', `${checks[0]!.says}${withIt}${bound}`, entry)
    }
    return null
  }

  private home(test: ProofTest): TestState {
    const homing = this.calculated('home')
    const surface = this.surfaces.at(-1)
    if (homing && homing.seq > (surface?.seq ?? 0)) return byCall(test, homing)
    if (surface?.data?.type !== 'read-test') return notDone(test)
    const { homeOff } = surface.data.surface
    return homeOff === 0
      ? said(test, 'passed', 'Headers name what the count of steps says, on the surface that was read last.', surface)
      : said(test, 'failed', `Headers name ${homeOff} cylinders more than the step count.`, surface)
  }

  private protect(test: ProofTest): TestState {
    const f = this.found.findLast(x => x.question.id === 'protect')
    const written = this.written(test, ['blocks', 'allows'], f?.entry.seq ?? 0)
    if (written) return written
    if (!f) return notDone(test)
    return said(test, f.finding.id === 'protect.both' ? 'passed' : 'failed', f.finding.means, f.entry)
  }

  private trustedRead(test: ProofTest): TestState {
    const byHand = this.standing.findLast(e => e.data?.type === 'cross-read' && this.trusts(e.data.disk) === true)
    const surface = this.surfaces.findLast(e => {
      if (e.data?.type !== 'read-test') return false
      return e.data.disk ? this.trusts(e.data.disk) === true : e.data.read?.trusted === true
    })
    return byHand && byHand.seq > (surface?.seq ?? 0) ? this.countedRead(test, byHand) : surfaceRead(test, surface, 0)
  }

  private wholeSurface(test: ProofTest): TestState {
    const { cylinders, heads } = this.layout()
    const tracks = cylinders * heads * WHOLE_SURFACE
    const surface = this.surfaces.findLast(e => e.data?.type === 'read-test' && e.data.bars.length >= tracks)
    return surfaceRead(test, surface, this.marginWanted(surface))
  }

  /** By the code and the sectors of the disk that was read. */
  private marginWanted(surface: LogEntry | undefined): number {
    const [first] = surface?.data?.type === 'read-test' ? surface.data.bars : []
    const layout = first && layoutRead(this.drive.mechanism, first.good + first.bad + first.missing)
    return layout ? marginWanted(layout.formatOf(first.cylinder).code, layout.bytes) : marginWanted('MFM', 512)
  }

  private layout(): { readonly cylinders: number; readonly heads: number } {
    return LAYOUTS[layoutsOf(this.drive.mechanism)[0] ?? ''] ?? { cylinders: 0, heads: 1 }
  }

  /** A trusted disk whose sectors a person counted: all zones of each head that it has. */
  private countedRead(test: ProofTest, entry: LogEntry): TestState {
    if (entry.data?.type !== 'cross-read') return notDone(test)
    const { places } = entry.data
    const good = places.reduce((n, p) => n + p.good, 0)
    const all = places.reduce((n, p) => n + p.sectors, 0)
    if (good < all) return said(test, 'failed', `${good} of ${all} sectors of it read, counted by hand.`, entry)
    const wanted = 3 * this.layout().heads
    if (places.length < wanted) {
      const says = `Only ${places.length} of ${wanted} places of it were read: outer, middle and inner with each head.`
      return { test, state: 'not done', says, entry: null }
    }
    const says = `All ${spaced(all)} sectors that were tried read, outer to inner, counted by hand: ${boundSaid(all)}. ${ONE_DISK}`
    return said(test, 'passed', says, entry)
  }
}

const notDone = (test: ProofTest): TestState => ({ test, state: 'not done', says: test.how, entry: null })

/** A result with its sentence; a source other than a recording is weaker and is named. */
function said(test: ProofTest, state: 'passed' | 'failed', says: string, entry: LogEntry): TestState {
  const { evidence } = entry
  const weaker = evidence && evidence.source !== 'recording' && evidence.source !== 'instrument'
  return { test, state, says: weaker ? `${says} Source: ${sourceName(evidence)}.` : says, entry }
}

function byCall(test: ProofTest, entry: LogEntry | undefined): TestState {
  if (!entry) return notDone(test)
  return said(test, entry.call?.kind === 'leave' ? 'passed' : 'failed', entry.call?.reasons[0] ?? entry.title, entry)
}

function surfaceRead(test: ProofTest, entry: LogEntry | undefined, least: number): TestState {
  if (entry?.data?.type !== 'read-test' || entry.data.bars.length === 0) return notDone(test)
  const { good, sectors, wrongCylinder, leastMargin } = surfaceTotals(entry.data.bars)
  if (good < sectors || wrongCylinder > 0) {
    const more = wrongCylinder > 0 ? ', and headers of other cylinders came' : ''
    return said(test, 'failed', `${good} of ${sectors} sectors read${more}.`, entry)
  }
  if (leastMargin === null) return said(test, 'failed', 'On some tracks nothing was read.', entry)
  const percent = `${Math.round(leastMargin * 100)} %`
  return leastMargin < least
    ? said(
        test,
        'failed',
        `All ${spaced(sectors)} sectors read, but at one place the timing margin is ${percent}; ${Math.round(least * 100)} % is wanted for this code.`,
        entry,
      )
    : said(
        test,
        'passed',
        `All ${spaced(sectors)} sectors read, timing margin at least ${percent}: ${boundSaid(sectors)}. ${ONE_DISK}`,
        entry,
      )
}
